import { useRef, useState } from 'react';
import type { GestureResponderEvent } from 'react-native';

const MOST = 3;
const STEP = 1.25;

const within = (zoom: number): number => Math.min(MOST, Math.max(1, zoom));

const apart = ({ nativeEvent: { touches } }: GestureResponderEvent): number | undefined => {
  const [a, b] = touches;
  return a && b && touches.length === 2 ? Math.hypot(a.pageX - b.pageX, a.pageY - b.pageY) : undefined;
};

/** How much larger something is drawn: by two fingers, by + and − and 0, or by buttons. */
export function useZoom() {
  const [zoom, setZoom] = useState(1);
  const began = useRef<{ apart: number; zoom: number }>(undefined);
  const by = (factor: number): void => setZoom((now) => within(now * factor));
  return {
    zoom,
    larger: zoom < MOST ? () => by(STEP) : undefined,
    smaller: zoom > 1 ? () => by(1 / STEP) : undefined,
    /** For the view in which it stands. */
    hands: {
      onTouchStart: (event: GestureResponderEvent) => {
        const width = apart(event);
        began.current = width === undefined ? undefined : { apart: width, zoom };
      },
      onTouchMove: (event: GestureResponderEvent) => {
        const width = apart(event);
        if (width !== undefined && began.current)
          setZoom(within((began.current.zoom * width) / began.current.apart));
      },
      onKeyDown: ({ key }: { key: string }) => {
        if (key === '+' || key === '=') by(STEP);
        else if (key === '-') by(1 / STEP);
        else if (key === '0') setZoom(1);
      },
    },
  };
}
