import { lastOf, nth, sure } from './index.ts';

test('an item that is not there is refused at the place that took it for granted', () => {
  expect(nth([5, 6, 7], 2)).toBe(7);
  expect(nth(Float64Array.of(1.5), 0)).toBe(1.5);
  expect(lastOf([5, 6, 7])).toBe(7);
  for (const index of [3, -1, 0.5, NaN]) expect(() => nth([5, 6, 7], index)).toThrow(RangeError);
  expect(() => lastOf([])).toThrow(RangeError);
});

test('zero, false and the empty text are values; nothing is not', () => {
  expect([0, false, ''].map((value) => sure(value))).toEqual([0, false, '']);
  expect(() => sure([1].find((item) => item > 1))).toThrow('missing');
  expect(() => sure(null)).toThrow('missing');
});
