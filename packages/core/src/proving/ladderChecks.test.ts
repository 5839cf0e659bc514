import { said } from '../../test/said.ts';
import { ACTOR, after } from '../../test/jobs.ts';
import { analogJob } from '../../test/families.ts';
import { sure } from '../lists/index.ts';
import { analyse } from '../analysis/analysis.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import type { LadderPlan, Level } from '../model/switching.ts';
import { ladderOf, proposeLadder, switchStep } from '../switching/index.ts';
import { checkKeys, checkName, ideal, proofFingerprint, proofPlan } from './plan.ts';
import { judgeCheck, resultOf, resultValues } from './judge.ts';
import { progressOf } from './progress.ts';

const RANGE = { low: 0, high: 6, unit: 'bar' };
const JOB = after(analogJob('pressure-2w'), { kind: 'editPoint', id: 'px-1', patch: { range: RANGE } });
const plan = (
  kind: Parameters<typeof proposeLadder>[0],
  patch: (level: Level) => Partial<Level> = () => ({}),
): LadderPlan => {
  const made = proposeLadder(kind, RANGE.unit, RANGE, () => 0.03);
  return { ...made, levels: made.levels.map((level) => ({ ...level, ...patch(level) })) };
};
const withLadder = (ladder: LadderPlan): JobContent =>
  after(JOB, { kind: 'setSwitching', pointId: 'px-1', switching: { ladder } });
const analysed = (job: JobContent) => analyse(new JobIndex(job), 'px-1');
const groups = (job: JobContent) =>
  proofPlan(analysed(job)).groups.filter(({ key }) => key.startsWith('ladder'));
const METER = { name: 'Loop source', percent: 0.05, fixed: 0.002 };

test('two levels above each other need one way out and back, one jump, a break and a short', () => {
  const found = groups(withLadder(plan('pauseStop')));
  expect(found.map(({ key }) => key)).toEqual([
    'ladder-out-up',
    'ladder-back-up',
    'ladder-clear-up',
    'ladder-jump-up',
    'ladder-fault',
  ]);
  expect(found.flatMap(({ checks }) => checks.map(({ key }) => key))).toEqual([
    'ladder.reaches-l2',
    'ladder.reaches-l3',
    'ladder.stays-l3',
    'ladder.stays-l2',
    'ladder.power-l2',
    'ladder.without-l2',
    'ladder.clear-l2',
    'ladder.power-l3',
    'ladder.without-l3',
    'ladder.clear-l3',
    'ladder.delay-l2',
    'ladder.delay-l3',
    'ladder.break',
    'ladder.short',
  ]);
  expect(
    found.every(({ caution, key }) => key === 'ladder-clear-up' || said(caution) === 'switching.proof-moves'),
  ).toBe(true);
});

test('a check of a limit passes within its band and fails outside, and is told by its name afterwards', () => {
  const job = withLadder(plan('pauseStop'));
  const checks = groups(job).flatMap((group) => group.checks);
  const of = (key: string) => sure(checks.find((check) => check.key === key));
  const limit = of('ladder.reaches-l2');
  const { expected } = limit;
  if (expected.kind !== 'reading') throw new Error('a reading');
  expect(expected.max - expected.nom).toBeCloseTo(expected.nom - expected.min, 9);
  expect(expected.max).toBeGreaterThan(expected.nom);
  expect(judgeCheck(expected, expected.nom, METER).pass).toBe(true);
  expect(judgeCheck(expected, expected.max + 0.1, METER).pass).toBe(false);
  const delay = of('ladder.delay-l2').expected;
  // 10 s by hand: 2 % of it and half a second.
  expect(delay).toMatchObject({ nom: 10, min: 9.3, max: 10.7, unit: 's' });
  const fingerprint = proofFingerprint(analysed(job));
  const result = resultOf('r', 'px-1', { check: limit, fingerprint }, expected.nom, METER);
  expect([said(checkName(result.check)), said(resultValues(result).measured)]).toEqual([
    'proof.alarm-limit',
    `${expected.nom} ${RANGE.unit}`,
  ]);
  const broke = resultOf('b', 'px-1', { check: of('ladder.break'), fingerprint }, false, METER);
  expect([broke.pass, said(resultValues(broke).expected), said(resultValues(broke).measured)]).toEqual([
    false,
    'proof.as-expected-2',
    'proof.other',
  ]);
});

