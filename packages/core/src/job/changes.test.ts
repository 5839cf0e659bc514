import { nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { ACTOR, additionOf, after, bareJob, jobWith, withModule, withPoint } from '../../test/jobs.ts';
import type { TestPoint } from '../../test/jobs.ts';
import { JobProblem } from '../model/problem.ts';
import type { JobContent } from '../model/collections.ts';
import type { Logic, OutputKind } from '../model/job.ts';
import { applyChange } from './changes.ts';
import { Change } from './changeSchema.ts';
import { JobIndex } from './jobIndex.ts';
import { landSteps, stampedSteps } from '../presentation/steps.ts';
import { analyse } from '../analysis/analysis.ts';

const BOTH8 = 'di8-both-8';
const refusal = (job: JobContent, change: Change): string => {
  try {
    applyChange(job, change, ACTOR);
  } catch (error) {
    if (error instanceof JobProblem) return said(nth(error.problems, 0).message);
    throw error;
  }
  return 'not refused';
};

/** A second point whose device's output is chosen so. */
function withChosen(p: TestPoint, chosen: { kind: OutputKind; logic: Logic }): Change {
  const addition = additionOf({ tag: 'PX-3', at: null, ...p });
  const device = addition.device && { ...addition.device, outputs: { output: chosen } };
  return { ...addition, device };
}

describe('what is refused', () => {
  const job = jobWith(BOTH8, ['-'], { tag: 'PX-1' }, { tag: 'PX-2', at: ['m', 5] });
  const cases: [string, Change, string][] = [
    [
      'a tag used twice, in other letters',
      { kind: 'editPoint', id: 'px-2', patch: { tag: 'px-1' } },
      'job.tag-used-already-choose tag=px-1',
    ],
    [
      'a channel used twice',
      additionOf({ tag: 'PX-3', at: ['m', 0] }),
      'job.taken-needs-free-channel label=M channel 0 names=PX-1 names2=PX-3',
    ],
    [
      'a channel that is not there',
      additionOf({ tag: 'PX-3', at: ['m', 8] }),
      'job.has-no-channel module=M channel=8',
    ],
    ['a module that is not there', additionOf({ tag: 'PX-3', at: ['x', 0] }), 'job.module-job-choose'],
    [
      'an unknown device type',
      additionOf({ tag: 'PX-3', typeId: 'magic', at: null }),
      'job.kind-device typeId=magic',
    ],
    [
      'an output that the type has not',
      withChosen({ typeId: 'dry-contact' }, { kind: 'pnp', logic: 'no' }),
      'job.output-allowed-2 typeName=Dry contact kind=pnp kinds=contact',
    ],
    [
      'a logic that the type has not',
      withChosen({}, { kind: 'pnp', logic: 'dark' }),
      'job.cannot-be-allowed-2 typeName=Inductive proximity sensor, three-wire logic=dark logics=no+nc',
    ],
    [
      'an unknown module type',
      { kind: 'addModule', module: { id: 'n', tag: 'N', typeId: 'x', firstByte: 9 }, commons: [] },
      'job.kind-module typeId=x',
    ],
    [
      'overlapping addresses',
      { kind: 'addModule', module: { id: 'n', tag: 'N', typeId: BOTH8, firstByte: 0 }, commons: [] },
      'job.use-byte-which-uses module=N area=I byte=0 first=M',
    ],
    [
      'a wire to nowhere',
      { kind: 'moveWire', wireId: 'px-1-b-BK', to: 'm:I99' },
      'job.wire-ends-terminal number=4 terminal=I99 owner=M terminals=I0+I1+I2+I3+I4+I5+I6+I7+COM1',
    ],
    [
      'a wire to an item that is not there',
      { kind: 'moveWire', wireId: 'px-1-b-BK', to: 'zz:1' },
      'job.wire-ends-which-job number=4 item=zz',
    ],
    [
      'a wire onto itself',
      { kind: 'moveWire', wireId: 'px-1-b-BK', to: 'px-1-b:BK' },
      'job.wire-begins-ends-same number=4',
    ],
    [
      'a common that is not there',
      { kind: 'setCommon', moduleId: 'm', common: 'COM2', rail: '+' },
      'job.has-no module=M common=COM2',
    ],
    [
      'a stamp that is not there',
      { kind: 'undoStamp', id: 'x', reason: 'why' },
      'job.job-holds-may-been what=stamp id=x',
    ],
    ['an edit of what is gone', { kind: 'removeModule', id: 'gone' }, 'job.job-holds-may-been'],
  ];
  test.each(cases)('%s', (_, change, message) => {
    const before = JSON.stringify(job);
    expect(refusal(job, change)).toMatch(message);
    expect(JSON.stringify(job)).toBe(before);
  });

  test.each([
    ['an empty tag', { kind: 'editPoint', id: 'px-1', patch: { tag: '  ' } }, 'model.tag-empty-enter-such'],
    ['a supply of 0 V', { kind: 'editSupply', id: 'g1', patch: { volts: 0 } }, 'model.supply-least-10-v'],
    [
      'a negative resistance',
      { kind: 'editSupply', id: 'g1', patch: { internalOhms: -1 } },
      'model.inner-resistance-negative',
    ],
    [
      'a supply without current',
      { kind: 'editSupply', id: 'g1', patch: { limitAmps: 0 } },
      'model.supply-must-able-give',
    ],
    ['an undoing without a reason', { kind: 'undoStamp', id: 'x', reason: ' ' }, 'job.say-why-undone'],
  ])('%s, at the door', (_, change, code) => {
    const parsed = Change.safeParse(change);
    expect(parsed.success).toBe(false);
    expect(nth(sure(parsed.error).issues, 0).message).toBe(code);
  });

  test('a point with stored results stays', () => {
    const result = {
      id: 'r1',
      pointId: 'px-1',
      check: 'away.bit',
      fingerprint: {},
      expected: { seen: false },
      measured: false,
      pass: true,
      difference: 0,
    };
    const proven = applyChange(job, { kind: 'record', results: [result] }, ACTOR);
    expect(proven.results[0]).toMatchObject({ ...result, ...ACTOR });
    expect(refusal(proven, { kind: 'removePoint', id: 'px-1' })).toMatch(
      'job.holds-stored-which-never point=PX-1 kept=1',
    );
  });
});

describe('what is done', () => {
  test('a point put on a channel has its wires in the device’s colours, numbered on', () => {
    const job = jobWith(BOTH8, ['-']);
    expect(job.wires.map(({ number, from, to, colour }) => [number, from, to, colour])).toEqual([
      ['1', 'm:COM1', 'g1:-', 'BU'],
      ['2', 'px-1-b:BN', 'g1:+', 'BN'],
      ['3', 'px-1-b:BU', 'g1:-', 'BU'],
      ['4', 'px-1-b:BK', 'm:I0', 'BK'],
    ]);
  });

  test('moving and taking off a channel', () => {
    const job = jobWith(BOTH8, ['-']);
    const moved = applyChange(
      job,
      { kind: 'assign', pointId: 'px-1', place: { moduleId: 'm', channel: 5 } },
      ACTOR,
    );
    expect(new JobIndex(moved).placeOf(nth(moved.points, 0))).toEqual({ moduleId: 'm', channel: 5 });
    const off = applyChange(moved, { kind: 'assign', pointId: 'px-1', place: null }, ACTOR);
    expect(off.wires).toHaveLength(1);
  });

  test('a common is put, turned and lifted', () => {
    let job = withModule(bareJob(), 'm', BOTH8, [null]);
    for (const rail of ['+', '-', null] as const) {
      job = applyChange(job, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail }, ACTOR);
      expect(new JobIndex(job).railOf('m', 'COM1')?.rail ?? null).toBe(rail);
      expect(job.wires).toHaveLength(rail ? 1 : 0);
    }
  });

  test('another device type with other terminals gets its own wires on the same channel', () => {
    const job = jobWith(BOTH8, ['-']);
    const patch = { typeId: 'limit-switch', output: { logic: 'nc' as const } };
    const next = applyChange(job, { kind: 'editPoint', id: 'px-1', patch }, ACTOR);
    expect(next.wires.filter(({ from }) => from.startsWith('px-1-b')).map(({ from }) => from)).toEqual([
      'px-1-b:1',
      'px-1-b:2',
    ]);
  });

  test('several changes are done together or not at all', () => {
    const job = jobWith(BOTH8, [null]);
    const good: Change = { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '-' };
    const bad: Change = { kind: 'removeWire', wireId: 'none' };
    expect(refusal(job, { kind: 'batch', changes: [good, bad] })).toMatch(
      'job.job-holds-may-been what=wire id=none',
    );
    expect(new JobIndex(job).railOf('m', 'COM1')).toBeUndefined();
  });

  test('removing a module takes its wires along', () => {
    const next = applyChange(jobWith(BOTH8, ['-']), { kind: 'removeModule', id: 'm' }, ACTOR);
    expect(next.wires.map(({ id }) => id)).toEqual(['px-1-b-BN', 'px-1-b-BU']);
  });
});

