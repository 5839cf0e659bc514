import { nth, sure } from '@keypost/core/lists';
import { z } from 'zod';
import { numeric } from './numeric';

const field = numeric(z.number().min(10, 'At least 10.'));

test.each([
  ['24.1', 24.1],
  ['24,1', 24.1],
  [' 30 ', 30],
])('“%s” is %d', (text, value) => expect(field.parse(text)).toBe(value));

test.each([
  ['', 'Enter a number.'],
  ['abc', '“abc” is not a number.'],
  ['3', 'At least 10.'],
])('“%s” is refused: %s', (text, message) =>
  expect(nth(sure(field.safeParse(text).error).issues, 0).message).toBe(message),
);
