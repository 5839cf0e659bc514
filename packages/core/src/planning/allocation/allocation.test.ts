import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { textOf } from '../../messages/index.ts';
import { said } from '../../../test/said.ts';
import fc from 'fast-check';
import { after, withModule, withPoint, bareJob } from '../../../test/jobs.ts';
import type { JobContent } from '../../model/collections.ts';
import { statusIn } from '../../verdict/judge.ts';
import { allocate } from './allocate.ts';
import { findConflict } from './conflict.ts';
import { allocationChange, helpfulChanges, problemOf } from './fromJob.ts';
import type { Allocation, AllocationProblem, Applicant, CommonRail, Group } from './problem.ts';
import type { IntegerSolver } from './program.ts';
import { integerSolver } from '../../../test/integerSolver.ts';

// One seed, so that every run tries the same cases; change it to look further.
fc.configureGlobal({ seed: 20261125, endOnFailure: true });

let solver: IntegerSolver;
beforeAll(async () => {
  solver = await integerSolver();
});

const allocated = (p: AllocationProblem, helpful?: Parameters<typeof allocate>[2]): Allocation =>
  allocate(p, solver, helpful);

/** P needs minus, N needs plus, F takes either; S-kind groups can only sit on minus for any of them. */
const fits: AllocationProblem['fits'] = (key, kind, rail) =>
  (key === 'F' || key === (rail === '-' ? 'P' : 'N')) && !(kind === 'S' && rail === '+');

const applicant = (n: number, key: string, pinned?: Applicant['pinned']): Applicant => ({
  id: `d${n}`,
  tag: `D${n}`,
  words: key,
  key,
  area: n % 2 ? 'odd' : 'even',
  ...(pinned && { pinned }),
});

function groupsOf(modules: readonly (readonly [kind: string, size: number][])[]): Group[] {
  return modules.flatMap((groups, m) =>
    groups.map(([kind, size], g) => ({
      id: `m${m}:COM${g + 1}`,
      moduleId: `m${m}`,
      moduleTag: `M${m}`,
      common: `COM${g + 1}`,
      channels: Array.from({ length: size }, (_, c) => g * 10 + c),
      spare: 0,
      rails: ['-', '+'] as const,
      kind,
    })),
  );
}

/** Tries every rail of every group and every place of every device. @returns fewest modules, then fewest commons. */
function exhaustive({ applicants, groups, fits: ok }: AllocationProblem): [number, number] | undefined {
  let best: [number, number] | undefined;
  const rails: (CommonRail | undefined)[] = groups.map(() => undefined);
  const placeAll = (n: number, room: number[]): boolean => {
    if (n === applicants.length) return true;
    const { key, pinned } = nth(applicants, n);
    return groups.some((group, g) => {
      const rail = rails[g];
      if (!rail || nth(room, g) === 0 || !ok(key, group.kind, rail)) return false;
      if (pinned && pinned.groupId !== group.id) return false;
      room[g] = nth(room, g) - 1;
      const done = placeAll(n + 1, room);
      room[g] = nth(room, g) + 1;
      return done;
    });
  };
  const from = (g: number): void => {
    if (g < groups.length) {
      for (const rail of [undefined, ...nth(groups, g).rails]) {
        rails[g] = rail;
        from(g + 1);
      }
      return;
    }
    const used = groups.filter((_, k) => rails[k]);
    const score: [number, number] = [new Set(used.map(({ moduleId }) => moduleId)).size, used.length];
    if (best && (score[0] > best[0] || (score[0] === best[0] && score[1] >= best[1]))) return;
    if (
      placeAll(
        0,
        groups.map(({ channels }) => channels.length),
      )
    )
      best = score;
  };
  from(0);
  return best;
}

const problem = fc
  .record({
    keys: fc.array(fc.constantFrom('P', 'N', 'F'), { minLength: 1, maxLength: 6 }),
    modules: fc.array(
      fc.array(fc.tuple(fc.constantFrom('B', 'S'), fc.integer({ min: 1, max: 3 })), {
        minLength: 1,
        maxLength: 2,
      }),
      { minLength: 1, maxLength: 3 },
    ),
    pin: fc.boolean(),
  })
  .map(({ keys, modules, pin }): AllocationProblem => {
    const groups = groupsOf(modules);
    const at = pin ? { groupId: nth(groups, 0).id, channel: nth(nth(groups, 0).channels, 0) } : undefined;
    return { applicants: keys.map((key, n) => applicant(n, key, n === 0 ? at : undefined)), groups, fits };
  });

test('200 random small cases are as good as an exhaustive search, and every place suits', () => {
  fc.assert(
    fc.property(problem, (p) => {
      const truth = exhaustive(p);
      const found = allocated(p);
      if (!truth) {
        expect(found.kind).toBe('impossible');
        return;
      }
      expect(found.kind).toBe('allocated');
      if (found.kind !== 'allocated') return;
      expect([found.modules, found.commons]).toEqual(truth);
      expect(found.exact).toBe(true);
      expect(found.placements.map(({ applicant: a }) => a.id).sort()).toEqual(
        p.applicants.map(({ id }) => id).sort(),
      );
      const channels = found.placements.map(({ group, channel }) => `${group.id} ${channel}`);
      expect(new Set(channels).size).toBe(channels.length);
      for (const { applicant: a, group, rail, channel } of found.placements) {
        expect(fits(a.key, group.kind, rail)).toBe(true);
        expect(group.channels).toContain(channel);
        if (a.pinned) expect([group.id, channel]).toEqual([a.pinned.groupId, a.pinned.channel]);
      }
    }),
    { numRuns: 200 },
  );
});

