import { nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { said } from '../../test/said.ts';
import { proofFingerprint, checkKeys, ideal, proofPlan } from './plan.ts';
import { scaleStep } from '../scaling/scaleStep.ts';
import { after } from '../../test/jobs.ts';
import { allSet, entered, meterJob } from '../../test/settingJobs.ts';
import type { JobContent } from '../model/collections.ts';
import { Scaling } from '../model/scaling.ts';
import { chainOf } from '../scaling/pointChain.ts';
import type { PointChain } from '../scaling/pointChainTypes.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import {
  INJECTION_STEPS,
  injectionChecks,
  injectionKeys,
  injectionSummary,
  plannedSteps,
  takesInjection,
} from './injection.ts';
import { judgeCheck, resultOf, sourceRatio } from './judge.ts';
import { progressOf } from './progress.ts';

const SOURCE = { name: 'Loop source', percent: 0.02, fixed: 0.002, unit: 'mA' };

const flow = (): JobContent => allSet(allSet(meterJob('transmitter-2w', {})), 'm');
const opened = (job: JobContent) => {
  const analysis = analyse(new JobIndex(job), 'ft-1');
  return { analysis, made: chainOf(analysis) as PointChain };
};

describe('the plan of an analog proof', () => {
  const { analysis, made } = opened(flow());

  test('goes up, down, below and above; 4 to 20 mA in place of the sensor', () => {
    expect(plannedSteps(made).map(({ step, signal }) => [step.key, Number(signal.toFixed(3))])).toEqual([
      ['up0', 4],
      ['up25', 8],
      ['up50', 12],
      ['up75', 16],
      ['up100', 20],
      ['down75', 16],
      ['down50', 12],
      ['down25', 8],
      ['down0', 4],
      ['below', 3.252],
      ['above', 21.348],
    ]);
  });

  test('its keys are those of its checks, known without solving', () => {
    const keys = proofPlan(analysis).groups.flatMap(({ checks }) => checks.map(({ key }) => key));
    expect(keys).toEqual(checkKeys(analysis));
    expect(injectionKeys(analysis)).toHaveLength(9 * 2 + 2);
    expect(INJECTION_STEPS).toHaveLength(11);
  });

  test('limits at each place: burden, wires, converter and screen, worked by hand', () => {
    const [controller, screen] = injectionChecks(analysis, made, nth(plannedSteps(made), 2));
    // At 12 mA: burden 0.1 % of it, 0.012 mA; converter 0.1 % of 16 mA and half a count; 2.5 m³/h for each mA;
    // screen ±0.05. 0.03 + 0.0407 + 0.05 = 0.1207.
    expect(sure(controller).expected).toMatchObject({ kind: 'value', nom: 20, unit: 'm³/h' });
    expect((sure(controller).expected as { max: number }).max).toBeCloseTo(20.1207, 3);
    expect(said(sure(screen).label)).toBe('text.list parts=Panel screen+(proof.rising share=50)');
  });

  test('what was truly injected moves what is expected', () => {
    const [controller] = injectionChecks(analysis, made, nth(plannedSteps(made), 2), 12.08);
    expect(ideal(sure(controller).expected)).toBeCloseTo(20.2, 9);
    expect(said(sure(controller).detail)).toContain('proof.injected injected=12.08 digitsOf=3 unit=mA');
  });

  test('the source’s own uncertainty widens the limit by what it is worth', () => {
    const { expected } = nth(injectionChecks(analysis, made, nth(plannedSteps(made), 2)), 0);
    // 0.02 % of 12 mA and 2 µA are 4.4 µA: 0.011 m³/h.
    const { max } = expected as { max: number };
    expect(judgeCheck(expected, max + 0.0109, SOURCE).pass).toBe(true);
    const bad = judgeCheck(expected, max + 0.02, SOURCE);
    expect(bad.pass).toBe(false);
    expect(bad.difference).toBeCloseTo(0.009, 4);
    expect(said(bad.sentence)).toMatch('proof.the-limits');
  });

  test('a source is held against the tightest limit', () => {
    const checks = injectionChecks(analysis, made, nth(plannedSteps(made), 2));
    // ±0.1207 m³/h against 0.011 that the source is worth.
    expect(sourceRatio(checks, SOURCE)).toBeCloseTo(10.97, 1);
    expect(sourceRatio([], SOURCE)).toBeUndefined();
  });

  test('beyond the range the controller must say so', () => {
    const [below, above] = plannedSteps(made)
      .slice(-2)
      .map((planned) => nth(injectionChecks(analysis, made, planned), 0));
    expect(sure(below).expected).toMatchObject({
      kind: 'yesno',
      yes: say('proof.shows', { band: say('scaling.wire-break') }),
    });
    expect(sure(above).expected).toMatchObject({
      kind: 'yesno',
      yes: expect.objectContaining({ code: 'proof.shows' }),
    });
    expect(said(sure(below).detail)).toContain(
      'text.semicolons parts=(proof.injected injected=3.252 digitsOf=3 unit=mA)+(scaling.last-good-value-held after=(scaling.after-s delay=2))',
    );
  });

  test('a range that is wrong in the controller fails, since it does not widen the limits', () => {
    const wrong = opened(entered(flow(), 'left', { 'A0.high': '50' }, 'm'));
    const [controller] = injectionChecks(wrong.analysis, wrong.made, nth(plannedSteps(wrong.made), 4));
    expect(sure(controller).expected).toMatchObject({ nom: 40 });
    // The controller would make 50 of it.
    expect(judgeCheck(sure(controller).expected, 50, SOURCE).pass).toBe(false);
  });

  test('a screen in another unit has limits of its own', () => {
    const display = { label: 'Screen', unit: 'l/min', low: 0, high: 666.667, decimals: 0, cutoffPercent: 0 };
    const scaled = after(flow(), {
      kind: 'setScaling',
      pointId: 'ft-1',
      scaling: Scaling.parse({ display }),
    });
    const { analysis: a, made: m } = opened(scaled);
    const [, screen] = injectionChecks(a, m, nth(plannedSteps(m), 2));
    expect(sure(screen).expected).toMatchObject({ unit: 'l/min', digits: 0 });
    expect(ideal(sure(screen).expected)).toBeCloseTo(333.33, 1);
  });

  test('a point without a range, or without a value, injects nothing', () => {
    const bare = meterJob('transmitter-2w', {}, { range: undefined });
    expect(takesInjection(opened(bare).analysis)).toBe(false);
  });
});

