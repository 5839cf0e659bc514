import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import fc from 'fast-check';
import { after, bareJob, jobWith, withHelper, withModule, withPoint } from '../../test/jobs.ts';
import { allSet, entered, meterJob, pulseJob } from '../../test/settingJobs.ts';
import type { JobContent } from '../model/collections.ts';
import { JobProblem } from '../model/problem.ts';
import { Scaling } from '../model/scaling.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { addUp, budgetAt, readAt } from './budget.ts';
import { LINKS, moveChain } from './chain.ts';
import type { ChainState, LinkKey } from './chain.ts';
import { chainOf, settledAfter } from './pointChain.ts';
import type { PointChain } from './pointChainTypes.ts';
import { sweepChain } from './sweep.ts';

const analysed = (job: JobContent, pointId = 'ft-1') => analyse(new JobIndex(job), pointId);

function chained(job: JobContent, pointId = 'ft-1'): PointChain {
  const made = chainOf(analysed(job, pointId));
  if (!made || 'problem' in made) throw new Error(said(made?.problem ?? 'nothing is measured'));
  return made;
}

const figures = (state: ChainState): number[] => LINKS.map((key) => state.rows[key].value);

const flow = (): JobContent => allSet(allSet(meterJob('transmitter-2w', {})), 'm');

const scaled = (job: JobContent, given: Parameters<typeof Scaling.parse>[0], pointId = 'ft-1'): JobContent =>
  after(job, { kind: 'setScaling', pointId, scaling: Scaling.parse(given) });

