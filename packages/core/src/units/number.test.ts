import fc from 'fast-check';
import { readingsOf, readNumber } from './number.ts';
import { parseSection } from './section.ts';

test.each([
  ['24', 24],
  [' 24.10 ', 24.1],
  ['24,1', 24.1],
  ['−3,5', -3.5],
  ['.5', 0.5],
  ['2.', 2],
  ['1e-3', 0.001],
])('%s is read', (text, value) => expect(readNumber(text)).toBe(value));

test.each([
  '',
  ' ',
  'far',
  '1.2.3',
  '1,000,5',
  '12 mA',
  '0x10',
  'Infinity',
  '1e999',
  '--2',
  '1 2',
  '12,500',
  '−2,500',
])('“%s” is no number', (text) => expect(readNumber(text)).toBeNaN());

test('every number is read as it was written, with point and with comma', () =>
  fc.assert(
    fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
      // Minus zero is written as zero.
      const read = value + 0;
      expect(readNumber(String(value))).toBe(read);
      const comma = String(value).replace('.', ',');
      if (!readingsOf(comma)) expect(readNumber(comma)).toBe(read);
    }),
  ));

test('a comma before three digits has two readings, before any other number of them one', () => {
  expect(readingsOf('12,500')).toEqual(['12.5', '12500']);
  expect(readingsOf('−2,500')).toEqual(['-2.5', '-2500']);
  for (const text of ['12,5', '12,50', '12,5000', '0,125', '1234,500', '12.500', '12500'])
    expect(readingsOf(text)).toBeUndefined();
});

// ASTM B258: AWG 4/0 is 0.46 in across.
test.each([
  ['AWG 4/0', 107],
  ['2/0 AWG', 67.4],
  ['1/0 AWG', 53.5],
  ['AWG 20', 0.518],
  ['0,75 mm²', 0.75],
])('a section of %s is %d mm²', (text, mm2) => expect(parseSection(text)).toBeCloseTo(mm2, 3));

test.each(['5/0 AWG', 'AWG', '-1', 'AWG 1/2'])('“%s” is no section', (text) =>
  expect(parseSection(text)).toBeUndefined(),
);
