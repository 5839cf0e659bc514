import { sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { FAMILIES } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { checkJob } from './checkJob.ts';
import { judgeCheck, resultOf } from './judge.ts';
import { expectedText, ideal, proofFingerprint, proofPlan } from './plan.ts';
import { progressOf } from './progress.ts';

const METER = { name: 'Meter', percent: 0.5, fixed: 0.02 };

describe.each(Object.keys(FAMILIES))('the proof of: %s', (name) => {
  const job = sure(FAMILIES[name])();
  const analysis = analyse(new JobIndex(job), 'px-1');
  const fingerprint = proofFingerprint(analysis);
  const { groups } = proofPlan(analysis);
  const checks = groups.flatMap((group) => group.checks);

  test('has checks with keys of their own, each in words', () => {
    expect(checks.length).toBeGreaterThan(1);
    expect(new Set(checks.map(({ key }) => key)).size).toBe(checks.length);
    for (const check of checks) {
      expect(said(check.label)).not.toBe('');
      expect(said(expectedText(check.expected)).length).toBeGreaterThan(0);
      if (check.expected.kind !== 'yesno') {
        expect(check.expected.min).toBeLessThanOrEqual(check.expected.nom);
        expect(check.expected.max).toBeGreaterThanOrEqual(check.expected.nom);
      }
    }
  });

  test('passes with what the circuit says, and fails with what lies beyond its band', () => {
    for (const check of checks) {
      const { expected } = check;
      if (expected.kind !== 'yesno') {
        expect(judgeCheck(expected, expected.nom, METER).pass).toBe(true);
        const source = expected.kind === 'value' ? expected.perInjected * (1 + expected.injected) : 0;
        const room = 1 + 0.02 * Math.max(Math.abs(expected.max), Math.abs(expected.min)) + source;
        const beyond = expected.max + room;
        const { pass, difference } = judgeCheck(expected, beyond, METER);
        expect(pass).toBe(false);
        expect(difference).toBeGreaterThan(0);
        expect(judgeCheck(expected, expected.min - room, METER).difference).toBeLessThan(0);
      } else {
        expect(judgeCheck(expected, expected.value, METER).pass).toBe(true);
        expect(judgeCheck(expected, !expected.value, METER).pass).toBe(false);
      }
    }
  });

  test('done whole, leaves nothing open in it', () => {
    const results = checks.map((check, i) => {
      return resultOf(`r${i}`, 'px-1', { check, fingerprint }, ideal(check.expected), METER);
    });
    let next = job;
    for (let i = 0; i < results.length; i += 50)
      next = after(next, { kind: 'record', results: results.slice(i, i + 50) });
    const { stages } = progressOf(next, analyse(new JobIndex(next), 'px-1'));
    expect(sure(stages.find(({ stage }) => stage === 'prove')).mark).toBe('proven');
    expect(sure(progressOf(job, analysis).stages.find(({ stage }) => stage === 'prove')).mark).toBe('open');
  });

  test('is told by the check command with every state and reading', () => {
    const checked = sure(checkJob(job).find(({ progress }) => progress.pointId === 'px-1'));
    expect(checked.progress.verdict.status).toBe('works');
    expect(checked.states.length).toBe(analysis.shown.length + analysis.staged.length);
    expect(checked.readings).toHaveLength(checks.length);
  });
});
