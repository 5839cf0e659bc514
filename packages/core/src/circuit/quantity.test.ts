import { FAMILIES } from '../../test/families.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth } from '../lists/index.ts';
import { solveWithBands } from './bands.ts';
import { nodesOf } from './netlist.ts';
import { readOff } from './quantity.ts';
import type { Quantity } from './quantity.ts';
import { solve } from './solve.ts';

test.each(Object.entries(FAMILIES))(
  '%s: read off a solution is what stands amid the worst cases',
  (_, make) => {
    const job = make();
    const { present } = analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal');
    const { netlist } = present;
    const solution = solve(netlist);
    const nodes = [...new Set(netlist.elements.flatMap(nodesOf))];
    const pairs = nodes.slice(1).map((a, i) => ({ a, b: nth(nodes, i) }));
    const conducting = netlist.elements.filter(({ kind }) => kind !== 'detector' && kind !== 'latch');
    const quantities: Quantity[] = [
      ...pairs.map((pair): Quantity => ({ kind: 'volts', ...pair })),
      ...conducting.map(({ id }): Quantity => ({ kind: 'amps', element: id })),
      { kind: 'sum', terms: pairs.slice(0, 3).map((pair, i) => ({ ...pair, factor: i - 0.5 })) },
    ];
    const { bands } = solveWithBands(netlist, quantities);
    expect(quantities.map((quantity) => readOff(solution, quantity))).toEqual(bands.map(({ nom }) => nom));
  },
);

test('a node or an element that is not there is refused', () => {
  const job = nth(Object.values(FAMILIES), 0)();
  const { netlist, solution } = analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal').present;
  const b = netlist.reference;
  expect(() => readOff(solution, { kind: 'volts', a: 'nowhere', b })).toThrow(/no node "nowhere"/);
  expect(() => readOff(solution, { kind: 'sum', terms: [{ a: b, b: 'nowhere', factor: 2 }] })).toThrow(
    /no node "nowhere"/,
  );
  expect(() => readOff(solution, { kind: 'amps', element: 'nothing' })).toThrow(/no element "nothing"/);
});
