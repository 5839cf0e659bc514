import { nth, sure } from '../lists/index.ts';
import fc from 'fast-check';
import { solveWithBands } from './bands.ts';
import { compile } from './compile.ts';
import { IEC_61131_2 } from './input.ts';
import { nodesOf } from './netlist.ts';
import type { Element, Netlist } from './netlist.ts';
import { Solver, solve } from './solve.ts';
import type { Solution } from './solve.ts';
import { within } from './span.ts';
import type { Span } from './span.ts';

// One seed, so that every run tries the same networks; change it to look further.
fc.configureGlobal({ seed: 20261125, endOnFailure: true });

const node = fc.constantFrom('M', 'P', 'a', 'b', 'c', 'd');
const span = (min: number, max: number): fc.Arbitrary<Span> =>
  fc
    .tuple(fc.double({ min, max, noNaN: true }), fc.double({ min: 0, max: 0.2, noNaN: true }))
    .map(([nom, tolerance]) => within(nom * (1 - tolerance), nom, nom * (1 + tolerance)));

/** One random element between random nodes; its id is given by its place. */
const element: fc.Arbitrary<(id: string) => Element> = fc.oneof(
  fc
    .record({ a: node, b: node, ohms: span(10, 1e5) })
    .map((r) => (id: string): Element => ({ kind: 'resistor', id, ...r })),
  fc
    .record({ a: node, b: node, closed: fc.boolean(), ohms: span(0.01, 1) })
    .map((r) => (id: string): Element => ({ kind: 'switch', id, ...r })),
  fc
    .record({ anode: node, cathode: node, dropVolts: span(0.5, 2), ohms: span(1, 100) })
    .map((r) => (id: string): Element => ({ kind: 'diode', id, ...r })),
  fc
    .record({
      plus: node,
      out: node,
      minus: node,
      style: fc.constantFrom('pnp' as const, 'npn' as const, 'pushpull' as const),
      active: fc.boolean(),
      dropVolts: span(0.3, 2.5),
      ohms: span(1, 5),
      leakAmps: span(1e-6, 1e-4),
      limitAmps: span(0.1, 0.5),
      minSupplyVolts: fc.constant(10),
    })
    .map((r) => (id: string): Element => ({ kind: 'output', id, ...r })),
  fc
    .record({
      terminal: node,
      common: node,
      sense: fc.constantFrom('sink' as const, 'source' as const, 'both' as const),
      ledVolts: span(1, 1.5),
      seriesOhms: span(1000, 5000),
      parallelOhms: span(5000, 20000),
    })
    .map((r) => (id: string): Element => ({ kind: 'optocoupler', id, ...r, thresholds: IEC_61131_2[1] })),
  fc
    .record({
      a: node,
      b: node,
      active: fc.boolean(),
      dropVolts: span(2, 6),
      ohms: span(5, 20),
      leakAmps: span(1e-4, 2e-3),
      limitAmps: span(0.1, 0.5),
      minAmps: fc.constant(0.003),
    })
    .map((r) => (id: string): Element => ({ kind: 'twoWire', id, ...r })),
  fc
    .record({ plus: node, minus: node, amps: span(0.004, 0.02), liftVolts: span(8, 12) })
    .map((r) => (id: string): Element => ({ kind: 'transmitter', id, ...r })),
);

const supply: Element = {
  kind: 'source',
  id: 'G',
  plus: 'P',
  minus: 'M',
  volts: within(23, 24, 25),
  internalOhms: within(0.04, 0.05, 0.06),
  limitAmps: within(4, 5, 6),
};

const network = (max: number): fc.Arbitrary<Netlist> =>
  fc.array(element, { minLength: 2, maxLength: max }).map((makers) => ({
    reference: 'M',
    elements: [supply, ...makers.map((make, i) => make(`e${i}`))],
  }));

