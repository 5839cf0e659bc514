import { FAMILIES } from '../../test/families.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import { solveWithBands } from './bands.ts';
import { nodesOf, onNodes, underId } from './netlist.ts';
import type { Netlist } from './netlist.ts';
import { solvedOnce } from './sameCircuit.ts';
import { solve } from './solve.ts';
import { exactly } from './span.ts';

const netlists = (make: () => JobContent): Netlist[] =>
  analyse(new JobIndex(make()), 'px-1').shown.map(({ netlist }) => netlist);

/** The same circuit elsewhere in the panel: every node and part under another name. */
const elsewhere = (netlist: Netlist): Netlist => ({
  elements: netlist.elements.map((element) =>
    underId(
      onNodes(element, (node) => `x:${node}`),
      (id) => `x/${id}`,
    ),
  ),
  reference: `x:${netlist.reference}`,
  ...(netlist.held && { held: new Set([...netlist.held].map((id) => `x/${id}`)) }),
});

/** Everything that a solution tells, under the names of its netlist. */
function told({ elements }: Netlist, solution: ReturnType<typeof solve>, strip: (name: string) => string) {
  const nodes = [...new Set(elements.flatMap(nodesOf))];
  const conducting = elements.filter(({ kind }) => !['detector', 'latch', 'output'].includes(kind));
  return {
    outcome: solution.outcome,
    volts: nodes.map((node) => solution.volts(node)),
    floating: nodes.filter((node) => solution.floating(node)).map(strip),
    amps: conducting.map(({ id }) => solution.amps(id)),
    branches: elements
      .filter(({ kind }) => kind === 'output')
      .flatMap(({ id }) => [solution.amps(`${id}/high`), solution.amps(`${id}/low`)]),
    held: [...solution.held].map(strip).sort(),
  };
}

describe.each(Object.entries(FAMILIES))('%s', (_, make) => {
  test('is solved once for all places where it stands, and tells of each the same as a solution of its own', () => {
    for (const netlist of netlists(make)) {
      const plain = told(netlist, solve(netlist), (name) => name);
      const other = elsewhere(netlist);
      for (const wanted of ['nominal', 'bands'] as const) {
        expect(told(netlist, solvedOnce(netlist, [], wanted).solution, (name) => name)).toEqual(plain);
        const there = told(other, solvedOnce(other, [], wanted).solution, (name) =>
          name.replace(/^x[:/]/, ''),
        );
        expect(there).toEqual(plain);
      }
    }
  });

  test('has the same bands wherever it stands', () => {
    for (const netlist of netlists(make)) {
      const [a = netlist.reference] = netlist.elements.flatMap(nodesOf);
      const across = [{ kind: 'volts', a, b: netlist.reference }] as const;
      const { bands } = solveWithBands(netlist, across);
      expect(solvedOnce(netlist, across, 'bands').bands).toEqual(bands);
      const there = [{ kind: 'volts', a: `x:${a}`, b: `x:${netlist.reference}` }] as const;
      expect(solvedOnce(elsewhere(netlist), there, 'bands').bands).toEqual(bands);
    }
  });
});

test('a figure that differs in its last digit, another style, or another joint makes another circuit', () => {
  const ohms = (nom: number) => ({ nom, min: nom, max: nom });
  const circuit = (more: object, b = 'B'): Netlist => ({
    reference: 'Z',
    elements: [
      {
        kind: 'source',
        id: 's',
        plus: 'P',
        minus: 'Z',
        volts: ohms(24),
        internalOhms: ohms(0.1),
        limitAmps: ohms(5),
      },
      { kind: 'resistor', id: 'r', a: 'P', b: 'B', ohms: ohms(100) },
      { kind: 'resistor', id: 'q', a: b, b: 'Z', ohms: ohms(100), ...more },
    ],
  });
  const volts = (netlist: Netlist) =>
    solvedOnce(netlist, [{ kind: 'amps', element: 'r' }], 'nominal').bands[0]?.nom;
  const [first, again, other, joined] = [
    volts(circuit({})),
    volts(circuit({})),
    volts(circuit({ ohms: ohms(100.0000001) })),
    volts(circuit({}, 'P')),
  ];
  expect(again).toBe(first);
  expect(other).not.toBe(first);
  expect(joined).not.toBe(first);
});

/** The same with a third of its supplies' volts. */
const fedLess = (netlist: Netlist): Netlist => ({
  ...netlist,
  elements: netlist.elements.map((element) =>
    element.kind === 'source' ? { ...element, volts: exactly(element.volts.nom / 3) } : element,
  ),
});

test('begun at the solution of another circuit it comes to its own', () => {
  for (const make of Object.values(FAMILIES))
    for (const netlist of netlists(make)) {
      const low = fedLess(netlist);
      const alone = solve(low);
      const begun = solve(low, solve(netlist));
      expect(begun.outcome).toBe(alone.outcome);
      expect([...begun.held]).toEqual([...alone.held]);
      for (const node of new Set(low.elements.flatMap(nodesOf)))
        expect(begun.volts(node)).toBeCloseTo(alone.volts(node), 3);
    }
});

test('solved right after one like it, it is as solved alone', () => {
  const nothing: Netlist = { reference: '0', elements: [] };
  for (const make of Object.values(FAMILIES)) {
    const states = netlists(make);
    for (const before of [...states, ...states.map(fedLess)])
      for (const netlist of states) {
        solve(nothing);
        const alone = solve(netlist);
        solve(nothing);
        solve(before);
        const after = solve(netlist);
        expect(after.outcome).toBe(alone.outcome);
        expect([...after.held]).toEqual([...alone.held]);
        for (const node of new Set(netlist.elements.flatMap(nodesOf))) {
          expect(after.volts(node)).toBe(alone.volts(node));
          expect(after.floating(node)).toBe(alone.floating(node));
        }
      }
  }
});

test('a name that only the circuit has which was asked for first is refused', () => {
  const circuit = (name: string): Netlist => ({
    reference: '0',
    elements: [
      {
        kind: 'source',
        id: `source ${name}`,
        plus: name,
        minus: '0',
        volts: exactly(17),
        internalOhms: exactly(0.1),
        limitAmps: exactly(5),
      },
      { kind: 'resistor', id: `load ${name}`, a: name, b: '0', ohms: exactly(1234) },
    ],
  });
  solvedOnce(circuit('first'), [], 'nominal');
  const { solution } = solvedOnce(circuit('second'), [], 'nominal');
  expect(solution.volts('second')).toBeCloseTo(17, 2);
  expect(solution.has('second')).toBe(true);
  expect(solution.has('first')).toBe(false);
  expect(() => solution.volts('first')).toThrow(/no node "first"/);
  expect(() => solution.amps('load first')).toThrow(/no element "load first"/);
});

test('whoever asks for a node that is not there is refused, as by any solution', () => {
  const [netlist] = netlists(() => FAMILIES['guard switch']?.() as JobContent);
  if (!netlist) throw new Error('no netlist');
  expect(() => solvedOnce(netlist, [], 'nominal').solution.volts('nowhere')).toThrow(/no node/);
});
