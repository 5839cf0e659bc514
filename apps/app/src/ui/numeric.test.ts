import { nth, sure } from '@keypost/core/lists';
import { z } from 'zod';
import { numeric } from './numeric';
import { typeNumbersIn } from './typedNumbers';

const field = numeric(z.number().min(10, 'At least 10.'));

test.each([
  ['24.1', 24.1],
  ['24,1', 24.1],
  [' 30 ', 30],
])('“%s” is %d', (text, value) => expect(field.parse(text)).toBe(value));

test.each([
  ['', 'Enter a number.'],
  ['abc', '“abc” is not a number. Enter one such as 24.1.'],
  ['3', 'At least 10.'],
])('“%s” is refused: %s', (text, message) =>
  expect(nth(sure(field.safeParse(text).error).issues, 0).message).toBe(message),
);

test.each([
  ['24', 24],
  ['24 V', 24],
  ['230mV', 0.23],
  ['0,4 kV', 400],
])('“%s” is taken in volts', (text, value) => {
  expect(numeric(z.number(), 'V').parse(text)).toBeCloseTo(value, 12);
});

test('a unit that is none of volts is refused with those that are', () => {
  const refused = numeric(z.number(), 'V').safeParse('24 A');
  expect(nth(sure(refused.error).issues, 0).message).toMatch(/V, mV/);
});

test('a job with decimal commas is asked about a point before three digits, another is not', () => {
  typeNumbersIn('comma');
  expect(nth(sure(field.safeParse('12.500').error).issues, 0).message).toMatch(/12\.5 or 12500/);
  expect(field.parse('12,50')).toBe(12.5);
  typeNumbersIn(undefined);
  expect(field.parse('12.500')).toBe(12.5);
});