test('what is named in conflict cannot be placed, and any part of it can', () => {
  fc.assert(
    fc.property(problem, (p) => {
      const found = allocated(p);
      if (found.kind !== 'impossible') return;
      const { conflict, isSmallest } = found;
      expect(isSmallest).toBe(true);
      expect(exhaustive({ ...p, applicants: conflict })).toBeUndefined();
      for (const one of conflict)
        expect(exhaustive({ ...p, applicants: conflict.filter((a) => a !== one) })).toBeDefined();
    }),
    { numRuns: 120 },
  );
});

describe('in the time allowed', () => {
  const panel = groupsOf([[['B', 2]]]);
  const three = { applicants: [0, 1, 2].map((n) => applicant(n, 'P')), groups: panel, fits };

  test('a conflict of which not all was told is not called the smallest', () => {
    const told = findConflict(three, ({ applicants }) => (applicants.length > 2 ? 'no' : 'yes'));
    expect([told.devices.length, told.isSmallest]).toEqual([3, true]);
    const untold = findConflict(three, ({ applicants }) => (applicants.length > 2 ? 'no' : 'unknown'));
    expect([untold.devices.length, untold.isSmallest]).toEqual([3, false]);
  });

  const late =
    (Columns: ReturnType<IntegerSolver>['Columns']): IntegerSolver =>
    () => ({ Status: 'Time limit reached', Columns });
  const two = { ...three, applicants: three.applicants.slice(0, 2) };

  test('circuits that are slow to solve take no time from the solver: ways out are found all the same', () => {
    const slowly: AllocationProblem['fits'] = (...asked) => {
      for (const end = performance.now() + 60; performance.now() < end;);
      return fits(...asked);
    };
    const more = {
      sentence: () => say('planning.new-module'),
      apply: (p: AllocationProblem) => ({
        ...p,
        groups: [...panel, ...groupsOf([[['B', 4]], [['B', 4]]]).slice(1)],
      }),
    };
    const found = allocate({ ...three, fits: slowly }, solver, [more]);
    expect(found).toMatchObject({
      kind: 'impossible',
      isSmallest: true,
      remedies: [say('planning.new-module')],
    });
  });

  test('neither places nor a proof is neither possible nor impossible', () => {
    expect(allocate(two, late({}))).toEqual({ kind: 'undecided' });
  });

  test('what was found until then is taken where it holds, and not called proven', () => {
    const held = { M0: { Primal: 1 }, G0m: { Primal: 1 } };
    expect(allocate(two, late(held))).toMatchObject({ kind: 'allocated', modules: 1, exact: false });
    expect(allocate(two, late({ ...held, G0m: { Primal: 0 } }))).toEqual({ kind: 'undecided' });
    expect(allocate(two, late({ ...held, M0: { Primal: 0 } }))).toEqual({ kind: 'undecided' });
  });
});

test('a thousand devices stand on the fewest modules that could hold them', () => {
  const applicants = Array.from({ length: 1000 }, (_, n) => applicant(n, sure('PPPNFPNP'[n % 8])));
  const groups = groupsOf(
    Array.from({ length: 80 }, () =>
      [['B', 8] as const, ['B', 8] as const].map((g) => [...g] as [string, number]),
    ),
  );
  const found = allocated({ applicants, groups, fits });
  expect(found).toMatchObject({ kind: 'allocated', modules: 63, exact: true, commons: 125 });
});

test('spare channels stay free', () => {
  const groups = groupsOf([[['B', 4]], [['B', 4]]]).map((group) => ({ ...group, spare: 1 }));
  const found = allocated({ applicants: [0, 1, 2, 3].map((n) => applicant(n, 'P')), groups, fits });
  expect(found).toMatchObject({ kind: 'allocated', modules: 2 });
});

