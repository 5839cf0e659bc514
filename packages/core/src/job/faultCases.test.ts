import { inputs } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { meterJob } from '../../test/settingJobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { sure } from '../lists/index.ts';
import type { FaultBody, JobContent } from '../model/index.ts';
import { JobProblem, openFaults } from '../model/index.ts';
import { aboutPoint, changedParts } from '../network/index.ts';
import { applyChange } from './changes.ts';
import { faultCases, faultExperience, openCase } from './faultCases.ts';
import { JobIndex } from './jobIndex.ts';
import { presentValues } from './presentValues.ts';

const JOB = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
const wire = sure(JOB.wires.find(({ from, to }) => from === 'px-1-b:BK' || to === 'px-1-b:BK')).id;
let minute = 0;
const told = (job: JobContent, id: string, body: FaultBody): JobContent =>
  applyChange(
    job,
    { kind: 'reportFault', fault: { id, pointId: 'px-1', body } },
    { by: 'JT', at: new Date(Date.UTC(2026, 9, 1, 8, minute++)).toISOString() },
  );
const opened: FaultBody = {
  kind: 'opened',
  symptom: 'Counts no boxes',
  seen: [{ id: 'inputLed present', is: false }],
};
const mended = (of: string, more: Partial<Extract<FaultBody, { kind: 'mended' }>> = {}): FaultBody => ({
  kind: 'mended',
  of,
  what: 'Wire 1 is interrupted',
  fault: `open ${wire}`,
  sort: 'wire-open',
  done: 'Clamped anew',
  parts: '',
  downMinutes: 12,
  touched: [wire],
  ...more,
});
const problemOf = (act: () => unknown): string => {
  try {
    act();
  } catch (error) {
    if (error instanceof JobProblem) return said(sure(error.problems[0]).message);
  }
  return 'nothing refused';
};

test('a fault is open until it is mended, and what is handed over is what counts', () => {
  const first = told(JOB, 'f1', opened);
  expect(openCase(first, 'px-1')).toMatchObject({ id: 'f1', seen: [{ id: 'inputLed present', is: false }] });
  const handed = told(first, 'f2', {
    kind: 'seen',
    of: 'f1',
    seen: [{ id: 'bit present', is: false }],
    note: 'Mind the dog',
  });
  expect(openCase(handed, 'px-1')).toMatchObject({
    seen: [{ id: 'bit present', is: false }],
    handed: { by: 'JT', note: 'Mind the dog' },
  });
  const done = told(handed, 'f3', mended('f1'));
  expect(openCase(done, 'px-1')).toBeUndefined();
  expect([JOB, first, handed, done].map(({ faults }) => openFaults(faults))).toEqual([0, 1, 1, 0]);
  expect(faultExperience(done).mended).toEqual(new Map([['wire-open', 1]]));
});

test('the same fault that comes back is told; another is not', () => {
  const twice = ['a', 'b', 'c'].reduce(
    (job, id) =>
      told(
        told(job, id, opened),
        `${id}-m`,
        mended(id, id === 'b' ? { fault: 'supply gone', sort: 'supply' } : {}),
      ),
    JOB,
  );
  expect(faultCases(twice).map(({ before }) => before.length)).toEqual([0, 0, 1]);
});

test('nothing is mended that is not open, at this point, once', () => {
  const open = told(JOB, 'f1', opened);
  expect(problemOf(() => told(JOB, 'f2', mended('f1')))).toBe('job.fault-not-open of=f1');
  const done = told(open, 'f2', mended('f1'));
  expect(problemOf(() => told(done, 'f3', mended('f1')))).toBe('job.fault-not-open of=f1');
  expect(problemOf(() => applyChange(done, { kind: 'removePoint', id: 'px-1' }, { by: '', at: '' }))).toMatch(
    /^job\.holds-stored-which-never/,
  );
});

test('what was worked on is to be proven again, and only that', () => {
  const about = (job: JobContent) => aboutPoint(analyse(new JobIndex(job), 'px-1').context);
  const open = told(JOB, 'f1', opened);
  expect(changedParts(about(JOB), about(open))).toEqual([]);
  const done = told(open, 'f2', mended('f1'));
  expect(changedParts(about(JOB), about(done))).toEqual([`mended:${wire}`]);
  const again = told(told(done, 'f3', opened), 'f4', mended('f3'));
  expect(changedParts(about(done), about(again))).toEqual([`mended:${wire}`]);
});

test('nothing is known of the settings of a part that was put in for another, until they are set', () => {
  const actor = () => ({ by: 'JT', at: new Date(Date.UTC(2026, 9, 1, 8, minute++)).toISOString() });
  const report = (job: JobContent, id: string, body: FaultBody) =>
    applyChange(job, { kind: 'reportFault', fault: { id, pointId: 'ft-1', body } }, actor());
  const left = (job: JobContent, id: string, value: string): JobContent =>
    applyChange(
      job,
      {
        kind: 'enter',
        entries: [{ id, itemId: 'ft-1-b', side: 'left', how: 'typed', values: { damping: value } }],
      },
      actor(),
    );
  const known = (job: JobContent) => presentValues(new JobIndex(job), 'ft-1-b').values.get('damping')?.value;
  const before = left(meterJob(), 'e1', '4');
  expect(known(before)).toBe('4');
  const swapped = report(report(before, 'f1', opened), 'f2', mended('f1', { swapped: 'ft-1-b' }));
  expect(known(swapped)).toBeUndefined();
  expect(known(left(swapped, 'e2', '2'))).toBe('2');
});

test('of what is said of how often a sort is what is wrong the last word holds, and no fault is opened or ended by it', () => {
  const open = told(JOB, 'f1', opened);
  const often = told(open, 'f2', { kind: 'rated', sort: 'wire-weak', often: 'often' });
  const seldom = told(often, 'f3', { kind: 'rated', sort: 'wire-weak', often: 'seldom' });
  expect(faultExperience(open).rated.size).toBe(0);
  expect(faultExperience(often).rated.get('wire-weak')).toMatchObject({ often: 'often', by: 'JT' });
  expect([...faultExperience(seldom).rated].map(([sort, { often }]) => [sort, often])).toEqual([
    ['wire-weak', 'seldom'],
  ]);
  expect([seldom.faults.length, openFaults(seldom.faults), faultCases(seldom).length]).toEqual([3, 1, 1]);
  expect(openCase(seldom, 'px-1')?.id).toBe('f1');
});
