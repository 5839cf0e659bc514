import { nth, sure } from '../lists/index.ts';
import { create, all } from 'mathjs';
import { exactly, within } from './span.ts';
import { compile } from './compile.ts';
import { Solver, solve } from './solve.ts';
import type { Element, Netlist } from './netlist.ts';
import { IEC_61131_2 } from './input.ts';

const math = create(sure(all), {});

const source = (volts: number, internalOhms = 0, limitAmps = 5): Element => ({
  kind: 'source',
  id: 'G',
  plus: 'P',
  minus: 'M',
  volts: exactly(volts),
  internalOhms: exactly(internalOhms),
  limitAmps: exactly(limitAmps),
});
const resistor = (id: string, a: string, b: string, ohms: number): Element => ({
  kind: 'resistor',
  id,
  a,
  b,
  ohms: exactly(ohms),
});
const net = (...elements: Element[]): Netlist => ({ elements, reference: 'M' });

const output = (style: 'pnp' | 'npn' | 'pushpull', active: boolean, leak = 0): Element => ({
  kind: 'output',
  id: 'O',
  plus: 'P',
  out: 'S',
  minus: 'M',
  style,
  active,
  dropVolts: exactly(1.2),
  ohms: exactly(2),
  leakAmps: exactly(leak),
  limitAmps: exactly(0.3),
  minSupplyVolts: 10,
});

describe('closed forms', () => {
  test('a divider divides', () => {
    const s = solve(net(source(24), resistor('1', 'P', 'X', 1000), resistor('2', 'X', 'M', 3000)));
    expect(s.volts('X')).toBeCloseTo(18, 9);
    expect(s.amps('1')).toBeCloseTo(0.006, 12);
    expect(s.amps('G')).toBeCloseTo(0.006, 12);
  });

  test('inner resistance lowers the terminal voltage', () => {
    const s = solve(net(source(24, 2), resistor('load', 'P', 'M', 10)));
    expect(s.volts('P')).toBeCloseTo(20, 9);
  });

  test('a source holds its current limit into a short and its voltage below it', () => {
    const limited = solve(net(source(24, 0.05, 2), resistor('load', 'P', 'M', 1)));
    expect(limited.amps('G')).toBeCloseTo(2, 9);
    expect(limited.volts('P')).toBeCloseTo(2, 9);
    const free = solve(net(source(24, 0.05, 2), resistor('load', 'P', 'M', 100)));
    expect(free.volts('P')).toBeCloseTo((24 * 100) / 100.05, 9);
  });

  test('a source goes round its corner also in steps that are too small to be looked at', () => {
    // 10 Ω behind 2 Ω take 2 A, its limit, from 24 V on.
    const compiled = compile(net(source(24, 2, 2), resistor('load', 'P', 'M', 10)));
    const solver = new Solver(compiled);
    const params = Float64Array.from(compiled.nominal);
    const volts = params.indexOf(24);
    for (const step of [1e-3, 4e-6, 1e-6, 9e-8, 1e-9])
      for (const at of [-3.5, -1.5, -0.5, 0.5, -0.25, 1.5, 3.5, -0.5]) {
        params[volts] = 24 + at * step;
        expect(solver.run(params)).toBe('solved');
        const amps = Math.min(2, nth([...params], volts) / 12);
        expect(Math.abs(solver.nodeVolts('P') - 10 * amps)).toBeLessThan(1e-12);
      }
  });

  test('a diode past its knee drops its voltage plus its slope', () => {
    const diode: Element = {
      kind: 'diode',
      id: 'D',
      anode: 'X',
      cathode: 'M',
      dropVolts: exactly(0.7),
      ohms: exactly(10),
    };
    const s = solve(net(source(24), resistor('1', 'P', 'X', 990), diode));
    expect(s.amps('D')).toBeCloseTo((24 - 0.7) / 1000, 6);
    const blocked = solve(net(source(-24), resistor('1', 'P', 'X', 990), diode));
    expect(Math.abs(blocked.amps('D'))).toBeLessThan(1e-12);
  });

  test.each([
    ['pnp', true, (24 - 1.2) / 152],
    ['pnp', false, 0],
    ['pushpull', true, (24 - 1.2) / 152],
  ] as const)('%s output, active %s, into a load to minus', (style, active, amps) => {
    const s = solve(net(source(24), output(style, active), resistor('load', 'S', 'M', 150)));
    expect(s.amps('load')).toBeCloseTo(amps, 6);
  });

  test.each([
    ['npn', true, (24 - 1.2) / 152],
    ['npn', false, 0],
    ['pushpull', false, (24 - 1.2) / 152],
  ] as const)('%s output, active %s, into a load to plus', (style, active, amps) => {
    const s = solve(net(source(24), output(style, active), resistor('load', 'P', 'S', 150)));
    expect(s.amps('load')).toBeCloseTo(amps, 6);
  });

  test('leakage of an output that is off raises its load', () => {
    const s = solve(net(source(24), output('pnp', false, 0.0001), resistor('load', 'S', 'M', 10000)));
    expect(s.volts('S')).toBeCloseTo((24 * 10) / 250, 3);
  });

  test('an output protects itself against a short', () => {
    const s = solve(net(source(24), output('pnp', true), resistor('short', 'S', 'M', 0.01)));
    expect(s.amps('short')).toBeCloseTo(0.3, 2);
  });

  test('an output without its least supply stays off', () => {
    const s = solve(net(source(9), output('pnp', true), resistor('load', 'S', 'M', 1000)));
    expect(s.outcome).toBe('solved');
    expect(s.powered('O')).toBe(false);
    expect(s.volts('S')).toBeLessThan(0.01);
  });

  test('an optocoupler takes current in the sense that it is made for', () => {
    const input = (sense: 'sink' | 'source' | 'both'): Element => ({
      kind: 'optocoupler',
      id: 'I',
      terminal: 'S',
      common: 'C',
      sense,
      ledVolts: exactly(1.2),
      seriesOhms: exactly(4700),
      parallelOhms: exactly(12000),
      thresholds: IEC_61131_2[1],
    });
    const forward = (24 - 1.2) / 4700 + 24 / 12000;
    const at = (sense: 'sink' | 'source' | 'both', s: string, c: string): number =>
      solve(net(source(24), resistor('a', s, 'S', 0.001), resistor('b', c, 'C', 0.001), input(sense))).amps(
        'I',
      );
    expect(at('sink', 'P', 'M')).toBeCloseTo(forward, 7);
    expect(at('both', 'P', 'M')).toBeCloseTo(forward, 7);
    expect(at('both', 'M', 'P')).toBeCloseTo(-forward, 7);
    expect(at('source', 'M', 'P')).toBeCloseTo(-forward, 7);
    expect(at('sink', 'M', 'P')).toBeCloseTo(-24 / 12000, 7);
  });
});

