import { refusalOf } from '../../test/said.ts';
import fc from 'fast-check';
import {
  COM_BITS_PER_SECOND,
  cycleBytes,
  decodeCycleTime,
  encodeCycleTime,
  messageSeconds,
} from './timing.ts';

test('a pair of messages by hand: two bytes and two bytes at COM2', () => {
  // 4 · 11 bits, 10 bits to answer, 1 bit and 3 bits of gap: 58 bits of 26.04 µs.
  expect(messageSeconds('COM2', 2, 2)).toBeCloseTo(58 / 38400, 9);
  expect(messageSeconds('COM2', 2, 2) * 1000).toBeCloseTo(1.51, 2);
});

test('a cycle carries control, check and status beside the data', () => {
  expect(cycleBytes(4, 1, 2)).toEqual({ master: 5, device: 7 });
  expect(cycleBytes(0, 0, 1)).toEqual({ master: 3, device: 2 });
});

test('more data never takes less time, and a faster speed never more', () => {
  const count = fc.integer({ min: 1, max: 40 });
  fc.assert(
    fc.property(count, count, (m, n) => {
      expect(messageSeconds('COM3', m + 1, n)).toBeGreaterThan(messageSeconds('COM3', m, n));
      expect(messageSeconds('COM1', m, n) / messageSeconds('COM3', m, n)).toBeCloseTo(
        COM_BITS_PER_SECOND.COM3 / COM_BITS_PER_SECOND.COM1,
        6,
      );
    }),
  );
});

test.each([
  [0x04, 0.4],
  [0x17, 2.3],
  [0x3f, 6.3],
  [0x40, 6.4],
  [0x7f, 31.6],
  [0x80, 32],
  [0xbf, 132.8],
])('cycle time byte 0x%s is %f ms', (byte, milliseconds) => {
  expect(decodeCycleTime(byte)).toBe(milliseconds);
  expect(encodeCycleTime(milliseconds)).toBe(byte);
});

test('what is coded is never shorter than what was wanted, and the next step shorter would be', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 132.8, noNaN: true }), (wanted) => {
      const byte = encodeCycleTime(wanted);
      expect(decodeCycleTime(byte)).toBeGreaterThanOrEqual(wanted - 1e-9);
      if (byte > 0) expect(decodeCycleTime(byte - 1)).toBeLessThan(wanted + 1e-9);
    }),
  );
});

test('a reserved base, and times that no byte stands for, are refused', () => {
  expect(refusalOf(() => decodeCycleTime(0xc0))).toMatch('ioLink.highest-time-base-cycle');
  expect(refusalOf(() => encodeCycleTime(133))).toMatch('ioLink.cycle-time-0-132');
  expect(refusalOf(() => encodeCycleTime(-1))).toMatch('ioLink.cycle-time-0-132');
});
