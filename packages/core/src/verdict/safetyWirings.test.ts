import { nth } from '../lists/index.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import { bridges, letsThrough, passes, slips } from '../../test/safetyMutations.ts';
import * as S from '../../test/safetyJobs.ts';
import { RIGHT, WRONG } from '../../test/safetyWirings.ts';
import { after, withWires } from '../../test/jobs.ts';
import { JobProblem } from '../model/problem.ts';
import { judge } from './judge.ts';

const judged = (job: JobContent, id = 'px-1') => judge(analyse(new JobIndex(job), id));

test.each(RIGHT.map(([what, job, id]) => ({ what, job, id })))('$what passes', ({ job, id }) => {
  expect(judged(job(), id)).toMatchObject({ status: 'works', reasons: [] });
});

test('there are at least 40 wrong wirings and 12 right ones', () => {
  expect(WRONG.length).toBeGreaterThanOrEqual(40);
  expect(RIGHT.length).toBeGreaterThanOrEqual(12);
});

test.each(WRONG.map(([what, job, code, status]) => ({ what, job, code, status })))(
  '$what does not pass',
  ({ job, code, status }) => {
    const verdict = judged(job());
    expect(verdict.status).toBe(status ?? (code === 'open' ? 'open' : 'cannot'));
    if (code !== 'open') expect(verdict.reasons.map((reason) => reason.code)).toContain(code);
  },
);

test('of wires that slip or bridge anything, none that lets energy through passes', () => {
  const right = [
    S.twoContactors(),
    S.twoContactors({}, 'guard-transistor'),
    S.relayOnDrive(),
    S.driveStopJob(),
    S.inTheReturn(),
    S.withValve(),
  ];
  const tried = right.flatMap((job) => [...bridges(job), ...slips(job)]).filter((_, i) => i % 41 === 0);
  const through = tried.filter(letsThrough);
  console.log(`${tried.length} wires put wrong, ${through.length} let energy through`);
  expect(through.length).toBeGreaterThan(10);
  expect(through.filter(passes).map(({ what }) => what)).toEqual([]);
}, 120_000);

test.each([
  [
    'the auxiliary output',
    () => S.moved(S.twoContactors({}, 'guard-transistor'), 'km:A1', 'px-1-b:GY'),
    'shows',
  ],
  ['an output of the program', () => S.moved(S.withOutputs(S.twoContactors()), 'km:A1', 'o:Q0'), 'program'],
  ['nothing but wires', () => S.moved(S.twoContactors(), 'km:A1', 'g1:+'), 'wire'],
  ['one channel', () => S.moved(S.twoContactors(), 'km:A1', 's:1A'), 'channel'],
  ['the other contactor', () => withHolding(), 'other'],
] as const)('a way through %s is named with its wires', (_, job, kind) => {
  const { code, values = {} } = nth(judged(job()).reasons, 0).sentence;
  expect(code).toBe(`reason.safety-output.${kind}`);
  expect(values).toMatchObject({ input: 'KM' });
  expect(values.numbers).not.toEqual([]);
});

const withHolding = (): JobContent => withWires(S.twoContactors(), ['km:1', 'g1:+'], ['km:2', 'km:A1']);

describe('what a safety function stops', () => {
  const drive = () => S.without(S.relayOnDrive(), 'd:S1', 'd:S2');

  test('is named in the job, and judged though no wire leads there', () => {
    expect(judged(drive()).status).toBe('open');
    const job = S.stopping(withWires(drive(), ['d:S1', 'g1:+'], ['d:S2', 'g1:+']), 'd');
    expect(judged(job).reasons.map(({ code }) => code)).toEqual(['safety-output', 'safety-output']);
  });

  test('goes with the part when that is removed', () => {
    const job = after(S.stopping(drive(), 'd'), { kind: 'removeModule', id: 'd' });
    expect(nth(job.points, 0).stops).toEqual([]);
  });

  test.each(['px-1-b', 's', 'nobody'])('“%s” cannot be named', (id) => {
    expect(() => S.stopping(drive(), id)).toThrow(JobProblem);
  });
});
