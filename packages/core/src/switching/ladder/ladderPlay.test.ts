import fc from 'fast-check';
import { nth, sure } from '../../lists/index.ts';
import type { Signal } from '../signal.ts';
import type { Ladder, Level } from './ladder.ts';
import { playLadder } from './ladderPlay.ts';
import type { LadderAct, LadderFrame } from './ladderPlay.ts';
import { LadderRun } from './ladderRun.ts';
import { isOn, LadderMachine } from './machine.ts';
import type { LadderState } from './machine.ts';

const PAUSE: Level = {
  id: 'a',
  name: 'Pause',
  limit: 20,
  direction: 'above',
  hysteresis: 2,
  delay: 10,
  does: ['show', 'flash', 'pause'],
  rhythm: { lit: 0.5, dark: 1 },
  clearedBy: 'operator',
  onFault: 'acts',
  keptOverPowerCut: true,
};
const STOP: Level = {
  ...PAUSE,
  id: 'b',
  name: 'Stop',
  limit: 40,
  delay: 0,
  does: ['show', 'lock'],
  clearedBy: 'key',
};
const LADDER: Ladder = {
  levels: [PAUSE, STOP],
  range: { low: 0, high: 100 },
  startUp: 5,
  faultsWaitToo: false,
  bypass: { seconds: 30, ends: true, shown: true },
};
const RAMP: Signal = { at: [0, 50, 100], values: [0, 50, 0] };

/** When levels of a ladder begin and end to stand. */
const turns = (ladder: Ladder, signal: Signal, acts: LadderAct[] = []): string[] => {
  const frames = playLadder(ladder, signal, acts);
  return frames.flatMap(({ at, levels }, n) =>
    levels.flatMap(({ on }, i) =>
      on === (frames[n - 1]?.levels[i]?.on ?? false)
        ? []
        : [`${at} ${nth(ladder.levels, i).name} ${on ? 'on' : 'off'}`],
    ),
  );
};

test('a rise and a fall: the delay counts from the limit, the lock stays until its key', () => {
  expect(turns(LADDER, RAMP)).toEqual(['30 Pause on', '40 Stop on']);
  expect(
    turns(LADDER, RAMP, [
      { at: 70, is: 'operator' },
      { at: 85, is: 'operator' },
      { at: 90, is: 'key' },
    ]),
  ).toEqual(['30 Pause on', '40 Stop on', '85 Pause off', '90 Stop off']);
});

test('within the hysteresis nobody clears it, and at its end it is called for no more', () => {
  const frames = playLadder(LADDER, RAMP, [{ at: 81.5, is: 'operator' }]);
  expect(frames.find(({ at, levels }) => at > 50 && !levels[0]?.called)?.at).toBe(82);
});

test('a bypass passes over all but the lock, and ends by itself', () => {
  const run = new LadderRun({ ...LADDER, startUp: 0 });
  run.step(0, { value: 50, fault: false });
  run.step(10_000, { value: 50, bypass: 'on' });
  expect([run.acts(0), run.acts(1), run.bypassed]).toEqual([false, true, true]);
  expect(run.nextEnd()).toBe(40_000);
  run.step(40_000, { value: 50 });
  expect([run.acts(0), run.bypassed]).toEqual([true, false]);
});

test('a lamp flashes in its rhythm from the moment on at which its level stands', () => {
  const run = new LadderRun({ ...LADDER, startUp: 0, levels: [{ ...PAUSE, delay: 0 }] });
  const lit: boolean[] = [];
  for (let at = 0; at < 6000; at += 250) {
    run.step(at, { value: 30 });
    lit.push(run.isLit(0));
  }
  expect(lit).toEqual(Array.from({ length: 24 }, (_, n) => n % 6 < 2));
});

test('a power cut begins the start again; what is kept stands, what is not is gone', () => {
  const ladder = { ...LADDER, levels: [{ ...PAUSE, keptOverPowerCut: false }, STOP] };
  expect(turns(ladder, { at: [0, 50, 51, 200], values: [0, 50, 0, 0] }, [{ at: 60, is: 'power' }])).toEqual([
    '30 Pause on',
    '40 Stop on',
    '60 Pause off',
  ]);
});