describe('floating nodes', () => {
  const open: Element = { kind: 'switch', id: 'S1', a: 'P', b: 'X', closed: false, ohms: exactly(0.01) };

  test('what hangs on an open contact is named as floating', () => {
    const s = solve(net(source(24), open, resistor('1', 'X', 'Y', 1000)));
    expect(s.floating('X')).toBe(true);
    expect(s.floating('Y')).toBe(true);
    expect(s.floating('P')).toBe(false);
  });

  test('a closed contact, a load and an output that is on tie a node', () => {
    expect(solve(net(source(24), { ...open, closed: true } as Element)).floating('X')).toBe(false);
    expect(solve(net(source(24), open, resistor('1', 'X', 'M', 1000))).floating('X')).toBe(false);
    expect(solve(net(source(24), output('pnp', true))).floating('S')).toBe(false);
  });

  test('an output that is off, and a meter, tie nothing', () => {
    const meter: Element = { kind: 'meter', id: 'm', a: 'S', b: 'M', ohms: exactly(1e7) };
    expect(solve(net(source(24), output('npn', false), meter)).floating('S')).toBe(true);
  });
});

test('a resistor network agrees with a general linear solver', () => {
  const g = (ohms: number): number => 1 / ohms;
  const matrix = [
    [g(100) + g(220) + g(330), -g(330)],
    [-g(330), g(330) + g(470) + g(680)],
  ];
  const [x, y] = (math.lusolve(matrix, [24 * g(100), 24 * g(680)]) as number[][]).map((row) => nth(row, 0));
  const s = solve(
    net(
      source(24),
      resistor('1', 'P', 'X', 100),
      resistor('2', 'X', 'M', 220),
      resistor('3', 'X', 'Y', 330),
      resistor('4', 'Y', 'M', 470),
      resistor('5', 'P', 'Y', 680),
    ),
  );
  expect(s.volts('X')).toBeCloseTo(sure(x), 9);
  expect(s.volts('Y')).toBeCloseTo(sure(y), 9);
});

test('impossible values are refused', () => {
  expect(() => solve(net(source(24), resistor('1', 'P', 'M', -5)))).toThrow(/above zero/);
  expect(() => solve(net(source(24), resistor('1', 'P', 'M', 0)))).toThrow(/above zero/);
  expect(() => solve(net(source(24), resistor('G', 'P', 'M', 5)))).toThrow(/Two elements/);
  expect(() => within(3, 2, 1)).toThrow(/rise/);
  expect(() => solve(net(source(24))).volts('nowhere')).toThrow(/no node/);
});