describe('steps', () => {
  const steps = (job: JobContent) => landSteps(analyse(new JobIndex(job), 'px-1'));
  const stampAll = (job: JobContent): JobContent =>
    steps(job).reduce(
      (j, { key, about }) =>
        applyChange(
          j,
          { kind: 'stamp', stamp: { id: `s-${key}`, pointId: 'px-1', step: key, fingerprint: about() } },
          ACTOR,
        ),
      job,
    );

  test('come in safe order: isolate, supply, power, signal, tug, common, follow', () => {
    expect(steps(jobWith(BOTH8, ['-'])).map(({ key }) => key)).toEqual([
      'isolate',
      'supply',
      'power',
      'signal',
      'tug',
      'common',
      'follow',
    ]);
    const contact = jobWith(BOTH8, ['-'], { typeId: 'dry-contact', output: 'contact' });
    expect(steps(contact).map(({ key }) => key)).not.toContain('power');
  });

  test('a caution stands at each step that can hurt', () => {
    const cautioned = steps(jobWith(BOTH8, ['-'])).filter(({ caution }) => caution);
    expect(cautioned.map(({ key }) => key)).toEqual(['isolate', 'power', 'signal', 'follow']);
  });

  test('a stamp holds until the wiring that it speaks of changes', () => {
    const done = stampAll(jobWith(BOTH8, ['-']));
    expect(stampedSteps(done, 'px-1', steps(done)).every(({ stamp }) => stamp)).toBe(true);
    const moved = applyChange(
      done,
      { kind: 'assign', pointId: 'px-1', place: { moduleId: 'm', channel: 3 } },
      ACTOR,
    );
    const stale = stampedSteps(moved, 'px-1', steps(moved)).filter(({ changed }) => changed.length);
    expect(stale.map(({ step }) => step.key)).toEqual(['signal', 'follow']);
  });

  test('an undone stamp stays with its reason and opens the step', () => {
    const done = stampAll(jobWith(BOTH8, ['-']));
    const undone = applyChange(done, { kind: 'undoStamp', id: 's-tug', reason: 'came loose' }, ACTOR);
    expect(sure(undone.stamps.find(({ id }) => id === 's-tug')).undone).toEqual({
      ...ACTOR,
      reason: 'came loose',
    });
    expect(
      sure(stampedSteps(undone, 'px-1', steps(undone)).find(({ step }) => step.key === 'tug')).stamp,
    ).toBeUndefined();
    expect(refusal(undone, { kind: 'undoStamp', id: 's-tug', reason: 'again' })).toMatch(
      'job.step-undone-already',
    );
  });

  test('a point on no channel has none', () => {
    expect(steps(withPoint(bareJob(), { at: null }))).toEqual([]);
  });
});

