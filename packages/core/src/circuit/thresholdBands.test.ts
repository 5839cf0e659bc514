import { nth } from '../lists/index.ts';
import fc from 'fast-check';
import { solveWithBands } from './bands.ts';
import type { Quantity } from './quantity.ts';
import type { Element, Netlist } from './netlist.ts';
import { solve } from './solve.ts';
import { exactly, percent } from './span.ts';
import type { Span } from './span.ts';

/** A coil behind a resistor, near its pick-up; its contact feeds an input, by a second coil or at once. */
interface Circuit {
  readonly volts: Span;
  readonly seriesOhms: Span;
  readonly coilOhms: Span;
  /** Pick-up as a share of the coil's nominal volts: 1 stands at the edge. */
  readonly edge: number;
  readonly second: boolean;
  readonly held: boolean;
}

const resistor = (id: string, a: string, b: string, ohms: Span): Element => ({
  kind: 'resistor',
  id,
  a,
  b,
  ohms,
});

function netlistOf({ volts, seriesOhms, coilOhms, edge, second, held }: Circuit): Netlist {
  const nominal = (volts.nom * coilOhms.nom) / (seriesOhms.nom + coilOhms.nom);
  const on = nominal * edge;
  const coil = (id: string, a: string, onVolts: number): Element[] => [
    resistor(`${id}.r`, a, 'M', coilOhms),
    {
      kind: 'detector',
      id,
      a,
      b: 'M',
      onVolts,
      offVolts: held ? onVolts * 0.98 : onVolts * 0.4,
      either: true,
    },
  ];
  const contact = (id: string, a: string, b: string, on: string): Element => ({
    kind: 'switch',
    id,
    a,
    b,
    closed: { on },
    ohms: exactly(0.05),
  });
  return {
    reference: 'M',
    held: new Set(held ? ['K', 'L'] : []),
    elements: [
      {
        kind: 'source',
        id: 'G',
        plus: 'P',
        minus: 'M',
        volts,
        internalOhms: exactly(0.1),
        limitAmps: exactly(5),
      },
      resistor('series', 'P', 'k', seriesOhms),
      ...coil('K', 'k', held ? on / 0.98 : on),
      contact('K.1', 'P', second ? 'l' : 'in', 'K'),
      ...(second ? [...coil('L', 'l', volts.nom * 0.5), contact('L.1', 'P', 'in', 'L')] : []),
      resistor('input', 'in', 'M', percent(3000, 10)),
    ],
  };
}

const INPUT: Quantity = { kind: 'volts', a: 'in', b: 'M' };

/** A value of a netlist's tolerances by what a number from 0 to 1 says of each. */
function sample(netlist: Netlist, draw: () => number): Netlist {
  const pick = ({ min, max }: Span): Span => exactly(min + draw() * (max - min));
  return {
    ...netlist,
    elements: netlist.elements.map((element): Element => {
      if (element.kind === 'resistor') return { ...element, ohms: pick(element.ohms) };
      return element.kind === 'source' ? { ...element, volts: pick(element.volts) } : element;
    }),
  };
}

/** Uniform numbers by the recurrence of Park and Miller, so that every run draws the same. */
function uniform(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

const CIRCUITS: readonly Circuit[] = [0.94, 0.98, 1.01, 1.04, 1.08].flatMap((edge, i) =>
  [false, true].map((second) => ({
    volts: percent(24, 3),
    seriesOhms: percent(100 + 40 * i, 5),
    coilOhms: percent(650, 10),
    edge,
    second,
    held: i % 2 === 1,
  })),
);

test.each(CIRCUITS.map((circuit, i) => [i, circuit] as const))(
  'circuit %d near its pick-up: no sample of 600 lies outside the band',
  (i, circuit) => {
    const netlist = netlistOf(circuit);
    const band = nth(solveWithBands(netlist, [INPUT]).bands, 0);
    const draw = uniform(i + 1);
    for (let n = 0; n < 600; n++) {
      // Half of the samples at corners, where the extremes are.
      const one = solve(sample(netlist, n % 2 ? draw : () => Math.round(draw())));
      const volts = one.volts('in');
      expect(volts).toBeGreaterThanOrEqual(band.min - 1e-6);
      expect(volts).toBeLessThanOrEqual(band.max + 1e-6);
    }
  },
);

test('both states stand in the band where a tolerance decides, and one where none does', () => {
  const near = nth(CIRCUITS, 4);
  const band = (circuit: Circuit): Span => nth(solveWithBands(netlistOf(circuit), [INPUT]).bands, 0);
  expect(band(near).min).toBeCloseTo(0, 6);
  expect(band(near).max).toBeGreaterThan(23);
  expect(band({ ...near, edge: 0.5 }).min).toBeGreaterThan(22);
  expect(band({ ...near, edge: 1.5 }).max).toBeCloseTo(0, 6);
});

test('random circuits with a coil anywhere about its pick-up: samples stay inside', () => {
  const about = (nominal: number) =>
    fc.double({ min: 1, max: 12, noNaN: true }).map((p) => percent(nominal, p));
  fc.assert(
    fc.property(
      fc.record({
        volts: about(24),
        seriesOhms: about(220),
        coilOhms: about(700),
        edge: fc.double({ min: 0.8, max: 1.2, noNaN: true }),
        second: fc.boolean(),
        held: fc.boolean(),
      }),
      fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
      (circuit, stream) => {
        const netlist = netlistOf(circuit);
        const band = nth(solveWithBands(netlist, [INPUT]).bands, 0);
        const draws = stream[Symbol.iterator]();
        const volts = solve(sample(netlist, () => draws.next().value ?? 0)).volts('in');
        expect(volts).toBeGreaterThanOrEqual(band.min - 1e-6);
        expect(volts).toBeLessThanOrEqual(band.max + 1e-6);
      },
    ),
    { numRuns: 400, seed: 20261126 },
  );
});
