import fc from 'fast-check';
import { readNumber } from './number.ts';

test.each([
  ['24', 24],
  [' 24.10 ', 24.1],
  ['24,1', 24.1],
  ['−3,5', -3.5],
  ['.5', 0.5],
  ['2.', 2],
  ['1e-3', 0.001],
])('%s is read', (text, value) => expect(readNumber(text)).toBe(value));

test.each(['', ' ', 'far', '1.2.3', '1,000,5', '12 mA', '0x10', 'Infinity', '1e999', '--2', '1 2'])(
  '“%s” is no number',
  (text) => expect(readNumber(text)).toBeNaN(),
);

test('every number is read as it was written, with point and with comma', () =>
  fc.assert(
    fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
      // Minus zero is written as zero.
      const read = value + 0;
      expect(readNumber(String(value))).toBe(read);
      expect(readNumber(String(value).replace('.', ','))).toBe(read);
    }),
  ));
