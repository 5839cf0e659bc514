import { nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import * as F from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import { resistanceBetween } from '../circuit/resistance.ts';
import { solve } from '../circuit/solve.ts';
import { analyse } from './analysis.ts';
import { assemble } from '../network/assemble.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { loopBudget } from './loopBudget.ts';
import { scopeOf } from '../network/scope.ts';

// Worked by hand in docs/accuracy.md; the figures here are those of that page.
const of = (job: JobContent) => analyse(new JobIndex(job), 'px-1');

/** Within half a percent, or the last digit that the page gives. */
function near(value: number, byHand: number, digit = 0): void {
  expect(Math.abs(value - byHand)).toBeLessThanOrEqual(Math.max(Math.abs(byHand) * 0.005, digit));
}

test('a two-wire sensor leaks 1.5 mA into a type 1 input: 5.9 V, undecided', () => {
  const { away } = of(F.twoWireOn('float-2w-dc', 'di16-sink-16'));
  near(sure(away.inputVolts).nom, 5.9);
  expect(away.led).toBe('undecided');
});

test('the same with a bleeder of 4.7 kΩ: 3.4 V, surely off', () => {
  const job = F.twoWireOn('float-2w-dc', 'di16-sink-16');
  const bled = after(job, {
    kind: 'addHelper',
    pointId: 'px-1',
    device: {
      id: 'r1',
      tag: 'R1',
      typeId: 'resistor',
      settings: { ohms: '4700', watts: '0.5' },
    },
    wires: [
      { id: 'w1', number: '90', from: 'r1:1', to: 'm:I0', colour: 'BK', lengthM: 0.1, mm2: 0.75 },
      { id: 'w2', number: '91', from: 'r1:2', to: 'm:COM1', colour: 'BK', lengthM: 0.1, mm2: 0.75 },
    ],
  });
  const { away, present } = of(bled);
  near(sure(away.inputVolts).nom, 3.44);
  expect([away.input, present.input]).toEqual(['off', 'on']);
});

test('1.4 mA of leakage keep a coil of 38 kΩ in with 53 V, and let it go with 22 kΩ beside it at 19.5 V', () => {
  const kept = of(F.acRelay('relay-1co-230ac'));
  near(sure(kept.away.coils.get('k1')).nom, 53.2);
  expect(kept.away.solution.active('k1/coil')).toBe(true);
  expect(sure(kept.cold).solution.active('k1/coil')).toBe(false);
  const free = of(F.acRelay('relay-1co-230ac', '22000'));
  near(sure(free.away.coils.get('k1')).nom, 19.5);
  expect(free.away.solution.active('k1/coil')).toBe(false);
  near(free.present.solution.amps('r1/resistor') ** 2 * 22000, 2.28);
});

test('a loop with barrier, cable and 250 Ω leaves 13.4 V at 20 mA', () => {
  const budget = sure(loopBudget(of(F.barrierLoop(50))));
  near(budget.left.nom, 13.41);
  near(budget.ohms, 494.5, 1);
  expect(budget.drops.map(({ label }) => label).map(said)).toEqual([
    'Z1',
    'A analog input 0',
    'analysis.cable-wires',
  ]);
  const sum = budget.drops.reduce((total, { volts }) => total + volts, 0);
  near(sum + budget.left.nom, 24, 0.02);
});

test('the longest cable of a loop is that at which nothing is left over', () => {
  const budget = sure(loopBudget(of(F.barrierLoop(50))));
  const at = (metres: number) => sure(loopBudget(of(F.barrierLoop(metres)))).margin;
  expect(at(Math.floor(budget.longestM * 0.98))).toBeGreaterThan(0);
  expect(at(Math.ceil(budget.longestM * 1.08))).toBeLessThan(0);
});

test('4-20 mA into a voltage input: 13.6 V stand there whatever is measured', () => {
  const { shown } = of(F.analogJob('transmitter-2w', { 'A0.switch': 'V' }));
  for (const { measured } of shown) near(nth(measured, 0).value.nom, 13.6 / 0.25, 1.6);
});

test('0-10 V into a current input: the output gives its 10 mA and no more, 2.5 V', () => {
  const { present } = of(F.analogJob('transmitter-3w-v'));
  near(nth(present.measured, 0).value.nom, 10);
  near(sure(nth(present.measured, 0).share).nom, 0.375);
});

test('ten metres of 0.34 mm² make a two-wire Pt100 read 1.03 Ω or 2.6 K too much', () => {
  const { away } = of(F.analogJob('rtd-2w', {}, 'rtd2'));
  near(nth(away.measured, 0).value.nom, 101.03);
  near((nth(away.measured, 0).value.nom - 100) / 0.390802, 2.63, 0.01);
  for (const [type, wires] of [
    ['rtd-3w', '3'],
    ['rtd-4w', '4'],
  ] as const) {
    const job = F.analogJob(type, { 'R0.wires': wires }, 'rtd2');
    expect(Math.abs(nth(of(job).away.measured, 0).value.nom - 100)).toBeLessThan(0.01);
  }
});

test('a pull-up of 2.2 kΩ lifts a type 3 input to 12.8 V and burns 0.24 W while pulled down', () => {
  const { away, present } = of(F.pulseJob('2200'));
  near(sure(away.inputVolts).nom, 12.78);
  near(present.solution.amps('r1/resistor') ** 2 * 2200, 0.242, 0.002);
});

test('a valve of 8 W asks 0.32 A of a low-side output for 0.3 A', () => {
  const { present } = of(F.outputJob('universal-controller', 12, 'valve-24'));
  near(present.solution.amps('q/B2/low'), 0.321, 0.006);
});

test('one open channel in a chain takes both outputs of the next sensor off', () => {
  const job = F.chainJob();
  const wire = sure(job.wires.find(({ from }) => from === 'px-2-b:GN'));
  const { present } = of(after(job, { kind: 'landWire', wireId: wire.id, asFound: { missing: true } }));
  const { solution } = present;
  expect(solution.active('px-1-b/in1')).toBe(false);
  expect(solution.active('px-1-b/in2')).toBe(true);
  expect([solution.active('px-1-b/channel1'), solution.active('px-1-b/channel2')]).toEqual([false, false]);
  expect(solution.volts('s:1A') - solution.volts('s:A2')).toBeLessThan(0.5);
  expect(solution.active('s/released')).toBe(false);
});

test('a NAMUR sensor passes 0.76 mA without its target and 3.56 mA with it', () => {
  // 8.2 V less 0.6 V of its diode over 1 kΩ and 9 kΩ, or over 1 kΩ and 9 kΩ beside 1.3 kΩ.
  const { away, present } = of(F.namurJob());
  near(away.solution.amps('n1/sense') * 1000, 0.76, 0.01);
  near(present.solution.amps('n1/sense') * 1000, 3.56, 0.02);
});

test('two terminators make 60 Ω between the lines, and bias holds 0.36 V while nobody sends', () => {
  const index = new JobIndex(F.fieldbusJob('serial-unit', 'serial-master', 0, { terminator: 'on' }));
  const forced = new Map([['t', new Set(['idle'])]]);
  const netlist = assemble(index, scopeOf(index, index.point('px-1')), { present: new Set(), forced });
  near(resistanceBetween(netlist, 'px-1-b:D1', 'px-1-b:D0', 'dead'), 60, 0.6);
  // 390 Ω, 60 Ω and 390 Ω in a row at 5 V: 5·60/840 = 0.357 V.
  const solution = solve(netlist);
  near(solution.volts('px-1-b:D1') - solution.volts('px-1-b:D0'), 0.357, 0.005);
});
