import { lowSupply, open, short, stuckOutput, swapped, wrongRail } from './faults.ts';
import type { Netlist } from './netlist.ts';
import { solve } from './solve.ts';
import { exactly } from './span.ts';
import { IEC_61131_2, judgeInput, judgeInputBand } from './input.ts';

/** A PNP sensor on a resistor as its load. */
const LOOP: Netlist = {
  reference: 'M',
  elements: [
    {
      kind: 'source',
      id: 'G',
      plus: 'P',
      minus: 'M',
      volts: exactly(24),
      internalOhms: exactly(0),
      limitAmps: exactly(5),
    },
    { kind: 'resistor', id: 'BN', a: 'P', b: 's+', ohms: exactly(0.5) },
    { kind: 'resistor', id: 'BU', a: 's-', b: 'M', ohms: exactly(0.5) },
    { kind: 'resistor', id: 'electronics', a: 's+', b: 's-', ohms: exactly(2400) },
    {
      kind: 'output',
      id: 'O',
      plus: 's+',
      out: 'so',
      minus: 's-',
      style: 'pnp',
      active: true,
      dropVolts: exactly(1),
      ohms: exactly(2),
      leakAmps: exactly(0.00001),
      limitAmps: exactly(0.3),
      minSupplyVolts: 10,
    },
    { kind: 'resistor', id: 'BK', a: 'so', b: 'in', ohms: exactly(0.5) },
    { kind: 'resistor', id: 'load', a: 'in', b: 'M', ohms: exactly(3000) },
  ],
};

test('the sound loop is on', () => {
  expect(solve(LOOP).volts('in')).toBeCloseTo(22.9, 0);
});

test('an open signal wire leaves the load at 0 V and the output by itself', () => {
  const s = solve(open('BK')(LOOP));
  expect(s.volts('in')).toBeCloseTo(0, 6);
  expect(s.volts('so')).toBeGreaterThan(22);
});

test('an open supply wire takes the sensor’s supply', () => {
  expect(solve(open('BU')(LOOP)).powered('O')).toBe(false);
});

test('a shorted load drives the output into its limit', () => {
  const s = solve(short('load')(LOOP));
  expect(s.amps('BK')).toBeCloseTo(0.3, 2);
});

test('exchanged supply wires leave the sensor dead', () => {
  const s = solve(swapped('electronics', 's+', 's-')(swapped('O', 's+', 's-')(LOOP)));
  expect(s.powered('O')).toBe(false);
});

test('the load’s foot on the wrong rail: no current', () => {
  const s = solve(wrongRail('load', 'M', 'P')(LOOP));
  expect(Math.abs(s.amps('load'))).toBeLessThan(0.001);
});

test('a low supply stops the sensor', () => {
  expect(solve(lowSupply('G', 8)(LOOP)).powered('O')).toBe(false);
  expect(solve(lowSupply('G', 20)(LOOP)).volts('in')).toBeCloseTo(18.9, 0);
});

test('a stuck output does not follow', () => {
  expect(solve(stuckOutput('O', false)(LOOP)).volts('in')).toBeLessThan(0.1);
});

test('faults leave what they are given alone, and refuse what is not there', () => {
  const before = JSON.stringify(LOOP);
  open('BK')(LOOP);
  expect(JSON.stringify(LOOP)).toBe(before);
  for (const fault of [
    open('x'),
    short('x'),
    stuckOutput('BK', true),
    lowSupply('BK', 5),
    wrongRail('BK', 'P', 'M'),
  ])
    expect(() => fault(LOOP)).toThrow();
});

/** Corner values of IEC 61131-2, table of operating ranges for 24 V d.c. inputs, typed in. */
describe('input limits of IEC 61131-2', () => {
  test.each([
    [1, 15, 0.002, 'on'],
    [1, 14.9, 0.002, 'undecided'],
    [1, 15, 0.0019, 'undecided'],
    [1, 5, 0.015, 'off'],
    [1, 5.1, 0.0006, 'undecided'],
    [1, 15, 0.0005, 'off'],
    [2, 11, 0.006, 'on'],
    [2, 11, 0.0059, 'undecided'],
    [2, 11, 0.002, 'off'],
    [2, 5, 0.03, 'off'],
    [3, 11, 0.002, 'on'],
    [3, 10.9, 0.002, 'undecided'],
    [3, 11, 0.0015, 'off'],
    [3, 5, 0.015, 'off'],
    [3, -3, 0, 'off'],
  ] as const)('type %d at %d V and %d A is %s', (type, volts, amps, state) => {
    expect(judgeInput(volts, amps, IEC_61131_2[type])).toBe(state);
  });

  test('a band is on or off only when all of it is', () => {
    const t = IEC_61131_2[1];
    const amps = { min: 0.004, nom: 0.006, max: 0.007 };
    expect(judgeInputBand({ min: 15, nom: 20, max: 24 }, amps, t)).toBe('on');
    expect(judgeInputBand({ min: 14, nom: 20, max: 24 }, amps, t)).toBe('undecided');
    expect(judgeInputBand({ min: 0, nom: 0.1, max: 5 }, amps, t)).toBe('off');
  });
});
