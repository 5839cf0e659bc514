import fc from 'fast-check';
import { holds, idsIn, settled } from './netlist.ts';
import type { Condition } from './netlist.ts';

const IDS = ['a', 'b', 'c'] as const;

const conditions = fc.letrec<{ condition: Condition }>((tie) => ({
  condition: fc.oneof(
    { maxDepth: 4 },
    fc.boolean(),
    fc.constantFrom(...IDS).map((on) => ({ on })),
    fc.constantFrom(...IDS).map((was) => ({ was })),
    tie('condition').map((not) => ({ not })),
    fc.array(tie('condition'), { maxLength: 3 }).map((all) => ({ all })),
    fc.array(tie('condition'), { maxLength: 3 }).map((any) => ({ any })),
  ),
})).condition;

const sets = fc.uniqueArray(fc.constantFrom(...IDS)).map((ids) => new Set<string>(ids));

test('without what is settled a condition holds in the same states as before', () => {
  fc.assert(
    fc.property(conditions, sets, sets, (condition, on, was) => {
      const both = [condition, settled(condition)].map((one) =>
        holds(
          one,
          (id) => on.has(id),
          (id) => was.has(id),
        ),
      );
      expect(both[1]).toBe(both[0]);
    }),
    { numRuns: 2000 },
  );
});

test('what is settled says nothing of the circuit, and what is not holds no constants', () => {
  fc.assert(
    fc.property(conditions, (condition) => {
      const left = settled(condition);
      expect(typeof left === 'boolean' || !/true|false/.test(JSON.stringify(left))).toBe(true);
      if (idsIn(condition).length === 0) expect(typeof left).toBe('boolean');
    }),
  );
});