const anyLevel = fc
  .record({
    limit: fc.integer({ min: 1, max: 99 }),
    direction: fc.constantFrom('above', 'below'),
    hysteresis: fc.constantFrom(0, 1, 7.5),
    delay: fc.constantFrom(0, 0.5, 3),
    clearedBy: fc.constantFrom('itself', 'anyone', 'operator', 'key'),
    onFault: fc.constantFrom('acts', 'rests', 'holds'),
    keptOverPowerCut: fc.boolean(),
    locks: fc.boolean(),
  })
  .map(
    ({ locks, ...level }): Level =>
      ({
        ...level,
        id: 'x',
        name: 'X',
        does: locks ? ['show', 'lock'] : ['show'],
      }) as Level,
  );

const anyLadder = fc
  .record({
    levels: fc.array(anyLevel, { minLength: 1, maxLength: 3 }),
    startUp: fc.constantFrom(0, 2),
    faultsWaitToo: fc.boolean(),
    seconds: fc.constantFrom(0, 4),
    ends: fc.boolean(),
  })
  .map(({ levels, startUp, faultsWaitToo, seconds, ends }): Ladder => ({
    levels: levels.map((level, i) => ({ ...level, id: String(i) })),
    range: { low: 0, high: 100 },
    startUp,
    faultsWaitToo,
    bypass: { seconds, ends, shown: true },
  }));

const anySignal = fc
  .record({
    values: fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 14 }),
    faultAt: fc.integer({ min: 0, max: 30 }),
    faultFor: fc.integer({ min: 0, max: 6 }),
  })
  .map(({ values, faultAt, faultFor }): Signal => ({
    at: values.map((_, n) => n * 2.5),
    values,
    ...(faultFor > 0 && { faults: [{ from: faultAt, to: faultAt + faultFor, is: 'break' as const }] }),
  }));

const anyActs = fc
  .array(
    fc.record({
      at: fc.integer({ min: 0, max: 300 }).map((n) => n / 10),
      is: fc.constantFrom<LadderAct['is']>('anyone', 'operator', 'key', 'power', 'bypass', 'bypassOff'),
    }),
    { maxLength: 5 },
  )
  .map((acts) => acts.sort((a, b) => a.at - b.at));

const STEP = 0.01;

/** The same in fine steps, written from the words of a ladder and from nothing of its code. */
function finely(
  { levels, startUp, faultsWaitToo, bypass }: Ladder,
  signal: Signal,
  acts: readonly LadderAct[],
) {
  const rank = ['itself', 'anyone', 'operator', 'key'];
  const end = sure(Array.from(signal.at).at(-1));
  const on = levels.map(() => false);
  const called = levels.map(() => false);
  const waited = levels.map(() => 0);
  const course: boolean[][] = [];
  let [began, passing, next] = [0, NaN, 0];
  for (let n = 0; n * STEP < end - 1e-9; n++) {
    const t = n * STEP;
    const k = Math.min(Math.floor((t + 1e-9) / 2.5), signal.values.length - 2);
    const part = (t - k * 2.5) / 2.5;
    const value = sure(signal.values[k]) * (1 - part) + sure(signal.values[k + 1]) * part;
    const fault = (signal.faults ?? []).some(({ from, to }) => from <= t + 1e-9 && t + 1e-9 < to);
    const now: LadderAct['is'][] = [];
    while (next < acts.length && nth(acts, next).at <= t + 1e-9) now.push(nth(acts, next++).is);
    if (now.includes('power')) {
      began = t;
      passing = NaN;
      levels.forEach((level, i) => {
        on[i] = nth(on, i) && level.keptOverPowerCut;
        called[i] = false;
      });
    }
    const starting = t - began < startUp - 1e-9;
    if (now.includes('bypass') && bypass.seconds > 0 && Number.isNaN(passing)) passing = t;
    if (now.includes('bypassOff') || (bypass.ends && t - passing >= bypass.seconds - 1e-9)) passing = NaN;
    levels.forEach((level, i) => {
      const was = called[i];
      const over = level.direction === 'above' ? value - level.limit : level.limit - value;
      const beyond = over >= -1e-9 || (was === true && over > 1e-9 - level.hysteresis);
      if (fault && !(starting && faultsWaitToo))
        called[i] = level.onFault === 'holds' ? was === true : level.onFault === 'acts';
      else called[i] = beyond && !fault && !starting;
      waited[i] = called[i] && was ? nth(waited, i) + STEP : 0;
      const forced = fault && level.onFault === 'acts' && !(starting && faultsWaitToo);
      if (called[i] && (forced || nth(waited, i) >= level.delay - 1e-9)) on[i] = true;
      const cleared = now.some(
        (act) => rank.indexOf(act) > 0 && rank.indexOf(act) >= rank.indexOf(level.clearedBy),
      );
      if (!called[i] && (level.clearedBy === 'itself' || cleared)) on[i] = false;
    });
    course.push([...on]);
  }
  return course;
}