describe('a chain of 0 to 40 m³/h over 4 to 20 mA', () => {
  const { chain } = chained(flow());

  test('goes forwards from the value', () => {
    // 10 m³/h is a quarter: 8 mA, 6912 counts.
    const [value, signal, input, counts, engineering, display] = figures(moveChain(chain, 'value', 10));
    expect([value, counts, display]).toEqual([10, 6912, 10]);
    expect(signal).toBeCloseTo(8, 9);
    expect(input).toBeCloseTo(8, 3);
    expect(engineering).toBeCloseTo(10, 9);
  });

  test.each<[LinkKey, number]>([
    ['signal', 8],
    ['input', 8],
    ['counts', 6912],
    ['engineering', 10],
    ['display', 10],
  ])('goes backwards from %s %d', (key, given) => {
    const state = moveChain(chain, key, given);
    expect(state.rows[key].value).toBe(given);
    expect(state.rows.value.value).toBeCloseTo(10, 2);
    expect(state.rows.display.value).toBe(10);
  });

  test('comes back to where it began within a count, from every link', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 39.99, noNaN: true }),
        fc.constantFrom<LinkKey>('signal', 'input', 'counts', 'engineering'),
        (value, key) => {
          const first = moveChain(chain, 'value', value);
          const again = moveChain(chain, key, first.rows[key].value);
          expect(Math.abs(again.rows.value.value - value)).toBeLessThanOrEqual(40 / 27648 + 1e-3);
          expect(Math.abs(again.rows.counts.value - first.rows.counts.value)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  test('stops where the transmitter stops, and says so', () => {
    const { rows, band } = moveChain(chain, 'value', 60);
    expect(rows.signal.value).toBe(20.5);
    expect(said(rows.signal.note)).toContain('scaling.sensor-goes-higher');
    expect(band).toBe('range');
    expect(moveChain(chain, 'signal', 20.6).band).toBe('over');
    expect(moveChain(chain, 'signal', 21).rows.display.band).toBe('highFault');
    expect(moveChain(chain, 'signal', 3.6).rows.engineering.band).toBe('lowFault');
  });

  test('refuses what the loop never gives', () => {
    expect(() => moveChain(chain, 'input', 90)).toThrow(JobProblem);
    expect(refusalOf(() => moveChain(chain, 'input', 90))).toMatch(
      'scaling.wired-input-never-sees text=90 mA text2=0.005024 mA text3=22.4 mA',
    );
  });
});

describe('what does not agree shows in the chain', () => {
  test('a switch at volts: 12 mA become far too much, and are flagged', () => {
    const wrong = after(flow(), {
      kind: 'editModule',
      id: 'm',
      patch: { settings: { 'A0.switch': 'V', 'A0.range': '4-20 mA' } },
    });
    const { rows, band } = moveChain(chained(wrong).chain, 'value', 20);
    // 100 kΩ take what the loop can push: 24 V less 10.5 V, over the 250 Ω that the parameter believes in.
    expect(rows.input.value).toBeGreaterThan(50);
    expect(band).toBe('highFault');
    expect(rows.counts).toMatchObject({
      value: 32511,
      note: say('scaling.converter-stops', { stopped: 'max' }),
    });
  });

  test('a wrong multiplier is called one, and no curve', () => {
    const job = scaled(flow(), { controller: { multiplier: 2 } });
    const budget = budgetAt(analysed(job), chained(job), 10);
    expect(budget.largest).toMatchObject({ key: 'scaling' });
    expect(said(sure(budget.largest).from)).toBe(
      'scaling.multiplied-by sensorLabel=FT-1 times=1 controllerLabel=M times2=2',
    );
  });

  test('another range in the sensor than in the controller', () => {
    const found = entered(flow(), 'left', { unit: 'm³/h', low: '0', high: '20' });
    const made = chained(found);
    expect(moveChain(made.chain, 'value', 10).rows.display.value).toBe(20);
    const budget = budgetAt(analysed(found), made, 10);
    expect(budget.largest).toMatchObject({ key: 'scaling' });
    expect(sure(budget.largest).plusMinus).toBeCloseTo(10, 6);
    expect(said(sure(budget.largest).from)).toContain(
      'scaling.has-to-to sensorLabel=FT-1 low=0 high=20 controllerLabel=M low2=0 high2=40 unit=m³/h',
    );
  });

  test('a cut-off of 50 % holds the screen at zero', () => {
    const display = { label: 'Panel screen', unit: 'm³/h', low: 0, high: 40, decimals: 1, cutoffPercent: 50 };
    const { chain } = chained(scaled(flow(), { display }));
    const { rows } = moveChain(chain, 'value', 19);
    expect(rows.display).toMatchObject({
      value: 0,
      note: expect.objectContaining({ code: 'scaling.cut-off-holds-screen' }),
    });
    expect(rows.engineering.value).toBeCloseTo(19, 2);
    expect(moveChain(chain, 'value', 21).rows.display.value).toBe(21);
  });

  test('two leads of a thermometer add their resistance', () => {
    const job = withPoint(withModule(bareJob(), 'm', 'rtd2', []), {
      tag: 'TT-1',
      typeId: 'rtd-2w',
      output: 'none',
      logic: 'none',
      range: { low: 0, high: 100, unit: '°C' },
    });
    const two = after(job, { kind: 'editModule', id: 'm', patch: { settings: { 'R0.wires': '2' } } });
    const made = chained(two, 'tt-1');
    const { rows } = moveChain(made.chain, 'value', 50);
    const added = rows.input.value - rows.signal.value;
    expect(added).toBeGreaterThan(0.5);
    // IEC 60751 at 50 °C: 0.3851 Ω/K.
    expect(rows.engineering.value - 50).toBeCloseTo(added / 0.385, 0);
    expect(sure(budgetAt(analysed(two, 'tt-1'), made, 50).largest).key).toBe('leads');
    // −8 °C is under the range, leads and all; only beyond what a Pt100 can have is the wire at fault.
    expect(moveChain(made.chain, 'value', -8).band).toBe('under');
    expect(made.chain.bands).toMatchObject({
      lowFault: expect.closeTo(18.52, 2) as number,
      highFault: expect.closeTo(390.48, 2) as number,
    });
  });
});

describe('other shapes', () => {
  const dp = (given: Parameters<typeof Scaling.parse>[0]) => chained(scaled(flow(), given)).chain;

  test('a difference of pressure, rooted in the program', () => {
    const chain = dp({ sensor: { shape: 'square' }, controller: { shape: 'root', cutPercent: 5 } });
    // Half the flow is a quarter of the pressure: 8 mA.
    expect(moveChain(chain, 'value', 20).rows.signal.value).toBeCloseTo(8, 9);
    expect(moveChain(chain, 'value', 20).rows.display.value).toBe(20);
    expect(moveChain(chain, 'value', 1.9).rows.engineering.value).toBe(0);
  });

  test('rooted twice or not at all is seen', () => {
    expect(moveChain(dp({ sensor: { shape: 'square' } }), 'value', 20).rows.display.value).toBe(10);
    expect(moveChain(dp({ controller: { shape: 'root' } }), 'value', 10).rows.display.value).toBe(20);
  });

  test('a table in force with four lines', () => {
    const job = jobWith('ai4-switch', ['-', '-', '-', '-'], {
      tag: 'WT-1',
      typeId: 'rope-link-2w',
      output: 'none',
      logic: 'none',
      range: { low: 0, high: 500, unit: 'kg' },
    });
    const points = [
      { in: 4, out: 0 },
      { in: 12, out: 240 },
      { in: 20, out: 500 },
    ];
    const with4 = after(
      scaled(
        job,
        { sensor: { shape: 'table', multiplier: 4 }, controller: { shape: 'table', multiplier: 4 } },
        'wt-1',
      ),
      {
        kind: 'calibrate',
        calibrations: [
          {
            id: 't1',
            pointId: 'wt-1',
            body: { kind: 'workshop', unitIn: 'mA', unitOut: 'kg', points, note: '' },
          },
          { id: 'f1', pointId: 'wt-1', body: { kind: 'inForce', table: 'workshop', note: '' } },
        ],
      },
    );
    const { chain } = chained(with4, 'wt-1');
    // 960 kg on four lines are 240 kg in each: 12 mA.
    expect(moveChain(chain, 'value', 960).rows.signal.value).toBeCloseTo(12, 9);
    expect(moveChain(chain, 'value', 960).rows.engineering.value).toBeCloseTo(960, 0);
    expect(moveChain(chain, 'value', 960).rows.engineering.note).toBeUndefined();
    expect(said(moveChain(chain, 'signal', 20.4).rows.engineering.note)).toContain(
      'scaling.beyond-ends-table-guess',
    );
    const straightOnly = after(with4, {
      kind: 'setScaling',
      pointId: 'wt-1',
      scaling: Scaling.parse({ sensor: { shape: 'table', multiplier: 4 }, controller: { multiplier: 4 } }),
    });
    // In a straight line 12 mA are 250 kg, so 1000 on four.
    expect(readAt(chained(straightOnly, 'wt-1').chain, 960)).toBeCloseTo(1000, 0);
  });

  test('update and filter say when a step is read', () => {
    const made = chained(scaled(flow(), { converter: { updateMs: 100, filterMs: 500 } }));
    // 100 ms + 4.605 · 500 ms.
    expect(settledAfter(made.scaling)).toBeCloseTo(2402.6, 1);
    expect(made.notes.map(said).join(' ')).toContain('scaling.step-value-read-within settled=2402.59');
    expect(settledAfter(chained(flow()).scaling)).toBeUndefined();
  });

  test('what cannot be scaled says why', () => {
    const bare = withPoint(withModule(bareJob(), 'm', 'ai2-switch', ['-', '-']), {
      tag: 'FT-1',
      typeId: 'transmitter-2w',
      output: 'none',
      logic: 'none',
    });
    expect(chainOf(analysed(bare))).toEqual({
      problem: say('scaling.range-yet-give-such', { point: 'FT-1' }),
    });
    expect(chainOf(analysed(jobWith('di8-both-8', ['-']), 'px-1'))).toBeUndefined();
  });
});

describe('the error budget', () => {
  test('of causes worked by hand', () => {
    const cause = (key: 'sensor' | 'burden' | 'display', plusMinus: number) => ({
      key,
      label: key,
      from: '',
      plusMinus,
    });
    const budget = addUp([cause('sensor', 0.3), cause('burden', 0.4), cause('display', 0)], 'bar', 10);
    // Worst 0.7; √(0.09 + 0.16) = 0.5.
    expect(budget).toMatchObject({
      worst: 0.7,
      rootSumSquare: 0.5,
      worstPercent: 7,
      rootSumSquarePercent: 5,
    });
    expect(sure(budget.largest).key).toBe('burden');
    expect(refusalOf(() => addUp([], 'bar', 0))).toMatch('scaling.error-span-needs-span');
    expect(refusalOf(() => addUp([cause('sensor', -1)], 'bar', 1))).toMatch(
      'scaling.error-0-more wrongLabel=sensor',
    );
  });

  test('of a solved loop: transmitter 0.1 % of 20 mA, burden 0.1 %, converter, screen', () => {
    const job = scaled(flow(), { sensor: { percent: 0.25 }, converter: { percent: 0.2 } });
    const budget = budgetAt(analysed(job), chained(job), 20);
    const of = (key: string): number => sure(budget.contributions.find((c) => c.key === key)).plusMinus;
    // 40 m³/h over 16 mA are 2.5 m³/h for each mA.
    expect(of('sensor')).toBeCloseTo(0.1, 9);
    expect(of('transmitter')).toBeCloseTo(0.02 * 2.5, 3);
    expect(of('burden')).toBeCloseTo(12 * 0.001 * 2.5, 3);
    expect(of('converter')).toBeCloseTo(0.2 * 0.01 * 16 * 2.5 + 20 / 27648, 3);
    expect(of('display')).toBeCloseTo(0.05, 9);
    expect(budget.worst).toBeCloseTo(0.311, 3);
    expect(budget.rootSumSquare).toBeCloseTo(0.15, 3);
    expect(sure(budget.largest).key).toBe('sensor');
  });

  test('holds what the chain really reads, over all of the range', () => {
    const job = flow();
    const made = chained(job);
    for (const value of [0, 5, 10, 25, 40]) {
      const { worst } = budgetAt(analysed(job), made, value);
      expect(Math.abs(readAt(made.chain, value) - value)).toBeLessThanOrEqual(worst);
    }
  });
});

describe('pulses', () => {
  const chainOfPulses = (job: JobContent) => chained(job);
  const counted = (): JobContent => {
    // 36 m³/h in pulses of 0.02 l are 500 a second; the input is pulled up, so that it follows.
    const job = pulseJob(36);
    return withHelper(
      after(job, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '-' }),
      'ft-1',
      { id: 'r1', typeId: 'resistor', settings: { ohms: '2200', watts: '1' } },
      [
        ['1', 'g1:+'],
        ['2', 'm:C1'],
      ],
    );
  };
  const follows = (job: JobContent): JobContent => {
    const wire = sure(job.wires.find(({ from, to }) => [from, to].includes('ft-1-b:P-')));
    return after(job, {
      kind: 'moveWire',
      wireId: wire.id,
      ...(wire.from === 'ft-1-b:P-' ? { to: 'g1:-' } : { from: 'g1:-' }),
    });
  };

  test('by the meter’s K-factor to the program and back, ten seconds at a time', () => {
    const { chain } = chainOfPulses(follows(counted()));
    const { rows } = moveChain(chain, 'value', 18);
    expect(rows.signal.value).toBeCloseTo(250, 6);
    expect(rows.counts.value).toBe(2500);
    expect(rows.display.value).toBe(18);
    expect(moveChain(chain, 'counts', 5000).rows.value.value).toBeCloseTo(36, 6);
  });

  test('another volume in the counter than in the meter is seen', () => {
    const wrong = entered(follows(counted()), 'left', { 'C1.value': '0.01' }, 'm');
    const made = chainOfPulses(wrong);
    expect(moveChain(made.chain, 'value', 18).rows.display.value).toBe(9);
    expect(budgetAt(analysed(wrong), made, 18).largest).toMatchObject({ key: 'scaling' });
  });

  test('a filter that is too slow counts no more than it lets through', () => {
    const slow = after(follows(counted()), {
      kind: 'require',
      itemId: 'ft-1-b',
      key: 'pulseValue',
      override: { value: '0.005', reason: 'tried' },
    });
    const { chain } = chainOfPulses(slow);
    // 2000 a second are due; 1000 are taken, unless the pulses run together before.
    expect(moveChain(chain, 'value', 36).rows.input.value).toBeLessThanOrEqual(1000);
    expect(moveChain(chain, 'value', 36).rows.display.value).toBeLessThan(19);
  });

  test('a wiring that passes no pulses shows no flow', () => {
    expect(moveChain(chainOfPulses(pulseJob(36)).chain, 'value', 36).rows.display.value).toBe(0);
  });
});

test('a sweep goes through every count and finds the largest step and error', () => {
  const { chain } = chained(flow());
  const run = sweepChain(chain, [
    { value: 40, plusMinus: 0.4 },
    { value: 0, plusMinus: 0.1 },
  ]);
  const told: number[] = [];
  let step = run.next();
  for (; !step.done; step = run.next()) told.push(step.value);
  const sweep = step.value;
  expect(told.length).toBeGreaterThan(5);
  expect(sweep.counts).toBe(32511 + 4864 + 1);
  expect(sweep.largestStep.size).toBeCloseTo(40 / 27648, 9);
  expect(sweep.turnsAt).toBeUndefined();
  expect(sweep.worst).toEqual({ plusMinus: 0.4, at: 27648 });
  expect(sweep.points.length).toBeLessThan(300);
  // −7.0 to 47.0 m³/h in tenths: 70 below zero, zero, 470 above.
  expect(sweep.shown).toBe(541);
});