test('an edit that names the output that the point is about already leaves its wires alone', () => {
  const job = jobWith(BOTH8, ['-'], { tag: 'PX-1' });
  expect(nth(job.points, 0).outputId).toBeUndefined();
  const named = after(job, { kind: 'editPoint', id: 'px-1', patch: { name: 'Other', outputId: 'output' } });
  expect(named.wires).toEqual(job.wires);
  const four = after(job, { kind: 'editPoint', id: 'px-1', patch: { typeId: 'inductive-4w' } });
  const other = after(four, { kind: 'editPoint', id: 'px-1', patch: { outputId: 'complement' } });
  expect(other.wires).not.toEqual(four.wires);
});

test('a device of another kind keeps the numbers that are on the labels', () => {
  const job = jobWith(BOTH8, ['-'], { tag: 'PX-1' }, { tag: 'PX-2', at: ['m', 1] });
  const labelled = (of: JobContent) =>
    Object.fromEntries(
      of.wires
        .filter(({ from, to }) => `${from} ${to}`.includes('px-1-b:'))
        .map(({ from, to, number }) => [from.startsWith('px-1-b:') ? to : from, number]),
    );
  const before = labelled(job);
  const four = after(job, { kind: 'editPoint', id: 'px-1', patch: { typeId: 'inductive-4w' } });
  expect(labelled(four)).toMatchObject(before);
  const numbers = four.wires.map(({ number }) => number);
  expect(new Set(numbers).size).toBe(numbers.length);
  // As a form says it, which names the output of the new kind.
  const patch = { typeId: 'inductive-4w', outputId: 'output' };
  expect(labelled(after(job, { kind: 'editPoint', id: 'px-1', patch }))).toMatchObject(before);
  const back = after(four, { kind: 'editPoint', id: 'px-1', patch: { typeId: 'inductive-3w' } });
  expect(labelled(back)).toEqual(before);
});

test('two parts with one tag are refused, and so is a part with the tag of a point or a module', () => {
  const job = jobWith(BOTH8, ['-'], { tag: 'PX-1' });
  const part = (id: string, tag: string): Change => ({
    kind: 'addHelper',
    pointId: 'px-1',
    device: { id, tag, typeId: 'relay-1co-24dc' },
    wires: [],
  });
  const one = applyChange(job, part('k1', 'K1'), ACTOR);
  for (const tag of ['K1', 'k1', 'PX-1', 'M', 'G1'])
    expect(refusal(one, part('k2', tag))).toMatch('job.tag-used-already-choose');
  const two = applyChange(one, part('k2', 'K2'), ACTOR);
  expect(refusal(two, { kind: 'editDevice', id: 'k2', patch: { tag: 'K1' } })).toMatch(
    'job.tag-used-already-choose tag=K1 first=K1',
  );
});
