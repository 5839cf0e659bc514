import { nth } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import { isSafeSide } from './ladder.ts';
import type { Action, Ladder, Level } from './ladder.ts';
import { isOn, LadderMachine } from './machine.ts';
import type { LadderEvent, LadderState } from './machine.ts';

/** What is wrong with a ladder, and the events that lead to it; none where it shows without any. */
export interface LadderFinding {
  readonly sentence: Message;
  readonly way: readonly LadderEvent[];
}

/** All states that a ladder can come to, each with the one before it and the event between them. */
interface Reached {
  readonly machine: LadderMachine;
  readonly states: readonly LadderState[];
  readonly wayTo: (state: LadderState, last?: LadderEvent) => LadderEvent[];
  /** Every step that is possible. */
  readonly steps: readonly {
    readonly from: LadderState;
    readonly event: LadderEvent;
    readonly to: LadderState;
  }[];
}

/**
 * Goes through all states and all orders of events of some levels of a ladder by themselves. Levels have no part in each other, so what is asked of one is asked
 * of it alone, and what is asked of two of both together: the same answers, and few states.
 */
function reachedBy(ladder: Ladder, levels: readonly Level[]): Reached {
  const machine = new LadderMachine({ ...ladder, levels });
  const keyOf = ({ zone, fault, starting, bypassed, phases }: LadderState): string =>
    `${zone} ${Number(fault)}${Number(starting)}${Number(bypassed)} ${phases.join()}`;
  const first = machine.first(machine.restZone() ?? 0);
  const known = new Map([[keyOf(first), first]]);
  const before = new Map<LadderState, { state: LadderState; event: LadderEvent }>();
  const states = [first];
  const steps: { from: LadderState; event: LadderEvent; to: LadderState }[] = [];
  for (let at = 0; at < states.length; at++) {
    const from = nth(states, at);
    for (const event of machine.events(from)) {
      const next = machine.after(from, event);
      const key = keyOf(next);
      let to = known.get(key);
      if (!to) {
        known.set(key, (to = next));
        before.set(to, { state: from, event });
        states.push(to);
      }
      steps.push({ from, event, to });
    }
  }
  const wayTo = (state: LadderState, last?: LadderEvent): LadderEvent[] => {
    const way = last ? [last] : [];
    for (let step = before.get(state); step; step = before.get(step.state)) way.unshift(step.event);
    return way;
  };
  return { machine, states, wayTo, steps };
}

/** Widest distance, in the value's unit, by which a limit is missed: from the error budget where it is decided. */
export type BandOf = (limit: number) => number;

/** Checks a ladder whole. @param bandOf ± so much a limit is off by at worst. @returns what is wrong with it; none is right. */
export function checkLadder(ladder: Ladder, bandOf: BandOf): LadderFinding[] {
  const still = (sentence: Message): LadderFinding => ({ sentence, way: [] });
  if (ladder.levels.length === 0) return [still(say('switching.ladder-empty'))];
  const machine = new LadderMachine(ladder);
  const restZone = machine.restZone();
  if (restZone === undefined) return [still(say('switching.ladder-no-rest'))];
  return [
    ...ladder.levels.flatMap((level) => [
      ...levelFindings(ladder, level),
      ...edgeFindings(ladder, level, bandOf),
    ]),
    ...pairsOf(ladder.levels).flatMap((pair) => pairFindings(ladder, pair, bandOf)),
    ...faultFindings(ladder, machine, restZone),
    ...(ladder.bypass.seconds > 0 && !ladder.bypass.shown
      ? [still(say('switching.ladder-bypass-unseen'))]
      : []),
    ...(ladder.bypass.seconds > 0 && !ladder.bypass.ends
      ? [still(say('switching.ladder-bypass-endless'))]
      : []),
  ];
}

const pairsOf = (levels: readonly Level[]): (readonly [Level, Level])[] =>
  levels.flatMap((a, i) => levels.slice(i + 1).map((b) => [a, b] as const));

const SEEN: readonly Action[] = ['show', 'lamp', 'flash', 'sound'];

function levelFindings(ladder: Ladder, level: Level): LadderFinding[] {
  const { name, does, hysteresis, delay, clearedBy } = level;
  const reached = reachedBy(ladder, [level]);
  const { machine, states, steps, wayTo } = reached;
  const found = (sentence: Message, way: LadderEvent[] = []): LadderFinding => ({ sentence, way });
  const byValue = states.some(({ fault, phases }) => !fault && phases[0] === 'acts');
  const has = (state: LadderState, action: Action): boolean => machine.actionsOf(state).has(action);
  const loose = steps.find(
    ({ from, event, to }) =>
      has(from, 'lock') &&
      !has(to, 'lock') &&
      event.is !== 'power' &&
      !(event.is === 'clear' && event.by === 'key'),
  );
  const lost = steps.find(
    ({ from, event, to }) => event.is === 'power' && has(from, 'lock') && !has(to, 'lock'),
  );
  const again = steps.find(
    ({ from, event, to }) =>
      has(from, 'stop') && !has(to, 'stop') && (event.is === 'value' || event.is === 'mended'),
  );
  return [
    ...(does.length === 0 ? [found(say('switching.ladder-does-nothing', { name }))] : []),
    ...(does.length > 0 && !does.some((action) => SEEN.includes(action))
      ? [found(say('switching.ladder-unseen', { name }))]
      : []),
    ...(byValue ? [] : [found(say('switching.ladder-never', { name }))]),
    ...(hysteresis <= 0 && delay <= 0 && clearedBy === 'itself'
      ? [found(say('switching.ladder-chatters', { name }))]
      : []),
    ...noWayOut(reached, name),
    ...(loose ? [found(say('switching.ladder-lock-loose', { name }), wayTo(loose.from, loose.event))] : []),
    ...(lost ? [found(say('switching.ladder-lock-lost', { name }), wayTo(lost.from, lost.event))] : []),
    ...(again ? [found(say('switching.ladder-restarts', { name }), wayTo(again.from, again.event))] : []),
  ];
}

