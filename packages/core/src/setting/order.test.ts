import { nth } from '../lists/index.ts';
import fc from 'fast-check';
import { DEVICE_TYPES, MODULE_TYPES } from '../catalog/catalog.ts';
import { parametersOfType } from '../catalog/partType.ts';
import { readValue } from '../catalog/parameters.ts';
import type { Parameter } from '../catalog/parameters.ts';
import { JobProblem } from '../model/problem.ts';
import { wipesIt } from '../job/presentValues.ts';
import { mustPrecede, safeOrder } from './order.ts';

const TYPES = [...DEVICE_TYPES, ...MODULE_TYPES].filter((type) => parametersOfType(type).length > 0);

const at = (list: readonly Parameter[], parameter: Parameter): number => list.indexOf(parameter);

describe.each(TYPES.map((type) => [type.id, type] as const))('parameters of %s', (_, type) => {
  const parameters = parametersOfType(type);
  const keys = parameters.map(({ key }) => key);

  test('have keys of their own, and name only keys that are there', () => {
    expect(new Set(keys).size).toBe(keys.length);
    for (const { needs = [], wipes, onlyIf, unitKey } of parameters)
      for (const key of [
        ...needs,
        ...(Array.isArray(wipes) ? wipes : []),
        ...(onlyIf ? [onlyIf.key] : []),
        ...(unitKey ? [unitKey] : []),
      ])
        expect(keys).toContain(key);
  });

  test('have factory and usual values that they take themselves', () => {
    for (const parameter of parameters)
      for (const value of [parameter.factory, parameter.usual?.value])
        if (value !== undefined) expect(readValue(parameter, value)).toEqual({ ok: true, value });
  });

  test('are asked in an order in which nothing is wiped later, and nothing comes before what it hangs on', () => {
    const ordered = safeOrder(parameters);
    expect(new Set(ordered)).toEqual(new Set(parameters));
    for (const a of ordered)
      for (const b of ordered) {
        if (wipesIt(a, b)) expect(at(ordered, a)).toBeLessThan(at(ordered, b));
        if (b.needs?.includes(a.key)) expect(at(ordered, a)).toBeLessThan(at(ordered, b));
        if (b.last && !a.last) expect(at(ordered, a)).toBeLessThan(at(ordered, b));
      }
  });
});

const made = (n: number, edges: readonly (readonly [number, number])[]): Parameter[] =>
  Array.from({ length: n }, (_, i) => ({
    key: `p${i}`,
    label: `P${i}`,
    kind: 'text' as const,
    place: 'parameter' as const,
    wipes: edges.filter(([a]) => a === i).map(([, b]) => `p${b}`),
  }));

test('any set of parameters without a ring is ordered so; equal ones keep the menu’s order', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 12 }).chain((n) =>
        fc.record({
          n: fc.constant(n),
          rank: fc.shuffledSubarray([...Array(n).keys()], { minLength: n, maxLength: n }),
          pairs: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 20 }),
        }),
      ),
      ({ n, rank, pairs }) => {
        const edges = pairs.filter(([a, b]) => nth(rank, a) < nth(rank, b));
        const ordered = safeOrder(made(n, edges));
        for (let i = 0; i < n; i++)
          for (let k = i + 1; k < n; k++) expect(mustPrecede(nth(ordered, k), nth(ordered, i))).toBe(false);
        if (!edges.length) expect(ordered.map(({ key }) => key)).toEqual(made(n, []).map(({ key }) => key));
      },
    ),
  );
});

test('a ring is refused with its members', () => {
  expect(() =>
    safeOrder(
      made(3, [
        [0, 1],
        [1, 2],
        [2, 0],
      ]),
    ),
  ).toThrow(JobProblem);
  expect(() =>
    safeOrder(
      made(3, [
        [0, 1],
        [1, 0],
      ]),
    ),
  ).toThrow(/P0, P1/);
});
