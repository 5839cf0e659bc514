import fc from 'fast-check';
import { keptCell, fileStyle } from './fileNumbers.ts';
import { NUMBER_STYLES, readingsOf, readStated } from './number.ts';
import { fixed, numberIn, parseIn } from './quantity.ts';
import { parseSection } from './section.ts';

test.each([
  ['24', 24],
  [' 24.10 ', 24.1],
  ['24,1', 24.1],
  ['−3,5', -3.5],
  ['.5', 0.5],
  ['2.', 2],
  ['1e-3', 0.001],
  ['1,234.5', 1234.5],
  ['1.234,5', 1234.5],
  ['1,234,567', 1_234_567],
  ['1.234.567,8', 1_234_567.8],
  ['12\u202f500', 12_500],
  ['12’500.25', 12_500.25],
])('%s is read', (text, value) => {
  expect(numberIn(text, '')).toBe(value);
  expect(numberIn(`${text} mA`, 'mA')).toBe(value);
  expect(numberIn(text, '', 'comma')).toBe(value);
});

test.each([
  '',
  ' ',
  'far',
  '1.2.3',
  '1,000,5',
  '1,234.567.8',
  '12 mA',
  '0x10',
  'Infinity',
  '1e999',
  '--2',
  '1 2',
  '12 500',
  '12,500',
  '−2,500',
])('“%s” is no number', (text) => expect(numberIn(text, '')).toBeNaN());

test('every number is read as it was written, with point and with comma', () =>
  fc.assert(
    fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
      // Minus zero is written as zero.
      const read = value + 0;
      expect(numberIn(String(value), '')).toBe(read);
      const comma = String(value).replace('.', ',');
      if (!readingsOf(comma)) expect(numberIn(comma, '')).toBe(read);
    }),
  ));

test('what a page prints is read back, its minus sign too', () =>
  fc.assert(
    fc.property(
      fc.double({ noNaN: true, min: -1e6, max: 1e6 }),
      fc.integer({ min: 0, max: 4 }),
      (value, digits) => {
        expect(numberIn(fixed(value, digits), '')).toBeCloseTo(Number(value.toFixed(digits)), 6);
      },
    ),
  ));

test.each(['', 'counts', 'ppm', 'V'])('both readings are told whatever the unit is (%s)', (unit) =>
  expect(parseIn('12,500', unit)).toMatchObject({
    problem: { code: 'quantity.thousands', values: { small: '12.5', large: '12500' } },
  }),
);

test('a comma before three digits has two readings, before any other number of them one', () => {
  expect(readingsOf('12,500')).toEqual(['12.5', '12500']);
  expect(readingsOf('−2,500')).toEqual(['-2.5', '-2500']);
  expect(readingsOf('12,500 V')).toEqual(['12.5', '12500']);
  for (const text of ['12,5', '12,50', '12,5000', '0,125', '1234,500', '12.500', '12500', '1,234.5'])
    expect(readingsOf(text)).toBeUndefined();
});

test('where a job writes decimal commas, a point before three digits has two readings as well', () => {
  expect(readingsOf('12.500', 'comma')).toEqual(['12.5', '12500']);
  expect(readingsOf('12,500', 'comma')).toEqual(['12.5', '12500']);
  expect(numberIn('12.500 mV', 'mV', 'comma')).toBeNaN();
  expect(numberIn('12.500 mV', 'mV')).toBe(12.5);
});

test('a file that states its style leaves no number in doubt', () => {
  expect(readStated('12,500', 'comma')).toBe(12.5);
  expect(readStated('12,500', 'point')).toBe(12_500);
  expect(readStated('12.500', 'comma')).toBe(12_500);
  expect(readStated('12.500', 'point')).toBe(12.5);
  for (const [text, style] of [
    ['1,5', 'point'],
    ['1.5', 'comma'],
    ['3 in', 'point'],
  ] as const)
    expect(readStated(text, style)).toBeUndefined();
});

test('every kept number that a file holds in either style comes back as it was', () =>
  fc.assert(
    fc.property(
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.constantFrom(...NUMBER_STYLES),
      (value, style) => {
        const { number, name } = fileStyle(style);
        expect(keptCell(number(String(value)), name)).toBe(String(value));
      },
    ),
  ));

test('a cell of a row that states no style stays as it is', () =>
  expect(keptCell('12,500', undefined)).toBe('12,500'));

// ASTM B258: AWG 4/0 is 0.46 in across.
test.each([
  ['AWG 4/0', 107],
  ['2/0 AWG', 67.4],
  ['1/0 AWG', 53.5],
  ['AWG 20', 0.518],
  ['0,75 mm²', 0.75],
])('a section of %s is %d mm²', (text, mm2) => expect(parseSection(text)).toBeCloseTo(mm2, 3));

test.each(['5/0 AWG', 'AWG', '-1', 'AWG 1/2', '2,500'])('“%s” is no section', (text) =>
  expect(parseSection(text)).toBeUndefined(),
);
