import fc from 'fast-check';
import {
  canBe,
  convert,
  fixed,
  formatFineBand,
  formatFineVolts,
  formatMilliamps,
  isSameUnit,
  numberIn,
  formatVoltBand,
  formatVolts,
  parseIn,
  parseQuantity,
  UNITS,
} from './quantity.ts';

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
  ['2.500', 'volts', 'V', 2.5],
  ['0,125', 'volts', 'V', 0.125],
  ['470 mΩ', 'ohms', 'Ω', 0.47],
  ['1 MΩ', 'ohms', 'Ω', 1e6],
  ['2 KOHM', 'ohms', 'Ω', 2000],
  ['½ in', 'metres', 'm', 0.0127],
  ['1½"', 'metres', 'm', 0.0381],
  ['3"', 'metres', 'm', 0.0762],
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
  ['12,500', 'quantity.thousands'],
  ['−2,500 V', 'quantity.thousands'],
  ['1 MV', 'quantity.unit'],
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

test('what a comma leaves open is asked, with both readings', () => {
  const parsed = parseQuantity('12,500 mV', 'volts', 'V');
  expect(parsed).toEqual({
    ok: false,
    problem: {
      code: 'quantity.thousands',
      values: { text: '12,500 mV', small: '12.5', large: '12500' },
    },
  });
});

// NIST SP 811, appendix B.9: conventional values.
test.each([
  [1, 'atm', 'bar', 1.01325],
  [1, 'kg/cm²', 'bar', 0.980665],
  [1, 'mm H2O', 'Pa', 9.80665],
  [1, 'in H2O', 'Pa', 249.08891],
  [1, 'in Hg', 'kPa', 3.386389],
  [1, 'lbf', 'N', 4.4482216],
  [1, 'klbf', 'kN', 4.4482216],
  [1, 'cfm', 'm³/h', 1.69901],
  [150, 'gpm', 'm³/h', 34.0687],
])('%d %s is %s %d', (from, unit, to, expected) => {
  expect(convert(from, unit, to)).toBeCloseTo(expected, 4);
});

test('no unit is taken for another by its letters: of two spellings that differ in case only, each is its own', () => {
  for (const units of Object.values(UNITS))
    for (const unit of Object.keys(units)) {
      const parsed = parseIn(`1 ${unit}`, unit);
      expect(parsed).toMatchObject({ ok: true });
      if (parsed.ok) expect(parsed.value).toBeCloseTo(1, 9);
    }
});

test.each(['-300 °C', '-273.2', '-1 K', '-460 °F'])('%s is below absolute zero, and refused', (text) => {
  expect(parseIn(text, '°C')).toMatchObject({
    ok: false,
    problem: { code: 'quantity.below-absolute-zero', values: { text } },
  });
});

test.each(['Infinity', 'NaN', '1e999', '--5', ''])('“%s” is no number anywhere', (text) => {
  for (const unit of ['V', '°C', 'mm', 'widgets']) expect(parseIn(text, unit).ok).toBe(false);
});

test('the coldest that can be is read', () => {
  expect(parseIn('0 K', '°C')).toEqual({ ok: true, value: -273.15 });
  expect([canBe(-459.67, '°F'), canBe(-460, '°F'), canBe(-300, 'bar')]).toEqual([true, false, true]);
});

test.each([
  [24.06, '24.1\u00a0V'],
  [0.12, '0.1\u00a0V'],
  [0.0235, '23.5\u00a0mV'],
  [-0.004279, '−4.28\u00a0mV'],
  [0, '0.0\u00a0V'],
  [1e-9, '0.0\u00a0V'],
])('%d V on a meter that chooses its range', (volts, shown) => {
  expect(formatFineVolts(volts)).toBe(shown);
});

test('a band is shown in one unit', () => {
  expect(formatFineBand(0.00421, 0.00435)).toBe('4.21 to 4.35\u00a0mV');
  expect(formatFineBand(0.02, 2)).toBe('0.0 to 2.0\u00a0V');
  expect(formatFineBand(0, 0)).toBe('0.0\u00a0V');
});

test('what is typed in the unit itself stays as it is, to the last digit, with the unit and without', () => {
  const units = Object.values(UNITS).flatMap((known) => Object.keys(known));
  fc.assert(
    fc.property(
      fc.constantFrom(...units),
      fc.integer({ min: 1, max: 99_999 }),
      fc.integer({ min: 0, max: 4 }),
      (unit, n, digits) => {
        const text = (n / 10 ** digits).toFixed(digits);
        expect(parseIn(text, unit)).toEqual({ ok: true, value: Number(text) });
        expect(parseIn(`${text} ${unit}`, unit)).toEqual({ ok: true, value: Number(text) });
        expect(numberIn(text, unit)).toBe(Number(text));
      },
    ),
    { numRuns: 500, seed: 7 },
  );
});

test.each([
  ['gpm', 'gal/min', true],
  ['m3/h', 'm³/h', true],
  ['kg/cm2', 'kg/cm²', true],
  ['l/h', 'l/s', false],
  ['°C', 'K', false],
  ['mΩ', 'MΩ', false],
  ['ppm', 'ppm', true],
  ['ppm', 'mg/l', false],
])('%s and %s are one unit: %s', (a, b, same) => {
  expect(isSameUnit(a, b)).toBe(same);
});

test.each([
  ['1500 1/min', 1500],
  ['1 1/min', 1],
  ['1 1/2 rpm', 1.5],
  ['90,5 rpm', 90.5],
])('turns a minute are read as they are printed: %s', (text, value) =>
  expect(parseIn(text, '1/min')).toEqual({ ok: true, value }),
);
