import type { Solution } from './solve.ts';

/**
 * What is to be read: the voltage of `a` against `b` (V), the current of an element (A), or a sum of voltages, each
 * with its factor (V).
 */
export type Quantity =
  | { readonly kind: 'volts'; readonly a: string; readonly b: string }
  | { readonly kind: 'amps'; readonly element: string }
  | {
      readonly kind: 'sum';
      readonly terms: readonly { readonly a: string; readonly b: string; readonly factor: number }[];
    };

/** A quantity of a solved circuit, V or A. @throws Error for a node or an element that is not in the circuit. */
export function readOff({ volts, amps }: Solution, quantity: Quantity): number {
  switch (quantity.kind) {
    case 'volts':
      return volts(quantity.a) - volts(quantity.b);
    case 'amps':
      return amps(quantity.element);
    case 'sum':
      return quantity.terms.reduce((sum, { a, b, factor }) => sum + factor * (volts(a) - volts(b)), 0);
  }
}