/** Branches of an element with the nodes that its current leaves and enters. */
function branches(e: Element): { id: string; from: string; to: string }[] {
  const [a, b, c] = nodesOf(e);
  if (e.kind === 'source') return [{ id: e.id, from: sure(b), to: sure(a) }];
  if (e.kind === 'detector' || e.kind === 'latch') return [];
  if (e.kind !== 'output') return [{ id: e.id, from: sure(a), to: sure(b) }];
  return [
    { id: `${e.id}/high`, from: sure(a), to: sure(b) },
    { id: `${e.id}/low`, from: sure(b), to: sure(c) },
  ];
}

function nodeSums(netlist: Netlist, s: Solution): Map<string, number> {
  const sums = new Map<string, number>();
  const add = (name: string, amps: number): void => void sums.set(name, (sums.get(name) ?? 0) + amps);
  for (const e of netlist.elements)
    for (const { id, from, to } of branches(e)) {
      add(from, -s.amps(id));
      add(to, s.amps(id));
    }
  return sums;
}

test('Kirchhoff: the currents at every node add up to nothing', () => {
  fc.assert(
    fc.property(network(14), (netlist) => {
      const s = solve(netlist);
      if (s.outcome === 'chatter') return;
      expect(s.outcome).toBe('solved');
      for (const [name, sum] of nodeSums(netlist, s))
        if (name !== 'M') expect(Math.abs(sum)).toBeLessThan(1e-8);
    }),
    { numRuns: 400 },
  );
});

test('what the sources give is what the rest takes', () => {
  fc.assert(
    fc.property(network(12), (netlist) => {
      const s = solve(netlist);
      if (s.outcome !== 'solved') return;
      let power = 0;
      let size = 1;
      for (const e of netlist.elements)
        for (const { id, from, to } of branches(e)) {
          const part = (s.volts(from) - s.volts(to)) * s.amps(id);
          power += part;
          size += Math.abs(part);
        }
      expect(Math.abs(power) / size).toBeLessThan(1e-7);
    }),
    { numRuns: 300 },
  );
});

test('the order of the elements changes nothing', () => {
  fc.assert(
    fc.property(
      network(10),
      fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
      (netlist, keys) => {
        const order = netlist.elements.map((e) => ({ e, key: keys.next().value as number }));
        const shuffled = { ...netlist, elements: order.sort((x, y) => x.key - y.key).map(({ e }) => e) };
        const [one, two] = [solve(netlist), solve(shuffled)];
        if (one.outcome !== 'solved' || two.outcome !== 'solved') return;
        for (const name of new Set(netlist.elements.flatMap(nodesOf)))
          if (!one.floating(name)) expect(two.volts(name)).toBeCloseTo(one.volts(name), 5);
      },
    ),
    { numRuns: 200 },
  );
});

const ladder = fc
  .array(fc.tuple(span(10, 5000), span(100, 50000)), { minLength: 1, maxLength: 4 })
  .map((rungs) => {
    const elements: Element[] = [supply];
    rungs.forEach(([series, shunt], i) => {
      const from = i === 0 ? 'P' : `n${i - 1}`;
      elements.push({ kind: 'resistor', id: `s${i}`, a: from, b: `n${i}`, ohms: series });
      elements.push({ kind: 'resistor', id: `p${i}`, a: `n${i}`, b: 'M', ohms: shunt });
    });
    return { netlist: { reference: 'M', elements }, last: `n${rungs.length - 1}` };
  });

/** A parameter row within the tolerances, from numbers between 0 and 1. */
function draw(netlist: Netlist, numbers: Iterator<number>): Float64Array {
  const c = compile(netlist);
  return c.nominal.map((_, i) => nth(c.min, i) + (nth(c.max, i) - nth(c.min, i)) * numbers.next().value);
}

const share = fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true }));

