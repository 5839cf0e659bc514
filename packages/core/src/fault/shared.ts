import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { feedersOf } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import type { BusPlan } from '../model/index.ts';
import { contextOf } from '../network/index.ts';
import { WEIGHT } from './pointFault.ts';
import type { Likelihood } from './pointFault.ts';

/** Something that several points hang on. */
export interface SharedPart {
  readonly id: string;
  readonly what: Message;
  readonly likely: Likelihood;
  /** The points that hang on it, by their ids. */
  readonly points: ReadonlySet<string>;
}

export interface SharedSuspect extends SharedPart {
  /** How likely it is what is broken, 0 to 1; what is left is several things at once. */
  readonly share: number;
}

interface SharedFinding {
  /** What the points that fail have in common, the likeliest first. */
  readonly suspects: readonly SharedSuspect[];
  /** How likely it is that it is not one thing. */
  readonly apart: number;
  /** The point to be looked at next: which tells most of the suspects; nothing where none tells them apart. */
  readonly next: string | undefined;
}

/** How a point that was looked at does. */
export type Does = 'fails' | 'works';

/** So often a point fails by itself, and works though what it hangs on is broken, or is said to. */
const BY_ITSELF = 0.02;
const ALL_THE_SAME = 0.05;
/** So often nobody says anything of a point that fails. */
const UNSAID = 0.7;

/** Everything that two points or more hang on. */
export function sharedParts(index: JobIndex): SharedPart[] {
  const parts = new Map<string, { part: Omit<SharedPart, 'points'>; points: Set<string> }>();
  const hang = (pointId: string, id: string, likely: Likelihood, what: () => Message): void => {
    const known = parts.get(id) ?? { part: { id, likely, what: what() }, points: new Set<string>() };
    known.points.add(pointId);
    parts.set(id, known);
  };
  for (const { id } of index.job.points) {
    const { ports, supply, scope, device, helpers } = contextOf(index, id);
    if (scope.wires.length > 0)
      for (const one of [supply, ...feedersOf(index.job.supplies, supply)])
        hang(id, `supply:${one.id}`, 'often', () => say('fault.shared-supply', { supply: one.tag }));
    for (const { module, port } of ports) {
      hang(id, `module:${module.id}`, 'seldom', () => say('fault.shared-module', { module: module.tag }));
      if ('common' in port && port.common)
        hang(id, `common:${module.id}:${port.common}`, 'usual', () =>
          say('fault.shared-common', { module: module.tag, common: String(port.common) }),
        );
    }
    for (const { cable } of scope.wires)
      if (cable) hang(id, `cable:${cable}`, 'usual', () => say('fault.shared-cable', { cable }));
    const own = new Set([device.id, ...helpers.map((helper) => helper.id)]);
    for (const plan of index.job.plans)
      if (itemsOn(plan).some((item) => own.has(item)))
        hang(id, `plan:${plan.id}`, 'usual', () => say('fault.shared-plan', { plan: plan.tag }));
  }
  return [...parts.values()]
    .filter(({ points }) => points.size > 1)
    .map(({ part, points }) => ({ ...part, points }));
}

const itemsOn = (plan: BusPlan): string[] =>
  ('units' in plan ? plan.units : plan.members).flatMap(({ itemId }) => itemId ?? []);

/**
 * What points that fail have in common, by Bayes: one thing that is broken, or each by itself. A point that works
 * speaks against whatever it hangs on, and a little does one of which nobody says anything.
 */
export function sharedSuspects(parts: readonly SharedPart[], does: ReadonlyMap<string, Does>): SharedFinding {
  const fails = [...does].filter(([, how]) => how === 'fails').map(([id]) => id);
  const concerned = parts.filter(({ points }) => fails.some((id) => points.has(id)));
  const all = new Set([...parts.flatMap(({ points }) => [...points]), ...does.keys()]);
  const weightOf = (hangs: (id: string) => boolean, likely: Likelihood): number =>
    [...all].reduce((product, id) => product * chance(hangs(id), does.get(id)), WEIGHT[likely]);
  const weighed = concerned.map((part) => ({
    part,
    weight: weightOf((id) => part.points.has(id), part.likely),
  }));
  // Each by itself: as likely as any one thing, and then each for itself.
  const alone = weightOf(() => false, 'often');
  const sum = weighed.reduce((before, { weight }) => before + weight, alone);
  const suspects = weighed
    .map(({ part, weight }) => ({ ...part, share: weight / sum }))
    .sort((a, b) => b.share - a.share || a.points.size - b.points.size);
  return { suspects, apart: alone / sum, next: nextPoint(suspects, does) };
}

function chance(hangs: boolean, how: Does | undefined): number {
  const failing = hangs ? 1 - ALL_THE_SAME : BY_ITSELF;
  if (how === undefined) return failing * UNSAID + 1 - failing;
  return how === 'fails' ? failing : 1 - failing;
}

/** The point whose state would divide the suspects most evenly. */
function nextPoint(suspects: readonly SharedSuspect[], does: ReadonlyMap<string, Does>): string | undefined {
  const open = [...new Set(suspects.flatMap(({ points }) => [...points]))].filter((id) => !does.has(id));
  let best: { readonly id: string; readonly tells: number } | undefined;
  for (const id of open) {
    const failing = suspects.reduce((sum, { points, share }) => (points.has(id) ? sum + share : sum), 0);
    const tells = Math.min(failing, 1 - failing);
    if (tells > 0.02 && (!best || tells > best.tells + 1e-9)) best = { id, tells };
  }
  return best?.id;
}
