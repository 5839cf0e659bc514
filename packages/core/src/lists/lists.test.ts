import { Groups, lastOf, nth, oncePer, pathsTo, sure } from './index.ts';

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

test('names are in one group once a chain of joins leads from one to the other', () => {
  const groups = new Groups();
  groups.join('a', 'b');
  groups.join('c', 'd');
  expect(groups.of('a')).toBe(groups.of('b'));
  expect(groups.of('a')).not.toBe(groups.of('c'));
  groups.join('b', 'd');
  expect(groups.of('a')).toBe(groups.of('c'));
  expect(groups.of('alone')).toBe('alone');
});

test('the ends of a network are found by shortest ways, and none is gone through', () => {
  const lines: Record<string, [string, number][]> = {
    a: [
      ['b', 1],
      ['c', 2],
    ],
    b: [['end', 3]],
    c: [['end', 4]],
    end: [['beyond', 5]],
  };
  const paths = (start: string) =>
    pathsTo(
      start,
      (node) => lines[node] ?? [],
      (node) => node === 'end' || node === 'beyond',
    );
  expect([...paths('a')]).toEqual([['end', [1, 3]]]);
  expect([...paths('end')]).toEqual([['end', []]]);
  expect([...paths('nowhere')]).toEqual([]);
});

test('what is made of an object is made once for it, nothing too, and for another anew', () => {
  const seen: object[] = [];
  const find = oncePer((key: { readonly n?: number }) => {
    seen.push(key);
    return key.n;
  });
  const [one, none] = [{ n: 1 }, {}];
  expect([find(one), find(one), find(none), find(none), find({ n: 1 })]).toEqual([
    1,
    1,
    undefined,
    undefined,
    1,
  ]);
  expect(seen).toHaveLength(3);
});
