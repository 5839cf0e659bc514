import { useWindowDimensions } from 'react-native';

let scale: number | undefined;

/** Size of text that the browser was told to use, against the usual 16 px. Asked once: it makes the browser lay out. */
const textScale = (): number =>
  (scale ??= parseFloat(getComputedStyle(document.documentElement).fontSize) / 16 || 1);

/** Whether there is room for panes beside each other. */
export function useWide(): boolean {
  return useWindowDimensions().width >= 1000 * Math.max(1, textScale());
}

/** Text so large that what is always in reach would hide the page: it then stands at its end. */
export const isLargeText = (): boolean => textScale() >= 1.5;
