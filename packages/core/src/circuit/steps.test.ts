import { FAMILIES } from '../../test/families.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { compile } from './compile.ts';
import { nodesOf } from './netlist.ts';
import type { Element, Netlist } from './netlist.ts';
import { solve } from './solve.ts';
import type { Solution } from './solve.ts';
import { exactly } from './span.ts';
import { stepsLike } from './steps.ts';
import type { Step } from './steps.ts';

/** The circuit with each of its parts away, and with each of its resistors a hundred times as large. */
const altered = (netlist: Netlist): Netlist[] =>
  netlist.elements.flatMap((element, i) => {
    const others = (...instead: Element[]): Netlist => ({
      ...netlist,
      elements: netlist.elements.toSpliced(i, 1, ...instead),
    });
    if (element.kind !== 'resistor') return element.kind === 'switch' ? [others()] : [];
    return [others(), others({ ...element, ohms: exactly(100 * element.ohms.nom) })];
  });

const nodesIn = (netlist: Netlist): string[] => [...new Set(netlist.elements.flatMap(nodesOf))];

describe.each(Object.entries(FAMILIES))('%s', (_, make) => {
  test('a circuit solved near one that it is made of gives what it gives by itself', () => {
    const index = new JobIndex(make());
    for (const { netlist, solution } of analyse(index, 'px-1', 'nominal').shown)
      for (const other of altered(netlist)) {
        const [near, alone] = [solve(other, solution), solve(other)];
        expect([near.outcome, ...near.held].sort()).toEqual([alone.outcome, ...alone.held].sort());
        if (alone.outcome !== 'solved') continue;
        for (const node of nodesIn(other)) {
          expect(near.floating(node)).toBe(alone.floating(node));
          // What hangs on nothing has no firm value.
          expect(near.volts(node)).toBeCloseTo(alone.volts(node), alone.floating(node) ? 3 : 5);
        }
      }
  });
});

const solvedAt = (volts: number, isOn: boolean): Step => ({
  x: Float64Array.of(0, volts, 24, 0.1),
  highOn: Uint8Array.of(0, isOn ? 1 : 0),
  lowOn: new Uint8Array(2),
});
const circuit = (...names: [string, string]): Netlist => ({
  reference: '0',
  elements: [
    {
      kind: 'source',
      id: 'g',
      plus: names[0],
      minus: '0',
      volts: exactly(24),
      internalOhms: exactly(0.1),
      limitAmps: exactly(5),
    },
    { kind: 'switch', id: 's', a: names[0], b: names[1], closed: { on: 'g' }, ohms: exactly(1) },
  ],
});

test('a step begins at the one with the same contacts closed, the first of them at the last where there is none', () => {
  const c = compile(circuit('p', 'q'));
  const other = compile(circuit('p', 'elsewhere'));
  const begun = (isOn: boolean, ...taken: Step[]): number[] => {
    const own = { ...solvedAt(0, isOn), x: new Float64Array(4) };
    stepsLike({ c, taken }, other)(own);
    return [...own.x];
  };
  expect(begun(true, solvedAt(1, true), solvedAt(2, false))).toEqual([0, 1, 0, 0.1]);
  expect(begun(false, solvedAt(1, true), solvedAt(2, false))).toEqual([0, 2, 0, 0.1]);
  expect(begun(false, solvedAt(1, true), solvedAt(3, true))).toEqual([0, 3, 0, 0.1]);
});

describe('states that go round for ever', () => {
  /** Coils in a ring, each by a contact of the one before; the first by a contact that opens. */
  const ring = (coils: number): Solution =>
    solve({
      reference: '0',
      elements: [
        ...circuit('p', 'q').elements.slice(0, 1),
        ...Array.from({ length: coils }, (_, i): Element[] => {
          const before = { on: `k${(i + coils - 1) % coils}` };
          const closed = i === 0 ? { not: before } : before;
          return [
            { kind: 'switch', id: `c${i}`, a: 'p', b: `n${i}`, closed, ohms: exactly(1) },
            { kind: 'resistor', id: `r${i}`, a: `n${i}`, b: '0', ohms: exactly(1000) },
            { kind: 'detector', id: `k${i}`, a: `n${i}`, b: '0', onVolts: 12, offVolts: 5 },
          ];
        }).flat(),
      ],
    });

  /** The same by hand: each coil as its contact was, each contact then as its coils are, up to the solver's bound. */
  const byHand = (coils: number): string[] => {
    const on = Array.from({ length: coils }, () => false);
    let contacts = on.map((_, i) => i === 0);
    for (let round = 0; round <= 2 * (3 * coils + 1) + 4; round++) {
      contacts.forEach((closed, i) => (on[i] = closed));
      contacts = on.map((_, i) => (i === 0 ? !on[coils - 1] : on[i - 1] === true));
    }
    return on.flatMap((isOn, i) => (isOn ? [`k${i}`] : []));
  };

  test.each([1, 3, 5, 7, 9, 13])('a ring of %i coils is left where all its rounds end', (coils) => {
    const { outcome, held } = ring(coils);
    expect(outcome).toBe('chatter');
    expect([...held]).toEqual(byHand(coils));
  });
});
