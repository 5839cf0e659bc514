import { oncePer } from '../lists/index.ts';
import { measuredOf, measuredQuantity } from '../analysis/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { Quantity } from '../circuit/index.ts';
import { unlessRefused } from '../model/index.ts';
import { chainOf, countedOf, engineeringOf } from '../scaling/index.ts';

/** What a program makes of a point's analog input. */
export interface ValueReader {
  /** What the input sees, V. */
  readonly quantity: Quantity;
  /** The value in the program for it, in the value's unit. */
  readonly read: (volts: number) => number | undefined;
  readonly unit: string;
  /** From one end of its range to the other, in that unit. */
  readonly span: number;
}

/** Reads the value of a point on an analog input; nothing where there is none, or no chain yet. */
export const valueReader = oncePer((analysis: Analysis): ValueReader | undefined => {
  const own = analysis.present.measured[0]?.own;
  const made = own && unlessRefused(() => chainOf(analysis));
  if (!made || 'problem' in made || made.data) return undefined;
  const { port, module, settings } = own;
  const { chain, range } = made;
  return {
    quantity: measuredQuantity(module.id, port, settings),
    read: (volts) => {
      const { value } = measuredOf(port, settings, { nom: volts, min: volts, max: volts });
      return unlessRefused(() => engineeringOf(chain, countedOf(chain, value.nom).counts));
    },
    unit: chain.controller.unit,
    span: Math.abs(range.high - range.low),
  };
});
