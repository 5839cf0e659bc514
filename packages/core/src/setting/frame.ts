import type { SerialFrame } from '../catalog/index.ts';
import type { SerialUnit } from '../model/index.ts';

type Bits = Pick<SerialUnit, 'parity' | 'stopBits'>;

const PARITIES = { E: 'even', O: 'odd', N: 'none' } as const;

/** Frame of a serial unit as it is written: data bits, parity, stop bits. One that no menu offers is written too. */
export const frameOf = ({ parity, stopBits }: Bits): string =>
  `8${parity === 'none' ? 'N' : parity.charAt(0).toUpperCase()}${stopBits}`;

/** The parity and stop bits of a frame as it is written. */
export const readFrame = (frame: SerialFrame): Bits => ({
  parity: PARITIES[frame[1] as keyof typeof PARITIES],
  stopBits: frame[2] === '2' ? 2 : 1,
});
