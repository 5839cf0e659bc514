import { nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { said } from '../../test/said.ts';
import { ACTOR, jobWith } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import { analyse } from '../analysis/analysis.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { fitSteps } from '../setting/fit.ts';
import { landSteps } from '../presentation/steps.ts';
import { checkJob, waysOut } from './checkJob.ts';
import { judgeCheck, resultOf } from './judge.ts';
import { checkKeys, expectedText, ideal, proofFingerprint, proofPlan } from './plan.ts';
import { jobProgress } from './progress.ts';

const BOTH8 = 'di8-both-8';
const METER = { name: 'M1', percent: 0.5, fixed: 0.02 };
const EXACT = { name: 'M0', percent: 0, fixed: 0 };
const plan = (job: JobContent) => proofPlan(analyse(new JobIndex(job), 'px-1'));
const checks = (job: JobContent) => plan(job).groups.flatMap((group) => group.checks);
const only = (job: JobContent) => nth(jobProgress(job), 0);

describe('the plan', () => {
  test('asks for the supply and for all indicators in both states', () => {
    const job = jobWith(BOTH8, ['-']);
    const keys = checks(job).map(({ key }) => key);
    expect(keys).toEqual([
      'supply.volts',
      ...['away', 'present'].flatMap((s) =>
        ['sensorLamp', 'volts', 'inputLamp', 'bit'].map((k) => `${s}.${k}`),
      ),
    ]);
    expect(checkKeys(analyse(new JobIndex(job), 'px-1'))).toEqual(keys);
  });

  test('expects what the circuit says: a normally closed sensor is on without the target', () => {
    const words = Object.fromEntries(
      checks(jobWith(BOTH8, ['-'], { logic: 'nc', bit: 'inverted' })).map(({ key, expected }) => [
        key,
        expectedText(expected),
      ]),
    );
    expect(said(words['away.inputLamp'])).toBe('proof.on');
    expect(said(words['away.bit'])).toBe('0');
    expect(said(words['present.inputLamp'])).toBe('proof.off');
    expect(said(words['present.volts'])).toMatch('−0.1 to 1.3 V');
  });

  test('is refused for a circuit that cannot work, so that wrong wiring cannot pass', () => {
    const wrong = jobWith(BOTH8, ['+']);
    expect(said(plan(wrong).blocked)).toMatch('proof.mend-land-before-you');
    expect(checkKeys(analyse(new JobIndex(wrong), 'px-1'))).toEqual([]);
  });
});

describe('judging', () => {
  const band = { kind: 'volts', min: 21, nom: 22.9, max: 24.3 } as const;

  test.each([
    [22.9, true, 0],
    [21, true, 0],
    [24.3, true, 0],
    [20, false, -1],
    [25.3, false, 1],
    [-22.9, false, -43.9],
  ])('%d V passes: %s, outside by %d V', (measured, pass, difference) => {
    const outcome = judgeCheck(band, measured, EXACT);
    expect(outcome.pass).toBe(pass);
    expect(outcome.difference).toBeCloseTo(difference, 9);
  });

  test('limits are widened by the instrument’s own uncertainty and no further', () => {
    const allowed = 0.02 + 20.9 * 0.005;
    expect(judgeCheck(band, 20.9, METER).pass).toBe(true);
    expect(21 - 20.9).toBeLessThan(allowed);
    expect(judgeCheck(band, 20.8, METER).pass).toBe(false);
  });

  test('a lamp that is off where on was expected fails with a sentence', () => {
    const outcome = judgeCheck({ kind: 'yesno', value: true, yes: 'on', no: 'off' }, false, METER);
    expect(outcome).toEqual({
      pass: false,
      difference: 1,
      sentence: say('proof.where-expected', { seen: 'off', expected: 'on' }),
    });
  });
});

describe('progress', () => {
  const landed = (job: JobContent): JobContent =>
    [
      ...landSteps(analyse(new JobIndex(job), 'px-1')),
      ...fitSteps(new JobIndex(job), nth(job.points, 0)).map(({ step }) => step),
    ].reduce(
      (j, { key, about }) =>
        applyChange(
          j,
          { kind: 'stamp', stamp: { id: `s-${key}`, pointId: 'px-1', step: key, fingerprint: about() } },
          ACTOR,
        ),
      job,
    );
  const record = (job: JobContent, round: string, spoil?: string): JobContent => {
    const fingerprint = proofFingerprint(analyse(new JobIndex(job), 'px-1'));
    const results = checks(job).map((check, i) => {
      const good = ideal(check.expected);
      return resultOf(
        `${round}-${i}`,
        'px-1',
        { check, fingerprint },
        check.key === spoil ? 14.2 : good,
        METER,
      );
    });
    return applyChange(job, { kind: 'record', results }, ACTOR);
  };

  test('goes from open through under way to proven', () => {
    const job = jobWith(BOTH8, ['-']);
    expect(only(job).overall).toBe('open');
    const half = landed(job);
    expect(only(half).stages).toEqual([
      { stage: 'fit', mark: 'proven' },
      { stage: 'land', mark: 'proven' },
      { stage: 'prove', mark: 'open' },
    ]);
    expect(said(only(half).line)).toMatch('proof.next-prove-checks-do');
    expect(only(record(half, 'a')).overall).toBe('proven');
  });

  test('a failed reading stops the point until a later one passes; both stay', () => {
    const failed = record(landed(jobWith(BOTH8, ['-'])), 'a', 'present.volts');
    expect(only(failed).overall).toBe('failed');
    expect(said(only(failed).line)).toMatch('proof.expected');
    const again = record(failed, 'b');
    expect(only(again).overall).toBe('proven');
    expect(again.results.filter(({ check }) => check === 'present.volts')).toHaveLength(2);
  });

  test('a wrong circuit outweighs what was stamped', () => {
    const job = landed(jobWith(BOTH8, ['-']));
    const turned = applyChange(job, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '+' }, ACTOR);
    expect(only(turned).overall).toBe('cannot');
    expect(said(only(turned).line)).toMatch(
      'text.brief text=(reason.same-pull rail=+24 V device=PX-1 common=(landing.common number=1))',
    );
  });
});

test('a checked job gives verdict, states and readings of each point', () => {
  const job = jobWith(BOTH8, ['-'], { tag: 'PX-1' }, { tag: 'PX-2', output: 'npn', at: ['m', 1] });
  const [one, two] = checkJob(job);
  expect(sure(one).progress.verdict.status).toBe('works');
  expect(sure(one).address).toBe('%IX0.0');
  expect(sure(one).states.map(({ led, bit }) => [led, bit])).toEqual([
    ['off', 0],
    ['on', 1],
  ]);
  expect(sure(one).readings).toHaveLength(9);
  expect(sure(two).progress.verdict.status).toBe('cannot');
  expect(waysOut(job)(sure(two).progress.pointId).remedies.length).toBeGreaterThan(0);
  expect(waysOut(job)(sure(one).progress.pointId)).toEqual({ remedies: [] });
  expect(sure(two).readings).toEqual([]);
});