test('the band holds the nominal value and every random draw', () => {
  fc.assert(
    fc.property(ladder, share, ({ netlist, last }, numbers) => {
      const [band] = solveWithBands(netlist, [{ kind: 'volts', a: last, b: 'M' }]).bands;
      const solver = new Solver(compile(netlist));
      expect(sure(band).min).toBeLessThanOrEqual(sure(band).nom);
      expect(sure(band).max).toBeGreaterThanOrEqual(sure(band).nom);
      for (let k = 0; k < 20; k++) {
        solver.run(draw(netlist, numbers as Iterator<number>));
        const volts = solver.nodeVolts(last);
        expect(volts).toBeGreaterThanOrEqual(sure(band).min - 1e-9);
        expect(volts).toBeLessThanOrEqual(sure(band).max + 1e-9);
      }
    }),
    { numRuns: 100 },
  );
});

test('the band of a ladder is the band of all its corners', () => {
  fc.assert(
    fc.property(ladder, ({ netlist, last }) => {
      const [band] = solveWithBands(netlist, [{ kind: 'volts', a: last, b: 'M' }]).bands;
      const c = compile(netlist);
      const solver = new Solver(c);
      let [min, max] = [Infinity, -Infinity];
      for (let corner = 0; corner < 2 ** c.toleranced.length; corner++) {
        const params = Float64Array.from(c.nominal);
        c.toleranced.forEach((p, t) => (params[p] = corner & (1 << t) ? nth(c.max, p) : nth(c.min, p)));
        solver.run(params);
        min = Math.min(min, solver.nodeVolts(last));
        max = Math.max(max, solver.nodeVolts(last));
      }
      expect(sure(band).min).toBeCloseTo(min, 9);
      expect(sure(band).max).toBeCloseTo(max, 9);
    }),
    { numRuns: 40 },
  );
});

/** How well a solution stands, as docs/accuracy.md says: 0.1 µV, for the band's end and for the draw alike. */
const STANDS_VOLTS = 2e-7;
const STANDS_AMPS = STANDS_VOLTS / 10000;

test('a loop with a sensor and an input keeps every draw within its band', () => {
  const loop = fc.record({
    style: fc.constantFrom('pnp' as const, 'npn' as const, 'pushpull' as const),
    active: fc.boolean(),
    common: fc.constantFrom('P', 'M'),
    wire: span(0.1, 5),
    leak: span(1e-6, 1e-4),
  });
  fc.assert(
    fc.property(loop, share, ({ style, active, common, wire, leak }, numbers) => {
      const netlist: Netlist = {
        reference: 'M',
        elements: [
          supply,
          {
            kind: 'output',
            id: 'o',
            plus: 'P',
            out: 's',
            minus: 'M',
            style,
            active,
            dropVolts: within(0.3, 1.1, 2),
            ohms: within(1, 2, 4),
            leakAmps: leak,
            limitAmps: within(0.2, 0.3, 0.4),
            minSupplyVolts: 10,
          },
          { kind: 'resistor', id: 'w', a: 's', b: 't', ohms: wire },
          {
            kind: 'optocoupler',
            id: 'i',
            terminal: 't',
            common,
            sense: 'both',
            ledVolts: within(1, 1.2, 1.4),
            seriesOhms: within(4230, 4700, 5170),
            parallelOhms: within(10800, 12000, 13200),
            thresholds: IEC_61131_2[1],
          },
        ],
      };
      const [volts, amps] = solveWithBands(netlist, [
        { kind: 'volts', a: 't', b: common },
        { kind: 'amps', element: 'i' },
      ]).bands;
      const solver = new Solver(compile(netlist));
      for (let k = 0; k < 20; k++) {
        const params = draw(netlist, numbers as Iterator<number>);
        solver.run(params);
        const v = solver.nodeVolts('t') - solver.nodeVolts(common);
        const i = solver.branchAmps('i', params);
        expect(v).toBeGreaterThanOrEqual(sure(volts).min - STANDS_VOLTS);
        expect(v).toBeLessThanOrEqual(sure(volts).max + STANDS_VOLTS);
        expect(i).toBeGreaterThanOrEqual(sure(amps).min - STANDS_AMPS);
        expect(i).toBeLessThanOrEqual(sure(amps).max + STANDS_AMPS);
      }
    }),
    { numRuns: 100 },
  );
});