/** Moments at which both differ; within two steps of any turn both may be right. */
function differing(frames: readonly LadderFrame[], course: readonly boolean[][]): number[] {
  let k = 0;
  return course.flatMap((fine, n) => {
    const t = n * STEP;
    while (nth(frames, Math.min(k + 1, frames.length - 1)).at <= t && k + 1 < frames.length) k++;
    const frame = nth(frames, k);
    if (t - frame.at < 2.5 * STEP || (frames[k + 1]?.at ?? Infinity) - t < 2.5 * STEP) return [];
    return fine.every((on, i) => on === frame.levels[i]?.on) ? [] : [t];
  });
}

test('over any ladder, signal and acts the exact answer is that of fine steps, within a step', () => {
  fc.assert(
    fc.property(anyLadder, anySignal, (ladder, signal) => {
      const frames = playLadder(ladder, signal);
      expect(differing(frames, finely(ladder, signal, []))).toEqual([]);
    }),
    { numRuns: 200, seed: 11 },
  );
});

test('with acts as well, where none of them falls on a turn', () => {
  fc.assert(
    fc.property(anyLadder, anySignal, anyActs, (ladder, signal, acts) => {
      const frames = playLadder(ladder, signal, acts);
      const crossed = frames.filter(({ act }) => !act).map(({ at }) => at);
      fc.pre(acts.every((act) => crossed.every((at) => at === act.at || Math.abs(at - act.at) > 3 * STEP)));
      fc.pre(acts.every((act, i) => acts.every((other, k) => i === k || Math.abs(act.at - other.at) > STEP)));
      fc.pre(acts.every(({ at }) => crossed.every((turn) => turn !== at)));
      expect(differing(frames, finely(ladder, signal, acts))).toEqual([]);
    }),
    { numRuns: 200, seed: 12 },
  );
});

/** All states to which events without a value's moment lead from some. */
function after(machine: LadderMachine, states: readonly LadderState[]): LadderState[] {
  const key = (state: LadderState): string => JSON.stringify(state);
  const known = new Map(states.map((state) => [key(state), state]));
  for (const state of known.values())
    for (const event of machine.events(state)) {
      const next = machine.after(state, event);
      known.set(key(next), next);
    }
  return [...known.values()];
}

test('every way that a played ladder stands is a state that the whole check goes through', () => {
  fc.assert(
    fc.property(anyLevel, anySignal, anyActs, (level, signal, acts) => {
      const ladder = { ...LADDER, levels: [level] };
      const machine = new LadderMachine(ladder);
      const rest = machine.restZone();
      fc.pre(rest !== undefined);
      const all = after(machine, [machine.first(sure(rest))]);
      const seen = new Set(
        all.map(({ fault, starting, bypassed, phases }) =>
          [
            fault,
            starting,
            bypassed,
            isOn(nth(phases, 0)),
            phases[0] === 'waits' || phases[0] === 'acts',
          ].join(),
        ),
      );
      for (const { fault, starting, bypassed, levels } of playLadder(ladder, signal, acts)) {
        const { on, called } = nth(levels, 0);
        expect(seen).toContain([fault, starting, bypassed, on, called].join());
      }
    }),
    { numRuns: 300, seed: 13 },
  );
});
