import { say } from '../messages/index.ts';
import { JobProblem } from '../model/index.ts';

/** Bit rates of the three speeds, bit/s (IO-Link Interface and System Specification, table 9). */
export const COM_BITS_PER_SECOND = { COM1: 4800, COM2: 38400, COM3: 230400 } as const;
export type ComSpeed = keyof typeof COM_BITS_PER_SECOND;

/** A frame of the wire carries a byte in eleven bits. */
const FRAME_BITS = 11;

/**
 * Longest time of one message pair, s: m bytes of the master, n of the device, the device's answer delay of 10 bits
 * and gaps of 1 bit between the master's and 3 bits between the device's bytes, all at their most
 * (IO-Link Interface and System Specification, annex A.3).
 */
export function messageSeconds(speed: ComSpeed, masterBytes: number, deviceBytes: number): number {
  const bits =
    (masterBytes + deviceBytes) * FRAME_BITS +
    10 +
    Math.max(0, masterBytes - 1) +
    3 * Math.max(0, deviceBytes - 1);
  return bits / COM_BITS_PER_SECOND[speed];
}

/** Bytes of a cycle: control and check of the master, process data both ways, on-request data, status of the device. */
export function cycleBytes(
  processInBytes: number,
  processOutBytes: number,
  onRequestBytes: number,
): { master: number; device: number } {
  return { master: 2 + processOutBytes + onRequestBytes, device: onRequestBytes + processInBytes + 1 };
}

const BASES = [
  { from: 0, step: 0.1 },
  { from: 6.4, step: 0.4 },
  { from: 32, step: 1.6 },
] as const;

/**
 * The cycle time that a coded byte stands for, ms: two bits of time base, six of multiplier (annex B.1.3).
 * @throws JobProblem for the base that is reserved.
 */
export function decodeCycleTime(byte: number): number {
  const base = BASES[(byte >> 6) & 3];
  if (!base) throw new JobProblem([{ path: '', message: say('ioLink.highest-time-base-cycle') }]);
  return Number((base.from + (byte & 63) * base.step).toFixed(1));
}

/**
 * The byte for the shortest cycle time that is not below the one wanted, ms.
 * @throws JobProblem beyond 132.8 ms, the longest.
 */
export function encodeCycleTime(milliseconds: number): number {
  if (!(milliseconds >= 0) || milliseconds > 132.8)
    throw new JobProblem([{ path: '', message: say('ioLink.cycle-time-0-132') }]);
  for (const [code, { from, step }] of BASES.entries()) {
    const multiplier = Math.max(0, Math.ceil((milliseconds - from) / step - 1e-9));
    if (multiplier <= 63) return (code << 6) | multiplier;
  }
  return (2 << 6) | 63;
}
