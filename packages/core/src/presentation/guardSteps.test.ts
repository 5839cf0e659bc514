import { nth } from '../lists/index.ts';
import { textOf } from '../messages/index.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import * as S from '../../test/safetyJobs.ts';
import { withPoint } from '../../test/jobs.ts';
import { judge } from '../verdict/judge.ts';
import { statesPlan } from '../proving/plan.ts';
import { landSteps } from './steps.ts';

const steps = (job: JobContent) =>
  new Map(
    landSteps(analyse(new JobIndex(job), 'px-1')).map(({ key, title, caution }) => [key, { title, caution }]),
  );
const codeAt = (job: JobContent, key: string): string | undefined => {
  const title = steps(job).get(key)?.title;
  return typeof title === 'object' ? title.code : title;
};

test.each([
  ['monitored', 'step.press-let-go-reset', 'step.safe-side-drops-out'],
  ['manual', 'step.reset-on-press', 'step.safe-side-drops-out'],
  ['automatic', 'step.releases-itself', 'step.safe-side-drops-out-returns'],
])('with %s reset the steps say what the relay does', (reset, on, off) => {
  const job = S.guardJob({ reset });
  expect(codeAt(job, 'safe-reset')).toBe(on);
  expect(codeAt(job, 'safe-open')).toBe(off);
});

test('a guard on a drive’s safe-stop pair is told of no button, no feedback and no supply LED of a relay', () => {
  const job = S.driveStopJob();
  expect(codeAt(job, 'safe-reset')).toBe('step.releases-itself');
  expect([...steps(job).keys()]).not.toEqual(expect.arrayContaining(['safe-supply']));
  expect([...steps(job).keys()]).not.toEqual(expect.arrayContaining(['safe-feedback']));
});

test('what the steps say of the states is what the proof asks for', () => {
  for (const reset of ['monitored', 'manual', 'automatic']) {
    const analysis = analyse(new JobIndex(S.guardJob({ reset })), 'px-1');
    const asked = statesPlan(analysis).groups.flatMap(({ key, checks }) =>
      checks.flatMap(({ key: check, expected }) =>
        check.endsWith('.safe') && expected.kind === 'yesno' ? [[key, expected.value] as const] : [],
      ),
    );
    expect(asked).toEqual([
      ['away', false],
      ['present', true],
      ['open1', false],
      ['open2', false],
    ]);
  }
});

test('no step demands a joint and forbids it', () => {
  for (const { title, caution } of steps(S.guardJob()).values())
    if (typeof title === 'object' && title.code === 'step.join-two-channels-terminals')
      expect(textOf(caution)).not.toMatch(/never bridge/i);
});

describe('the first cause is the right one', () => {
  const cause = (job: JobContent, id = 'px-1') =>
    nth(judge(analyse(new JobIndex(job), id)).reasons, 0).sentence;

  test('a guard on input 2 while the selector counts input 1 only', () => {
    const job = withPoint(S.twoContactors(), {
      tag: 'GS-2',
      typeId: 'guard-2c',
      output: 'contact',
      logic: 'nc',
      at: ['s', 1],
    });
    expect(cause(job, 'gs-2').code).toBe('reason.safety-channel.not-selected');
  });

  test('a reset button that is bridged', () => {
    const job = S.bridgedReset();
    expect(cause(job).code).toBe('reason.safety-reset.held');
  });
});