test('levels that go by themselves are followed back, and lower ones downwards', () => {
  expect(groups(withLadder(plan('warn'))).map(({ key }) => key)).toEqual([
    'ladder-out-up',
    'ladder-back-up',
    'ladder-jump-up',
    'ladder-fault',
  ]);
  const back = sure(groups(withLadder(plan('warn')))[1]?.checks[0]).expected;
  const [level] = plan('warn').levels;
  expect(back).toMatchObject({ nom: sure(level).limit - sure(level).hysteresis });
  expect(groups(withLadder(plan('stopBelow'))).map(({ key }) => key)).toContain('ladder-out-down');
});

test('the stage Switch: what is wrong comes first, then it is entered, and a change opens it again', () => {
  const stage = (job: JobContent) => {
    const { stages, line } = progressOf(job, analysed(job));
    return [stages.find((one) => one.stage === 'switch')?.mark, said(line)];
  };
  expect(stage(JOB)[0]).toBeUndefined();
  const wrong = withLadder(plan('pauseStop', () => ({ clearedBy: 'itself' })));
  expect(stage(wrong)[0]).toBe('underway');
  expect(groups(wrong)).toEqual([]);
  const right = withLadder(plan('pauseStop'));
  expect(stage(right)[0]).toBe('open');
  const found = ladderOf(analysed(right));
  if (!found || 'problem' in found) throw new Error('a ladder');
  const { step } = switchStep(analysed(right), found);
  const entered = applyChange(
    right,
    { kind: 'stamp', stamp: { id: 's', pointId: 'px-1', step: step.key, fingerprint: step.about() } },
    ACTOR,
  );
  expect(stage(entered)[0]).toBe('proven');
  const changed = after(entered, {
    kind: 'setSwitching',
    pointId: 'px-1',
    switching: { ladder: plan('pauseStop', () => ({ delay: 7 })) },
  });
  expect(stage(changed)[0]).toBe('open');
});

test('what was proven counts no more once a limit is another', () => {
  const right = withLadder(plan('pauseStop'));
  const fingerprint = proofFingerprint(analysed(right));
  const { groups: all } = proofPlan(analysed(right));
  const results = all
    .flatMap((group) => group.checks)
    .map((check, i) => resultOf(`r${i}`, 'px-1', { check, fingerprint }, ideal(check.expected), METER));
  const proven = results.reduce(
    (job, result) => applyChange(job, { kind: 'record', results: [result] }, ACTOR),
    right,
  );
  const mark = (job: JobContent) => progressOf(job, analysed(job)).stages.at(-1)?.mark;
  expect(mark(proven)).toBe('proven');
  const moved = after(proven, { kind: 'setSwitching', pointId: 'px-1', switching: { ladder: plan('warn') } });
  expect(mark(moved)).toBe('open');
  expect(checkKeys(analysed(moved))).toContain('ladder.reaches-l1');
});

test('alarms in another unit than the value are told, and nothing of them is proven', () => {
  const job = withLadder({ ...plan('warn'), unit: 'kPa' });
  expect(groups(job)).toEqual([]);
  expect(progressOf(job, analysed(job)).stages.find(({ stage }) => stage === 'switch')?.mark).toBe(
    'doubtful',
  );
  const found = ladderOf(analysed(job));
  expect(found && 'problem' in found && said(found.problem)).toBe(
    'switching.ladder-other-unit was=kPa unit=bar',
  );
});

test.each(['warn', 'pauseStop', 'warnPauseStop', 'stopBelow'] as const)(
  'what is proposed is sound over any range: %s',
  (kind) => {
    for (const range of [RANGE, { low: -50, high: 150, unit: 'x' }, { low: 200, high: 2000, unit: 'x' }]) {
      const made = proposeLadder(kind, RANGE.unit, range, () => 0.004 * (range.high - range.low));
      expect(new Set(made.levels.map(({ limit }) => limit)).size).toBe(made.levels.length);
      for (const { limit } of made.levels) expect(limit > range.low && limit < range.high).toBe(true);
    }
    expect(ladderOf(analysed(withLadder(plan(kind))))).toMatchObject({ findings: [] });
  },
);
