import { nth, sure } from '../lists/index.ts';
import { all, create } from 'mathjs';
import fc from 'fast-check';
import { answers } from './answers.ts';
import { diodeCurve, leakCurve, optocouplerCurve, saturatedCurve } from './characteristics.ts';
import { compile } from './compile.ts';
import { driving } from './input.ts';
import { solveInPlace } from './lu.ts';
import type { Netlist } from './netlist.ts';
import { solveFrom, workspaceFor } from './newton.ts';
import { exactly, percent, within } from './span.ts';

const math = create(sure(all), {});
const volts = fc.double({ min: -30, max: 30, noNaN: true });
type Curve = (volts: number, out: Float64Array) => void;

const CURVES: readonly [string, Curve][] = [
  ['diode', (v, out) => diodeCurve(v, 0.7, 5, out)],
  ['saturated output', (v, out) => saturatedCurve(v, 1.1, 2, 0.3, out)],
  ['leakage', (v, out) => leakCurve(v, 0.0001, out)],
  ['sinking input', (v, out) => optocouplerCurve(v, 1.2, 4700, 12000, true, false, out)],
  ['two-way input', (v, out) => optocouplerCurve(v, 1.2, 4700, 12000, true, true, out)],
];

describe.each(CURVES)('the curve of a %s', (_, curve) => {
  const at = (v: number): [number, number] => {
    const out = new Float64Array(2);
    curve(v, out);
    return [nth(out, 0), nth(out, 1)];
  };

  test('never falls', () => {
    fc.assert(
      fc.property(volts, fc.double({ min: 0, max: 5, noNaN: true }), (v, more) => {
        expect(at(v + more)[0]).toBeGreaterThanOrEqual(at(v)[0] - 1e-15);
        expect(at(v)[1]).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  test('has the slope that it says', () => {
    fc.assert(
      fc.property(volts, (v) => {
        const h = 1e-5;
        const numeric = (at(v + h)[0] - at(v - h)[0]) / (2 * h);
        expect(Math.abs(numeric - at(v)[1])).toBeLessThan(1e-6 + 1e-3 * at(v)[1]);
      }),
    );
  });
});

test('curves at known places', () => {
  const out = new Float64Array(2);
  diodeCurve(1.7, 0.7, 10, out);
  expect(out[0]).toBeCloseTo(0.1, 9);
  diodeCurve(-20, 0.7, 10, out);
  expect(out[0]).toBeLessThan(1e-15);
  saturatedCurve(24, 1.1, 2, 0.3, out);
  expect(out[0]).toBeCloseTo(0.3, 6);
  leakCurve(24, 0.0001, out);
  expect(out[0]).toBeCloseTo(0.0001, 6);
  optocouplerCurve(-24, 1.2, 4700, 12000, true, false, out);
  expect(out[0]).toBeCloseTo(-0.002, 9);
});

test('the linear solver agrees with a general one on random matrices', () => {
  const number = fc.double({ min: -10, max: 10, noNaN: true });
  const system = fc
    .integer({ min: 1, max: 7 })
    .chain((n) =>
      fc.tuple(
        fc.array(fc.array(number, { minLength: n, maxLength: n }), { minLength: n, maxLength: n }),
        fc.array(number, { minLength: n, maxLength: n }),
      ),
    );
  fc.assert(
    fc.property(system, ([rows, right]) => {
      const n = right.length;
      const matrix = rows.map((row, i) => row.map((value, j) => value + (i === j ? 40 : 0)));
      const b = Float64Array.from(right);
      expect(solveInPlace(Float64Array.from(matrix.flat()), b, n, 1)).toBe(true);
      const other = (math.lusolve(matrix, right) as number[][]).map((row) => nth(row, 0));
      other.forEach((value, i) => expect(b[i]).toBeCloseTo(value, 9));
    }),
  );
});

test('a singular matrix is said to be one', () => {
  expect(solveInPlace(Float64Array.from([1, 2, 2, 4]), Float64Array.from([1, 1]), 2, 1)).toBe(false);
  expect(solveInPlace(new Float64Array(9), new Float64Array(3), 3, 1)).toBe(false);
});

test('spans hold their order, and refuse what has none', () => {
  expect(exactly(5)).toEqual({ min: 5, nom: 5, max: 5 });
  expect(percent(-24, 10)).toEqual({ min: -26.4, nom: -24, max: -21.6 });
  expect(() => within(Number.NaN, 1, 2)).toThrow(/finite/);
  expect(() => percent(24, -5)).toThrow(/rise/);
});

test('what drives an input counts in the sense in which it takes current', () => {
  const band = { min: -24, nom: -23, max: -22 };
  expect(driving(band, 'sink')).toEqual(band);
  expect(driving(band, 'source')).toEqual({ min: 22, nom: 23, max: 24 });
  expect(driving(band, 'both')).toEqual({ min: 22, nom: 23, max: 24 });
  expect(driving({ min: 21, nom: 22, max: 23 }, 'both').nom).toBe(22);
});

test('the adjoint’s answers are those of solving at both ends of each tolerance', () => {
  const resistor = (id: string, a: string, b: string, ohms: number) =>
    ({ kind: 'resistor', id, a, b, ohms: percent(ohms, 0.01) }) as const;
  const netlist: Netlist = {
    reference: 'M',
    elements: [
      {
        kind: 'source',
        id: 'G',
        plus: 'P',
        minus: 'M',
        volts: percent(24, 0.01),
        internalOhms: exactly(0.1),
        limitAmps: exactly(5),
      },
      resistor('1', 'P', 'X', 470),
      resistor('2', 'X', 'M', 1000),
      resistor('3', 'X', 'Y', 330),
      resistor('4', 'Y', 'M', 680),
    ],
  };
  const c = compile(netlist);
  const w = workspaceFor(c);
  const y = sure(c.nodeIndex.get('Y'));
  solveFrom(c, c.nominal, w);
  const found = nth(
    sure(answers(c, w, Float64Array.from(c.nominal), [{ read: () => nth(w.x, y), unknowns: [y] }])),
    0,
  );
  c.toleranced.forEach((parameter, t) => {
    const ends = [c.min, c.max].map((side) => {
      const params = Float64Array.from(c.nominal);
      params[parameter] = nth(side, parameter);
      solveFrom(c, params, w);
      return nth(w.x, y);
    });
    expect(nth(found, t) / (nth(ends, 1) - nth(ends, 0))).toBeCloseTo(1, 3);
  });
});