/** A level within the range whose band reaches over its end: at worst the value stops before it is met. */
function edgeFindings({ range }: Ladder, { name, limit, direction }: Level, bandOf: BandOf): LadderFinding[] {
  const band = bandOf(limit);
  const within = direction === 'above' ? limit <= range.high : limit >= range.low;
  const met = direction === 'above' ? limit + band <= range.high : limit - band >= range.low;
  return within && !met ? [{ sentence: say('switching.ladder-at-edge', { name, band }), way: [] }] : [];
}

/** A state from which nothing leads back to where no level stands; a power cut, a fault or a bypass is no way out. */
function noWayOut({ states, steps, wayTo }: Reached, name: string): LadderFinding[] {
  const into = new Map<LadderState, LadderState[]>();
  for (const { from, event, to } of steps)
    if (!['power', 'fault', 'bypass'].includes(event.is)) into.set(to, [...(into.get(to) ?? []), from]);
  const out = new Set(
    states.filter(({ phases }) => phases.every((phase) => !isOn(phase) && phase !== 'waits')),
  );
  const next = [...out];
  for (let state = next.pop(); state; state = next.pop())
    for (const from of into.get(state) ?? [])
      if (!out.has(from)) {
        out.add(from);
        next.push(from);
      }
  const stuck = states.find((state) => !out.has(state));
  return stuck ? [{ sentence: say('switching.ladder-no-way-out', { name }), way: wayTo(stuck) }] : [];
}

/** What an action does besides: a lock stops, and a stop pauses. */
const implied = (does: readonly Action[]): ReadonlySet<Action> =>
  new Set([
    ...does,
    ...(does.includes('lock') ? (['stop', 'pause'] as const) : []),
    ...(does.includes('stop') ? (['pause'] as const) : []),
  ]);

function pairFindings(ladder: Ladder, [a, b]: readonly [Level, Level], bandOf: BandOf): LadderFinding[] {
  const near = Math.abs(a.limit - b.limit);
  const least = bandOf(a.limit) + bandOf(b.limit) + Math.max(a.hysteresis, b.hysteresis);
  const tooNear: LadderFinding[] =
    a.direction === b.direction && near < least
      ? [
          {
            sentence: say('switching.ladder-too-near', { first: a.name, second: b.name, near, least }),
            way: [],
          },
        ]
      : [];
  const hidden = hiddenOf(ladder, a, b);
  return [
    ...tooNear,
    ...(hidden
      ? [
          {
            sentence: say('switching.ladder-hidden', { name: hidden[0].name, by: hidden[1].name }),
            way: [],
          },
        ]
      : []),
  ];
}

/** Of two levels the one that does nothing which the other does not do already whenever it stands, before the other. */
function hiddenOf(ladder: Ladder, a: Level, b: Level): readonly [Level, Level] | undefined {
  const covers = (own: Level, other: Level): boolean => {
    const more = implied(other.does);
    return own.does.length > 0 && own.does.every((action) => more.has(action));
  };
  const [first, second] = [covers(a, b), covers(b, a)];
  if (!first && !second) return undefined;
  const { states } = reachedBy(ladder, [a, b]);
  const only = (own: 0 | 1): boolean =>
    states.every(({ phases }) => !isOn(nth(phases, own)) || isOn(nth(phases, 1 - own)));
  if (first && only(0)) return [a, b];
  return second && only(1) ? [b, a] : undefined;
}

/** What a break or short comes to: always the safe side, from the first moment on. */
function faultFindings(ladder: Ladder, machine: LadderMachine, restZone: number): LadderFinding[] {
  const begin = machine.first(restZone);
  const ready = begin.starting ? machine.after(begin, { is: 'started' }) : begin;
  const isSafe = (state: LadderState): boolean =>
    isSafeSide(ladder.levels, machine.actionsOf(machine.after(state, { is: 'fault' })));
  if (!isSafe(ready)) {
    const way: LadderEvent[] = begin.starting ? [{ is: 'started' }, { is: 'fault' }] : [{ is: 'fault' }];
    return [{ sentence: say('switching.ladder-fault-unsafe'), way }];
  }
  return isSafe(begin) ? [] : [{ sentence: say('switching.ladder-fault-waits'), way: [{ is: 'fault' }] }];
}
