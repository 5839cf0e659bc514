import fc from 'fast-check';
import { fixed, formatMilliamps, formatVoltBand, formatVolts, parseQuantity } from './quantity.ts';

const value = (text: string, ...rest: ['volts' | 'amps' | 'metres' | 'ohms', string]): number => {
  const parsed = parseQuantity(text, ...rest);
  if (!parsed.ok) throw new Error(parsed.problem.code);
  return parsed.value;
};
const problem = (text: string): string => {
  const parsed = parseQuantity(text, 'volts', 'V');
  return parsed.ok ? 'none' : parsed.problem.code;
};

test.each<[string, 'volts' | 'amps' | 'metres' | 'ohms', string, number]>([
  ['24.1', 'volts', 'V', 24.1],
  ['24,1 V', 'volts', 'V', 24.1],
  ['−1.5', 'volts', 'V', -1.5],
  ['250 mV', 'volts', 'V', 0.25],
  ['6.6', 'amps', 'mA', 0.0066],
  ['3/4 in', 'metres', 'm', 0.01905],
  ['1 1/2 in', 'metres', 'm', 0.0381],
  ['4.7 kΩ', 'ohms', 'Ω', 4700],
  ['.5', 'volts', 'V', 0.5],
])('%s reads as %s in %s: %d', (text, dimension, unit, expected) => {
  expect(value(text, dimension, unit)).toBeCloseTo(expected, 10);
});

test.each([
  ['', 'quantity.missing'],
  ['abc', 'quantity.no-number'],
  ['12 A', 'quantity.unit'],
  ['1/0', 'quantity.divided-by-zero'],
  ['1 2', 'quantity.two-numbers'],
  ['1e999', 'quantity.too-large'],
  ['NaN', 'quantity.no-number'],
])('“%s” is refused', (text, code) => {
  expect(problem(text)).toBe(code);
});

test('numbers keep their unit beside them', () => {
  expect(formatVolts(24.06)).toBe('24.1\u00a0V');
  expect(formatVolts(-0.04)).toBe('0.0\u00a0V');
  expect(formatVolts(-3.21)).toBe('−3.2\u00a0V');
  expect(formatMilliamps(0.00657)).toBe('6.6\u00a0mA');
  expect(formatMilliamps(0.00001)).toBe('0.01\u00a0mA');
  expect(formatVoltBand(0.31, 1.96)).toBe('0.3 to 2.0\u00a0V');
});

test('what is written is read back', () => {
  fc.assert(
    fc.property(fc.double({ min: -1e4, max: 1e4, noNaN: true }), (volts) => {
      expect(value(fixed(volts, 3), 'volts', 'V')).toBeCloseTo(volts, 2);
    }),
  );
});
