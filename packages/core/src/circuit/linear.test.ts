import { all, create } from 'mathjs';
import fc from 'fast-check';
import { nth, sure } from '../lists/index.ts';
import { compile } from './compile.ts';
import { eliminate, expand, planOf, reduce } from './elimination.ts';
import { plainMatrix, solveLinear } from './linear.ts';
import type { Element, Netlist } from './netlist.ts';
import { accumulate, workspaceFor } from './newton.ts';
import { Solver } from './solve.ts';
import { exactly, within } from './span.ts';
import type { Span } from './span.ts';

const math = create(sure(all), {});
const node = fc.constantFrom('M', 'a', 'b', 'c', 'd', 'e', 'f');
const resistor = fc.record({ a: node, b: node, ohms: fc.double({ min: 0.01, max: 1e5, noNaN: true }) });
const source = fc.record({
  plus: node,
  minus: node,
  volts: fc.double({ min: 1, max: 30, noNaN: true }),
  // Stiff and soft ones, and such that are at their limit where the iteration stands.
  internalOhms: fc.constantFrom(0, 1e-6, 0.05, 2),
  limitAmps: fc.constantFrom(0.5, 40),
});
const network = fc
  .record({
    resistors: fc.array(resistor, { minLength: 4, maxLength: 14 }),
    sources: fc.array(source, { minLength: 1, maxLength: 3 }),
  })
  .map(({ resistors, sources }): Netlist => ({
    reference: 'M',
    elements: [
      ...sources.map((r, i): Element => ({
        kind: 'source',
        id: `g${i}`,
        plus: r.plus,
        minus: r.minus,
        volts: exactly(r.volts),
        internalOhms: exactly(r.internalOhms),
        limitAmps: exactly(r.limitAmps),
      })),
      // Each node has some way to the reference: what a matrix made of nothing means is another test's.
      ...['a', 'b', 'c', 'd', 'e', 'f'].map((a): Element => ({
        kind: 'resistor',
        id: `m${a}`,
        a,
        b: 'M',
        ohms: exactly(1e4),
      })),
      ...resistors.map(({ a, b, ohms }, i): Element => ({
        kind: 'resistor',
        id: `r${i}`,
        a,
        b,
        ohms: exactly(ohms),
      })),
    ],
  }));

describe.each([['as they stand', false] as const, ['transposed', true] as const])(
  'the equations %s',
  (_, transposed) => {
    test('are solved as a general solver solves them', () => {
      let compared = 0;
      fc.assert(
        fc.property(
          network,
          fc.infiniteStream(fc.double({ min: -1, max: 1, noNaN: true })),
          (netlist, numbers) => {
            const c = compile(netlist);
            const w = workspaceFor(c);
            const number = (): number => sure((numbers.next() as IteratorYieldResult<number>).value);
            for (let i = 1; i < w.x.length; i++) w.x[i] = 30 * number();
            accumulate(c, c.nominal, w);
            const plain = plainMatrix(c, c.nominal, w);
            const rights = [0, 1].map(() => Float64Array.from(w.x, (_x, i) => (i > 0 ? number() : 0)));
            const given = rights.map((right) => [...right.subarray(1)]);
            if (Math.abs(math.det(plain)) < 1e-12) return;
            const solved = solveLinear(c, c.nominal, w, rights, transposed);
            expect(solved).toBe(true);
            compared++;
            rights.forEach((right, k) => {
              const matrix = transposed ? math.transpose(plain) : plain;
              const product = math.multiply(matrix, [...right.subarray(1)]);
              const largest = Math.max(1, ...right.map(Math.abs));
              product.forEach((value, i) =>
                expect(Math.abs(value - nth(nth(given, k), i))).toBeLessThan(1e-7 * largest),
              );
            });
          },
        ),
        { numRuns: 300 },
      );
      expect(compared).toBeGreaterThan(150);
    });
  },
);

test('a group that hangs by 1e-12 S on the rest beside wires of 100 S keeps its own way to the last digit', () => {
  // 1, 2 and 3 in a row of wires; 3 leaks to the reference. What flows into 1 lifts all three by its amperes over that leak.
  const { plan, slotOf } = planOf(3, [1, 2, 2, 3, 3, 0], []);
  const slopes = new Float64Array(plan.slots);
  [100, 100, 1e-12].forEach((slope, i) => (slopes[nth(slotOf, i)] = slope));
  const inverse = new Float64Array(4);
  const right = Float64Array.from([0, 1e-12, 0, 0]);
  expect(eliminate(plan, slopes, inverse)).toBe(true);
  reduce(plan, slopes, inverse, right);
  expand(plan, slopes, right);
  for (const volts of right.subarray(1)) expect(volts).toBeCloseTo(1, 12);
});

test('a node that nothing at all holds is told, not divided by', () => {
  const { plan } = planOf(2, [1, 2], []);
  expect(eliminate(plan, new Float64Array(plan.slots), new Float64Array(3))).toBe(false);
});

test('a lamp behind a contact that has opened stands where it hangs, though it was lit before', () => {
  const element = (id: string, a: string, b: string, ohms: number): Element => ({
    kind: 'resistor',
    id,
    a,
    b,
    ohms: exactly(ohms),
  });
  const source = (id: string, plus: string, volts: Span): Element => ({
    kind: 'source',
    id,
    plus,
    minus: 'M',
    volts,
    internalOhms: exactly(0.05),
    limitAmps: exactly(10),
  });
  const lamp = (id: string, anode: string): Element[] => [
    {
      kind: 'diode',
      id: `${id}-led`,
      anode,
      cathode: `${id}:~`,
      dropVolts: within(8, 9.6, 11),
      ohms: exactly(2),
    },
    element(`${id}-part`, `${id}:~`, 'C', 345),
  ];
  const c = compile({
    reference: 'M',
    elements: [
      source('g', 'P', within(20, 24, 28)),
      source('command', 'A1', within(0, 24, 24)),
      element('common', 'C', 'M', 0.2),
      element('feed', 'P', 'on', 0.2),
      { kind: 'detector', id: 'coil', a: 'A1', b: 'M', onVolts: 18, offVolts: 2, either: false },
      { kind: 'switch', id: 'no', a: 'P', b: 'open', closed: { on: 'coil' }, ohms: exactly(0.05) },
      element('wire', 'open', 'off', 0.2),
      ...lamp('h1', 'on'),
      ...lamp('h2', 'off'),
    ],
  });
  const solver = new Solver(c);
  for (let volts = 20; volts < 28; volts += 0.05) {
    const lit = Float64Array.from(c.nominal);
    expect(solver.run(lit)).toBe('solved');
    expect(solver.nodeVolts('off')).toBeGreaterThan(20);
    const opened = Float64Array.from(c.nominal);
    [volts, 0, 9.6, 8 + (volts % 3)].forEach((value, i) => (opened[nth(c.toleranced, i)] = value));
    expect(solver.run(opened)).toBe('solved');
    expect(Math.abs(solver.nodeVolts('off'))).toBeLessThan(1e-6);
  }
});
