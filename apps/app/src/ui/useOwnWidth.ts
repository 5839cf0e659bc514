import { useLayoutEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import type { LayoutChangeEvent, View } from 'react-native';

/**
 * How wide a part of the page is: known before it is first seen, so that nothing below it moves, and followed.
 * @param given the part, where it is known by a ref already.
 */
export function useOwnWidth(given?: RefObject<View | null>) {
  const own = useRef<View>(null);
  const ref = given ?? own;
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const element = ref.current as unknown as HTMLElement | null;
    if (element) setWidth(element.getBoundingClientRect().width);
  }, [ref]);
  const onLayout = ({ nativeEvent }: LayoutChangeEvent): void => setWidth(nativeEvent.layout.width);
  return { width, box: { ref, onLayout } };
}
