import fc from 'fast-check';
import { OneMore, Resistances } from './resistances.ts';

const NODES = 7;
const joint = fc.record({
  a: fc.nat(NODES - 1),
  b: fc.nat(NODES - 1),
  conductance: fc.double({ min: 1e-9, max: 100, noNaN: true }),
});

const pairs = (count: number): [number, number][] =>
  Array.from({ length: count * count }, (_, i) => [i % count, Math.floor(i / count)]);

test('what is asked for of a few nodes is what is asked for of all', () => {
  fc.assert(
    fc.property(fc.array(joint, { maxLength: 14 }), fc.integer({ min: 1, max: NODES }), (joints, asked) => {
      const all = new Resistances(joints, NODES);
      const few = new Resistances(joints, NODES, asked);
      for (const [a, b] of pairs(asked)) expect(few.ohms(a, b)).toBe(all.ohms(a, b));
    }),
    { numRuns: 300 },
  );
});

test('a node that was not to be asked for has no reading', () => {
  expect(() => new Resistances([], 3, 2).ohms(0, 2)).toThrow(RangeError);
});

test('one more joint within an island reads as a network that had it from the beginning', () => {
  fc.assert(
    fc.property(fc.array(joint, { minLength: 3, maxLength: 14 }), joint, (joints, more) => {
      const before = new Resistances(joints, NODES);
      fc.pre(more.a !== more.b && before.root(more.a) === before.root(more.b));
      const after = new OneMore(before, more);
      const other = new Resistances([...joints, more], NODES);
      const told = pairs(NODES).map(
        ([a, b]) => [after.ohms(a, b), other.ohms(a, b), before.ohms(a, b)] as const,
      );
      // What is taken from gigaohms is as sharp as they are.
      const least = 1e-14 * Math.max(...told.flatMap(([, , ohms]) => (ohms < Infinity ? [ohms] : [])));
      for (const [ohms, wanted] of told)
        if (wanted === Infinity) expect(ohms).toBe(Infinity);
        else expect(Math.abs(ohms - wanted)).toBeLessThanOrEqual(1e-9 * wanted + least);
    }),
    { numRuns: 300 },
  );
});
