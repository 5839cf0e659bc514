import fc from 'fast-check';
import { canonical, nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { ACTOR, additionOf, after, jobWith, withHelper } from '../../test/jobs.ts';
import { COLLECTION_NAMES, headOf, JobHead } from '../model/index.ts';
import { JobProblem, unlessRefused } from '../model/problem.ts';
import type { JobContent } from '../model/collections.ts';
import { applyChange } from './changes.ts';
import type { Change } from './changeSchema.ts';
import { undoChange } from './undo.ts';
import type { RowChange } from './records.ts';

type Row = Record<string, unknown> & { id: string };

/** All rows in which two jobs differ, as a database gives them back: with their keys in another order. */
function told(before: JobContent, next: JobContent): RowChange[] {
  const turned = (row: object | undefined) =>
    row ? (Object.fromEntries(Object.entries(row).reverse()) as Row) : null;
  const head = (job: JobContent) => JobHead.parse(headOf(job));
  const heads: RowChange[] =
    canonical(head(before)) === canonical(head(next))
      ? []
      : [{ collection: 'job', rowId: 'j', before: turned(head(before)), after: turned(head(next)) }];
  return COLLECTION_NAMES.reduce<RowChange[]>((all, collection) => {
    const [was, now] = [before, next].map((job) => job[collection] as unknown as Row[]);
    const ids = new Set([...sure(was), ...sure(now)].map(({ id }) => id));
    return [
      ...all,
      ...[...ids].flatMap((rowId): RowChange[] => {
        const [a, b] = [was, now].map((rows) => sure(rows).find(({ id }) => id === rowId));
        return canonical(a) === canonical(b)
          ? []
          : [{ collection, rowId, before: turned(a), after: turned(b) }];
      }),
    ];
  }, heads);
}

/** A job with its lists in one order, since what comes back comes back at the end. */
const unordered = (job: JobContent): string =>
  canonical({
    ...job,
    ...Object.fromEntries(
      COLLECTION_NAMES.map((name) => [
        name,
        [...(job[name] as readonly Row[])].sort((a, b) => (a.id < b.id ? -1 : 1)),
      ]),
    ),
  });

const start = withHelper(
  jobWith('di8-both-8', ['-'], { tag: 'PX-1' }, { tag: 'PX-2', at: ['m', 1] }),
  'px-1',
  { id: 'lamp', typeId: 'lamp-led-24' },
  [['+', 'px-1-b:BK']],
);
const wire = nth(start.wires, 0);
const CHANGES: Change[] = [
  { kind: 'editJob', patch: { name: 'Another', mainsHertz: 60 } },
  { kind: 'editSupply', id: nth(start.supplies, 0).id, patch: { volts: 23 } },
  additionOf({ tag: 'PX-3', at: ['m', 2] }),
  { kind: 'removePoint', id: 'px-2' },
  {
    kind: 'editPoint',
    id: 'px-1',
    patch: { typeId: 'inductive-2w-dc', output: { kind: 'twowire', logic: 'no' }, name: 'Other' },
  },
  { kind: 'assign', pointId: 'px-2', place: { moduleId: 'm', channel: 7 } },
  { kind: 'assign', pointId: 'px-1', place: null },
  { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '+' },
  { kind: 'removeModule', id: 'm' },
  { kind: 'removeHelper', id: 'lamp' },
  { kind: 'landWire', wireId: wire.id, asFound: { colour: 'WH' } },
  { kind: 'removeWire', wireId: wire.id },
  {
    kind: 'addModule',
    module: { id: 'n', tag: 'AI 1', typeId: 'ai4-switch', firstByte: 64 },
    commons: [],
  },
  {
    kind: 'batch',
    changes: [
      { kind: 'removePoint', id: 'px-2' },
      { kind: 'editPoint', id: 'px-1', patch: { tag: 'PX-2' } },
    ],
  },
];

const refusal = (act: () => unknown): string[] => {
  try {
    act();
  } catch (error) {
    if (error instanceof JobProblem) return error.problems.map(({ message }) => said(message));
    throw error;
  }
  return ['not refused'];
};

test('any changes, undone from the last to the first, leave the job as it was', () => {
  let done = 0;
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...CHANGES), { minLength: 1, maxLength: 5 }), (changes) => {
      const steps: [JobContent, RowChange[]][] = [];
      let job = start;
      for (const change of changes) {
        const next = unlessRefused(() => applyChange(job, change, ACTOR));
        if (!next) continue;
        steps.push([job, told(job, next)]);
        job = next;
      }
      for (const [before, rows] of steps.reverse()) {
        const undone = undoChange(job, rows);
        expect(unordered(undone)).toBe(unordered(before));
        // And what was undone can be undone.
        expect(unordered(undoChange(undone, told(job, undone)))).toBe(unordered(job));
        job = undone;
        done++;
      }
    }),
    { numRuns: 150 },
  );
  expect(done).toBeGreaterThan(200);
});

test('each of the changes can be done and undone by itself', () => {
  for (const change of CHANGES) {
    const next = applyChange(start, change, ACTOR);
    expect(told(start, next).length).toBeGreaterThan(0);
    expect(unordered(undoChange(next, told(start, next)))).toBe(unordered(start));
  }
});

test('what others changed elsewhere stays', () => {
  const [first, second]: [Change, Change] = [
    { kind: 'editPoint', id: 'px-1', patch: { name: 'Mine' } },
    { kind: 'editPoint', id: 'px-2', patch: { name: 'Theirs' } },
  ];
  const next = after(start, first);
  const undone = undoChange(after(next, second), told(start, next));
  expect(undone.points.map(({ name }) => name)).toEqual(['A test point', 'Theirs']);
});

test('a row that was changed since is named, and nothing is undone', () => {
  const next = after(start, { kind: 'editPoint', id: 'px-1', patch: { name: 'Mine' } });
  const later = after(next, { kind: 'editPoint', id: 'px-1', patch: { name: 'Theirs' } });
  expect(refusal(() => undoChange(later, told(start, next)))).toEqual(['job.undo-moved rows=Point PX-1']);
});

test('what other things rest on is not taken away, and is told', () => {
  const module: Change = {
    kind: 'addModule',
    module: { id: 'n', tag: 'DI 2', typeId: 'di8-both-8', firstByte: 4 },
    commons: ['-'],
  };
  const next = after(start, module);
  const later = after(next, { kind: 'assign', pointId: 'px-2', place: { moduleId: 'n', channel: 0 } });
  const [first, ...why] = refusal(() => undoChange(later, told(start, next)));
  expect(first).toBe('job.undo-rests');
  expect(why.length).toBeGreaterThan(0);
});

test('stamps and results stay as they were written', () => {
  const next = after(start, {
    kind: 'stamp',
    stamp: { id: 's', pointId: 'px-1', step: 'tug', fingerprint: {} },
  });
  expect(refusal(() => undoChange(next, told(start, next)))).toEqual(['job.undo-stamp']);
});
