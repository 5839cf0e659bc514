import fc from 'fast-check';
import { DeadNetwork } from './deadNetwork.ts';
import type { Element, Netlist } from './netlist.ts';
import { resistanceBetween } from './resistance.ts';
import { exactly } from './span.ts';

const ohms = (id: string, a: string, b: string, value: number): Element => ({
  kind: 'resistor',
  id,
  a,
  b,
  ohms: exactly(value),
});
const net = (...elements: Element[]): Netlist => ({ elements, reference: 'n0' });

test('a bridge of five resistors, by hand', () => {
  // Balanced, the middle one carries nothing: two rows of 300 Ω and 600 Ω side by side.
  const bridge = net(
    ohms('1', 'a', 'c', 100),
    ohms('2', 'c', 'b', 200),
    ohms('3', 'a', 'd', 200),
    ohms('4', 'd', 'b', 400),
    ohms('5', 'c', 'd', 50),
  );
  expect(new DeadNetwork(bridge).between('a', 'b').max).toBeCloseTo(200, 9);
});

test('any net of resistors reads what the solver of the live circuit reads of it', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(5), fc.nat(5), fc.double({ min: 0.01, max: 1e5, noNaN: true })), {
        minLength: 1,
        maxLength: 12,
      }),
      (rows) => {
        const netlist = net(...rows.map(([a, b, value], i) => ohms(`${i}`, `n${a}`, `n${b}`, value)));
        const { min, max } = new DeadNetwork(netlist).between('n0', 'n1');
        const other =
          rows.some(([a, b]) => a !== b && [a, b].includes(0)) &&
          rows.some(([a, b]) => a !== b && [a, b].includes(1))
            ? resistanceBetween(netlist, 'n0', 'n1', 'dead')
            : Infinity;
        expect(min).toBe(max);
        if (other === Infinity) expect(max).toBe(Infinity);
        else expect(Math.abs(max - other) / (max + 0.001)).toBeLessThan(0.001);
      },
    ),
    { numRuns: 200 },
  );
});

test('milliohms are read beside what hangs on gigaohms', () => {
  // Each node hangs on the others by a gigaohm; only its own wire tells what stands between two of them.
  const insulated = net(
    ohms('leak 1', 'earth', 'a', 1e9),
    ohms('leak 2', 'earth', 'd', 1e9),
    ohms('wire 1', 'a', 'b', 0.01),
    ohms('wire 2', 'b', 'c', 0.02),
    ohms('wire 3', 'd', 'e', 0.04),
  );
  const dead = new DeadNetwork(insulated);
  expect(dead.between('a', 'c').max).toBeCloseTo(0.03, 9);
  expect(dead.between('c', 'b').max).toBeCloseTo(0.02, 9);
  expect(dead.between('e', 'd').max).toBeCloseTo(0.04, 9);
  expect(dead.between('a', 'e').max / 2e9).toBeCloseTo(1, 9);
});

test('a diode across a coil blocks one way, and may short it the other way', () => {
  const coil = net(ohms('coil', 'A1', 'A2', 1100), {
    kind: 'diode',
    id: 'suppressor',
    anode: 'A2',
    cathode: 'A1',
    dropVolts: exactly(0.7),
    ohms: exactly(1),
  });
  const dead = new DeadNetwork(coil);
  expect(dead.between('A1', 'A2')).toEqual({ min: expect.closeTo(1100, 6), max: expect.closeTo(1100, 6) });
  const other = dead.between('A2', 'A1');
  expect(other.max).toBeCloseTo(1100, 6);
  expect(other.min).toBeLessThan(2);
  // A meter that makes it conduct reads in between.
  const real = resistanceBetween(coil, 'A2', 'A1', 'dead');
  expect(real).toBeGreaterThan(other.min);
  expect(real).toBeLessThan(other.max);
});

test('without power a contact rests: an opener is closed, a closer open, sources and electronics are nothing', () => {
  const contact = (id: string, closed: Extract<Element, { kind: 'switch' }>['closed']): Element => ({
    kind: 'switch',
    id,
    a: 'a',
    b: id,
    closed,
    ohms: exactly(0.05),
  });
  const dead = new DeadNetwork(
    net(contact('nc', { not: { on: 'k' } }), contact('no', { on: 'k' }), contact('pressed', true), {
      kind: 'source',
      id: 'g1',
      plus: 'a',
      minus: 'b',
      volts: exactly(24),
      internalOhms: exactly(0.1),
      limitAmps: exactly(5),
    }),
  );
  expect(['nc', 'no', 'pressed', 'b'].map((node) => dead.between('a', node).max)).toEqual(
    [0.05, Infinity, 0.05, Infinity].map((value) =>
      value === Infinity ? Infinity : (expect.closeTo(value, 9) as unknown),
    ),
  );
  expect(dead.between('a', 'a').max).toBe(0);
});

test('among any resistors and diodes a meter reads between least and most, wherever else leads may be put', () => {
  const places = fc.tuple(fc.nat(5), fc.nat(5), fc.integer({ min: 10, max: 10_000 }));
  const diode = (id: string, anode: string, cathode: string): Element => ({
    kind: 'diode',
    id,
    anode,
    cathode,
    dropVolts: exactly(0.6),
    ohms: exactly(1),
  });
  let conducting = 0;
  fc.assert(
    fc.property(
      fc.array(places, { minLength: 1, maxLength: 8 }),
      fc.array(places, { minLength: 1, maxLength: 4 }),
      (rows, valves) => {
        const netlist = net(
          ohms('0', 'n0', 'n2', 100),
          ohms('1', 'n1', 'n3', 100),
          ...rows.map(([a, b, value], i) => ohms(`r${i}`, `n${a}`, `n${b}`, value)),
          ...valves.flatMap(([a, b], i) => (a === b ? [] : [diode(`d${i}`, `n${a}`, `n${b}`)])),
        );
        const { min, max } = new DeadNetwork(netlist, ['n0', 'n1']).between('n0', 'n1');
        const free = new DeadNetwork(netlist).between('n0', 'n1');
        if (min < max) conducting++;
        for (const [one, other] of [
          [min, free.min],
          [max, free.max],
        ] as const)
          expect(one === other || Math.abs(one - other) < 1e-9 * other).toBe(true);
        const real = resistanceBetween(netlist, 'n0', 'n1', 'dead');
        if (real === Infinity) expect(max).toBe(Infinity);
        else expect(real).toBeGreaterThan(min * 0.999);
        if (max < Infinity) expect(real).toBeLessThan(max * 1.001);
      },
    ),
    { numRuns: 300 },
  );
  expect(conducting).toBeGreaterThan(20);
});

test('without power a circuit is another one only by what conducts', () => {
  const contact = (closed: Extract<Element, { kind: 'switch' }>['closed'], value = 0.05): Element => ({
    kind: 'switch',
    id: 'k',
    a: 'a',
    b: 'b',
    closed,
    ohms: exactly(value),
  });
  const dead = new DeadNetwork(net(ohms('1', 'a', 'c', 100), contact({ not: { on: 'k' } })));
  expect(dead.isOf(net(ohms('other', 'a', 'c', 100), contact(true)))).toBe(true);
  for (const other of [
    net(ohms('1', 'a', 'c', 100), contact({ on: 'k' })),
    net(ohms('1', 'a', 'c', 101), contact(true)),
    net(ohms('1', 'a', 'd', 100), contact(true)),
    net(ohms('1', 'a', 'c', 100), contact(true), ohms('2', 'a', 'c', 1e6)),
  ])
    expect(dead.isOf(other)).toBe(false);
});