describe('what the results say together', () => {
  const { analysis, made } = opened(flow());
  const span = 40;
  const row = (key: string, measured: number, at: number) => {
    const planned = sure(plannedSteps(made).find(({ step }) => step.key === key));
    const check = nth(injectionChecks(analysis, made, planned), 0);
    return {
      ...resultOf(
        `${key}-${at}`,
        'ft-1',
        { check, fingerprint: proofFingerprint(analysis) },
        measured,
        SOURCE,
      ),
      by: 'TT',
      at: `2026-01-02T03:04:0${at}.000Z`,
    };
  };

  test('hysteresis and repeatability in % of span, each by hand', () => {
    const summary = injectionSummary(
      [
        row('up50', 20.02, 1),
        row('down50', 20.1, 2),
        row('up25', 10, 3),
        row('down25', 10.02, 4),
        row('up50', 20.06, 5),
      ],
      span,
    );
    // Latest up 20.06 and down 20.10: 0.04 of 40 is 0.1 %. Repeated up: 20.02 and 20.06, 0.1 %.
    expect(summary.hysteresisPercent).toBeCloseTo(0.1, 9);
    expect(summary.repeatabilityPercent).toBeCloseTo(0.1, 9);
    expect(
      sure(summary.points.find(({ way, share }) => way === 'up' && share === 50)).errorPercent,
    ).toBeCloseTo(0.15, 9);
    expect(summary.points).toHaveLength(4);
  });

  test('nothing is said of what was not done', () => {
    expect(injectionSummary([row('up50', 20, 1)], span)).not.toHaveProperty('hysteresisPercent');
    expect(injectionSummary([], span)).toEqual({ points: [] });
  });

  test('results carry unit and source, and a failed one is told in its unit', () => {
    const bad = row('up50', 22, 1);
    expect(bad).toMatchObject({ pass: false, unit: 'm³/h', instrument: SOURCE });
    const job = after(flow(), {
      kind: 'record',
      results: [
        resultOf(
          'r1',
          'ft-1',
          {
            check: nth(injectionChecks(analysis, made, nth(plannedSteps(made), 2)), 0),
            fingerprint: proofFingerprint(analysis),
          },
          22,
          SOURCE,
        ),
      ],
    });
    const progress = progressOf(job, analyse(new JobIndex(job), 'ft-1'));
    expect(progress.overall).toBe('failed');
    expect(said(progress.line)).toContain(
      'proof.expected checkName=(text.list parts=(proof.controller)+(proof.rising share=50)) measured=22 m³/h expected=(proof.to min=19.8793 max=20.1207 unit=m³/h)',
    );
  });
});

describe('the stage Scale', () => {
  const stageOf = (job: JobContent) => progressOf(job, analyse(new JobIndex(job), 'ft-1'));

  test('is open until the controller holds it, and opens again when the chain changes', () => {
    const job = flow();
    expect(stageOf(job).stages).toContainEqual({ stage: 'scale', mark: 'open' });
    const { analysis: a, made: m } = opened(job);
    const { step } = scaleStep(a, m);
    expect(said(step.title)).toBe(
      'scaling.controller-holds scaling=(scaling.are-to from=(scaling.counts-over low=0 high=27648 low2=4 high2=20 unit=mA) low=0 high=40 unit=m³/h shapeWord=(scaling.straight-line) times=)',
    );
    const taken = after(job, {
      kind: 'stamp',
      stamp: { id: 's', pointId: 'ft-1', step: step.key, fingerprint: step.about() },
    });
    expect(stageOf(taken).stages).toContainEqual({ stage: 'scale', mark: 'proven' });
    const other = after(taken, {
      kind: 'setScaling',
      pointId: 'ft-1',
      scaling: Scaling.parse({ converter: { formatId: '4000' } }),
    });
    expect(stageOf(other).stages).toContainEqual({ stage: 'scale', mark: 'open' });
  });

  test('is under way while the screen shows something else, and says what', () => {
    const wrong = entered(flow(), 'left', { unit: 'm³/h', low: '0', high: '20' });
    expect(stageOf(wrong).stages).toContainEqual({ stage: 'scale', mark: 'underway' });
  });
});
