import { nth } from '../../lists/index.ts';
import { FUNCTIONS, isReading } from './pdu.ts';

/** Unit number, function and check sum, besides what lies between. */
const AROUND = 4;

/**
 * Bytes of the RTU frame of a request that begins so; undefined while too little of it is there, or where no such
 * function is known. RTU marks the end of a frame by silence; over TCP its length has to say where it ends.
 */
export function rtuLength(arrived: Uint8Array): number | undefined {
  if (arrived.length < 3) return undefined;
  const code = nth(arrived, 1);
  const writesMany = code === FUNCTIONS.writeCoils || code === FUNCTIONS.writeRegisters;
  const writesOne = code === FUNCTIONS.writeCoil || code === FUNCTIONS.writeRegister;
  if (writesMany) return arrived.length < 7 ? undefined : AROUND + 5 + nth(arrived, 6);
  return isReading(code) || writesOne ? AROUND + 4 : undefined;
}
