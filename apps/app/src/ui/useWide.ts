import { useWindowDimensions } from 'react-native';

/** Whether there is room for panes beside each other. */
export function useWide(): boolean {
  return useWindowDimensions().width >= 1000;
}
