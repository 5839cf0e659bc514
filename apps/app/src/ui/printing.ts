import { flushSync } from 'react-dom';
import { held } from '../data/held';

const printing = held(false);

/** Whether the page is being printed: then it is whole, in black on white. */
export const useIsPrinting = printing.use;

/** Follows the browser's printing. @returns what ends that. */
export function followPrinting(): () => void {
  // What is printed is what stands there once this returns.
  const put = (is: boolean) => () => flushSync(() => printing.put(is));
  const [begins, ends] = [put(true), put(false)];
  window.addEventListener('beforeprint', begins);
  window.addEventListener('afterprint', ends);
  return () => {
    window.removeEventListener('beforeprint', begins);
    window.removeEventListener('afterprint', ends);
  };
}
