import { nth } from '../../lists/index.ts';
import { FUNCTIONS } from './pdu.ts';

/** Unit number, function and check sum, besides what lies between. */
const AROUND = 4;

/**
 * Bytes of an RTU frame that begins so, request or answer; undefined while too little of it is there, or where no such
 * function is known. RTU marks the end of a frame by silence; over TCP its length has to say where it ends.
 */
export function rtuLength(arrived: Uint8Array, side: 'request' | 'answer'): number | undefined {
  if (arrived.length < 3) return undefined;
  const code = nth(arrived, 1);
  if (side === 'answer' && code >= 0x80) return AROUND + 1;
  const writesMany = code === FUNCTIONS.writeCoils || code === FUNCTIONS.writeRegisters;
  const writesOne = code === FUNCTIONS.writeCoil || code === FUNCTIONS.writeRegister;
  const reads = code >= FUNCTIONS.readCoils && code <= FUNCTIONS.readInputRegisters;
  if (side === 'request' && writesMany) return arrived.length < 7 ? undefined : AROUND + 5 + nth(arrived, 6);
  if (side === 'answer' && reads) return AROUND + 1 + nth(arrived, 2);
  return reads || writesOne || writesMany ? AROUND + 4 : undefined;
}