describe('of a job', () => {
  const job = (): JobContent => {
    let next = withModule(
      withModule(bareJob(), 'a', 'di8-both-4-4', [null, null]),
      'b',
      'di8-both-8',
      [null],
      4,
    );
    for (const [n, output] of (['pnp', 'npn', 'pnp', 'npn', 'pushpull'] as const).entries())
      next = withPoint(next, { tag: `PX-${n}`, output, at: null });
    return withPoint(next, { tag: 'LS-9', typeId: 'dry-contact', output: 'contact', at: null });
  };

  test('the outcome is a change, and after it every point works', () => {
    const start = job();
    const found = allocated(problemOf(start, { pinned: new Set(), spareShare: 0 }));
    if (found.kind !== 'allocated') throw new Error('It should be possible.');
    expect([found.modules, found.commons]).toEqual([1, 2]);
    const done = after(start, sure(allocationChange(start, found)));
    for (const { id } of start.points) expect(statusIn(done, id)).toBe('works');
    expect(found.placements.every(({ sentence, applicant: a }) => textOf(sentence).startsWith(a.tag))).toBe(
      true,
    );
    const again = allocated(problemOf(done, { pinned: new Set(), spareShare: 0 }));
    expect(again.kind === 'allocated' && allocationChange(done, again)).toBeUndefined();
  });

  test('a leaking two-wire sensor is not put where it would hold the input', () => {
    const start = withPoint(
      withModule(withModule(bareJob(), 'a', 'di16-both-16', ['-']), 'b', 'di8-sink-8', ['-'], 4),
      { typeId: 'float-2w-dc', output: 'twowire', at: null },
    );
    const found = allocated(problemOf(start, { pinned: new Set(), spareShare: 0 }));
    expect(found.kind).toBe('impossible');
  });

  test('the impossible names the devices in conflict, and ways out that were tried', () => {
    let start = withModule(bareJob(), 'a', 'di8-both-8', ['-']);
    for (const [n, output] of (['pnp', 'npn', 'pnp'] as const).entries())
      start = withPoint(start, { tag: `PX-${n}`, output, at: null });
    const found = allocated(problemOf(start, { pinned: new Set(), spareShare: 0 }), helpfulChanges(start));
    if (found.kind !== 'impossible') throw new Error('It should be impossible.');
    expect(found.conflict.map(({ words }) => words).sort()).toEqual(['NPN', 'PNP']);
    expect(found.remedies.map(said)).toEqual([
      'planning.add-another moduleName=8-channel DC input, sink or source, selectable, one common',
      expect.stringMatching('planning.put-interposing-relay-behind conflict=PX-1'),
    ]);
  });

  test('pinned points stay, and pins that stop everything are named', () => {
    let start = withModule(bareJob(), 'a', 'di8-both-4-4', ['-', null]);
    start = withPoint(start, { tag: 'PX-0', output: 'pnp', at: ['a', 0] });
    start = withPoint(start, { tag: 'PX-1', output: 'npn', at: ['a', 1] });
    const pinned = new Set(['px-0', 'px-1']);
    const found = allocated(problemOf(start, { pinned, spareShare: 0 }), helpfulChanges(start));
    expect(found).toMatchObject({
      kind: 'impossible',
      remedies: expect.arrayContaining([say('planning.let-move-where-pinned', { pins: ['PX-0', 'PX-1'] })]),
    });
    const one = allocated(problemOf(start, { pinned: new Set(['px-0']), spareShare: 0 }));
    expect(
      one.kind === 'allocated' && sure(one.placements.find(({ applicant: a }) => a.id === 'px-0')).channel,
    ).toBe(0);
  });
});

test('what can stay stays: a panel that is as small as can be is left as it is', () => {
  const group = (id: string, now: '-' | '+') =>
    ({
      id: `m:${id}`,
      moduleId: 'm',
      moduleTag: 'M',
      common: id,
      channels: [0, 1, 2, 3].map((n) => n + (id === 'COM2' ? 4 : 0)),
      spare: 0,
      now,
      rails: ['-', '+'],
      kind: id,
    }) as const;
  const applicant = (id: string, key: string, groupId: string, channel: number) => ({
    id,
    tag: id,
    words: key,
    key,
    area: '',
    current: { groupId, channel },
  });
  const problem: AllocationProblem = {
    groups: [group('COM1', '+'), group('COM2', '-')],
    applicants: [
      applicant('a', 'npn', 'm:COM1', 3),
      applicant('b', 'pnp', 'm:COM2', 6),
      applicant('c', 'pnp', 'm:COM2', 4),
      applicant('d', 'npn', 'm:COM2', 5),
    ],
    fits: (key, _, rail) => (key === 'pnp') === (rail === '-'),
  };
  const outcome = allocated(problem);
  if (outcome.kind !== 'allocated') throw new Error('impossible');
  const at = Object.fromEntries(outcome.placements.map(({ applicant: { id }, channel }) => [id, channel]));
  expect(at).toEqual({ a: 3, b: 6, c: 4, d: 0 });
  expect(said(sure(outcome.placements.find(({ applicant: { id } }) => id === 'b')).sentence)).toMatch(
    'planning.placed',
  );
});

test('what is wired to a drive or another controller is not moved to the inputs', () => {
  let job = withModule(bareJob(), 'm', 'di8-both-8', ['-']);
  job = withModule(job, 'drv', 'drive', ['-', '-', '-'], 40);
  job = withPoint(job, { tag: 'PX-1', at: ['m', 0] });
  job = withPoint(job, { tag: 'XS-2', at: ['drv', 1] });
  job = withPoint(job, { tag: 'PX-3', at: null });
  const { applicants } = problemOf(job, { pinned: new Set(), spareShare: 0 });
  expect(applicants.map(({ tag }) => tag)).toEqual(['PX-1', 'PX-3']);
  const left = problemOf(job, { pinned: new Set(), left: new Set(['px-1']), spareShare: 0 });
  expect(nth(left.groups, 0).channels).not.toContain(0);
});
