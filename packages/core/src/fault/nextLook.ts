import type { Dictionary } from './dictionary.ts';
import type { Seen, Suspect } from './diagnose.ts';
import { heldState } from './look.ts';
import type { Held, Look, Spot } from './look.ts';
import { isReading, onScale } from './sight.ts';
import type { Sight } from './sight.ts';

/** A look that is worth taking. */
export interface Proposal {
  /** Its place in the dictionary's looks. */
  readonly look: number;
  /** What it is expected to tell, bit, and in how many seconds. */
  readonly bits: number;
  readonly seconds: number;
}

/** From one spot to another, s. */
const WALK = 60;
/** To put the target there or take it away, s. */
const MOVE = 15;

/** To isolate, secure against reclosing and prove dead, s; and to put it back on. */
const ISOLATE = 180;
const RECLOSE = 60;

/** Where one stands, how the target stands, and whether there is power: on where nothing is said. */
export interface Here {
  readonly spot?: Spot;
  readonly state?: Held;
  readonly power?: Look['power'];
}

/** Where one stands after what was seen last. */
export const hereAfter = ({ looks }: Dictionary, seen: readonly Seen[]): Here =>
  hereFrom(seen.flatMap(({ look }) => looks[look] ?? []));

/** Where one stands after looks. */
export const hereFrom = (looks: readonly Look[]): Here =>
  looks.reduce<Here>(
    (here, { spot, state, power }) => ({ spot, state: heldState(state) ?? here.state, power }),
    {},
  );

/** How long a look takes from where one stands, s. */
export function secondsTo(here: Here, look: Look): number {
  const walk = here.spot !== undefined && here.spot !== look.spot ? WALK : 0;
  const held = heldState(look.state);
  const move = here.state !== undefined && held !== undefined && here.state !== held ? MOVE : 0;
  return look.seconds + walk + move + switched(here.power, look.power);
}

const switched = (now: Look['power'] = 'on', wanted: Look['power']): number =>
  now === wanted ? 0 : wanted === 'off' ? ISOLATE : RECLOSE;

/** Looks at which leads could come upon a voltage that is not harmless, with whatever fault: they are never proposed. */
const hazardous = (dictionary: Dictionary, look: number): boolean => {
  const own = dictionary.looks[look];
  if (own?.kind !== 'milliamps') return straysAt(dictionary, look);
  // Where a wire is opened leads stand as they do for volts.
  return dictionary.looks.some(
    (other, i) =>
      other.kind === 'volts' &&
      [other.red, other.black].some((ref) => ref === own.red || ref === own.black) &&
      straysAt(dictionary, i),
  );
};

const straysAt = ({ rows, harmless }: Dictionary, look: number): boolean =>
  rows.some(({ sights }) => {
    const sight = sights[look];
    return sight?.kind === 'volts' && Math.max(Math.abs(sight.min), Math.abs(sight.max)) > harmless;
  });

/** Where a look divides the suspects: of each reading the share that is left of it, and how much of that is one suspect's. */
interface Outcome {
  readonly share: number;
  readonly own: number;
}

function outcomes(found: readonly Suspect[], look: number, one?: Suspect): Outcome[] {
  const sights = found.flatMap((suspect) =>
    suspect.rows.flatMap(({ sights }): (Outcome & { sight: Sight })[] => {
      const sight = sights[look];
      const share = suspect.share / suspect.rows.length;
      return sight ? [{ sight, share, own: suspect === one ? share : 0 }] : [];
    }),
  );
  const readings = sights
    .flatMap(({ sight, ...shares }) => {
      if (!isReading(sight)) return [];
      const { middle, scale } = onScale(sight);
      return [{ at: middle, apart: scale.apart, ...shares }];
    })
    .sort((a, b) => a.at - b.at);
  const classes: Outcome[] = [];
  let last = -Infinity;
  for (const { at, apart, ...shares } of readings) {
    if (at - last > apart) classes.push(shares);
    else classes.push(sum([classes.pop() ?? NONE, shares]));
    last = at;
  }
  const either = sum(sights.filter(({ sight }) => sight.kind === 'either'));
  for (const kind of ['on', 'off'] as const) {
    const { share, own } = sum(sights.filter(({ sight }) => sight.kind === kind));
    if (share + either.share > 0)
      classes.push({ share: share + either.share / 2, own: own + either.own / 2 });
  }
  return classes;
}

const NONE: Outcome = { share: 0, own: 0 };

const sum = (parts: readonly Outcome[]): Outcome =>
  parts.reduce((all, { share, own }) => ({ share: all.share + share, own: all.own + own }), NONE);

/** What is not known yet of several shares, bit. */
export const entropy = (shares: readonly number[]): number =>
  shares.reduce((bits, share) => (share > 0 ? bits - share * Math.log2(share) : bits), 0);

/**
 * Looks by what they tell for their time, the best first. What was looked at already tells nothing more; what tells
 * hardly anything is left out.
 * @param here where one stands, how the target stands, and whether there is power.
 */
export function nextLooks(
  dictionary: Dictionary,
  found: readonly Suspect[],
  seen: readonly Seen[],
  here: Here = {},
): Proposal[] {
  const done = new Set(seen.map(({ look }) => look));
  return dictionary.looks
    .flatMap((look, i): Proposal[] => {
      if (done.has(i) || hazardous(dictionary, i)) return [];
      const bits = entropy(outcomes(found, i).map(({ share }) => share));
      if (bits < 0.01) return [];
      return [{ look: i, bits, seconds: secondsTo(here, look) }];
    })
    .sort((a, b) => b.bits / b.seconds - a.bits / a.seconds);
}

/**
 * The look that would confirm one suspect or clear it: which tells most for its time of whether it is that one, taken
 * as likely as all others together. Nothing where none does.
 */
export function confirmingLook(
  dictionary: Dictionary,
  found: readonly Suspect[],
  suspect: Suspect,
  seen: readonly Seen[],
  here: Here = {},
): Proposal | undefined {
  const rest = 1 - suspect.share;
  const even = found.map((one) => ({
    ...one,
    share: one.rows === suspect.rows ? 0.5 : rest > 0 ? (0.5 * one.share) / rest : 0,
  }));
  const own = even.find(({ rows }) => rows === suspect.rows);
  const done = new Set(seen.map(({ look }) => look));
  let best: Proposal | undefined;
  for (const [i, look] of dictionary.looks.entries()) {
    if (done.has(i) || hazardous(dictionary, i)) continue;
    const bits = outcomes(even, i, own).reduce(
      (all, { share, own }) => all + share * (1 - doubt(own, share)),
      0,
    );
    const seconds = secondsTo(here, look);
    if (bits > 0.05 && (!best || bits / seconds > best.bits / best.seconds))
      best = { look: i, bits, seconds };
  }
  return best;
}

/** How open it still is, of a share, whether it is the own part of it, bit. */
const doubt = (own: number, share: number): number =>
  share > 0 ? entropy([own / share, 1 - own / share]) : 0;
