import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { settingsOf } from '../catalog/index.ts';
import type { JobContent, Supply, Wire } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import { feedersOf, otherEnd, plusOf } from '../job/index.ts';
import type { JobIndex, SingleChange } from '../job/index.ts';
import { copperAmps, wireOhms } from '../network/index.ts';

/** What lets no more than so much through, and how: a supply or branch, or a part that a line goes through. */
interface Protector {
  readonly tag: string;
  readonly amps: number;
  /** A miniature circuit breaker by its characteristic. */
  readonly characteristic?: Characteristic;
}

type Characteristic = 'B' | 'C' | 'D';

/** Times its rated current from which a miniature circuit breaker surely trips at once (IEC 60898-1, table 7). */
const AT_ONCE: Readonly<Record<Characteristic, number>> = { B: 5, C: 10, D: 20 };

/** The conductors behind one protector, and whether it protects them. */
interface ProtectedWires {
  readonly tag: string;
  readonly amps: number;
  /** Those of its wires whose copper bears less than it lets through. */
  readonly weak: readonly Pick<Wire, 'number' | 'mm2'>[];
  /** The sentences, what is wrong first. */
  readonly said: readonly { readonly ok: boolean; readonly text: Message }[];
}

/** So many wires are named. */
const NAMED = 6;

/**
 * What protects the conductors on a supply, by the current that they bear (IEC 60204-1, table 6): each supply, branch,
 * fuse and breaker with the wires behind it up to the next. A proposal to be held against the local code.
 */
export function protectionOn(index: JobIndex, supply: Supply): ProtectedWires[] {
  const behind = new Map<string, { by: Protector; wires: Set<Wire> }>();
  const seen = new Set<string>();
  const queue: { ref: string; by: Protector }[] = [{ ref: plusOf(supply), by: protectorOf(supply) }];
  for (let step = queue.shift(); step; step = queue.shift()) {
    const { ref, by } = step;
    const group = behind.get(by.tag) ?? { by, wires: new Set<Wire>() };
    behind.set(by.tag, group);
    for (const wire of index.wiresAt(ref)) {
      if (seen.has(wire.id)) continue;
      seen.add(wire.id);
      group.wires.add(wire);
      const far = otherEnd(wire, ref);
      for (const on of index.through(far)) queue.push({ ref: on, by: protectorBehind(index, far, by) });
    }
  }
  const flows = shortAmps(index.job.supplies, supply);
  return [...behind.values()]
    .filter(({ wires }) => wires.size > 0)
    .map(({ by, wires }) => judged(by, [...wires], flows));
}

/** What protects a line once it has gone through a part: the part itself, where it lets less through than what is before. */
function protectorBehind(index: JobIndex, ref: string, by: Protector): Protector {
  const device = index.device(splitRef(ref).item);
  if (!device) return by;
  const type = index.deviceType(device);
  const { protects } = type.description;
  if (!protects?.rating) return by;
  const settings = settingsOf(type, device.settings);
  const amps = Number(settings[protects.rating]);
  if (amps >= by.amps) return by;
  const characteristic = protects.characteristic && settings[protects.characteristic];
  return {
    tag: device.tag,
    amps,
    ...(characteristic && { characteristic: characteristic as Characteristic }),
  };
}

function protectorOf({ tag, limitAmps, feed }: Supply): Protector {
  const [, letter] = /^mcb-(.)$/.exec(feed?.protection ?? '') ?? [];
  return {
    tag,
    amps: limitAmps,
    ...(letter && { characteristic: letter.toUpperCase() as Characteristic }),
  };
}

/** Current of a short right at the rail, A: what the line gives, by its resistance and what feeds it. */
function shortAmps(supplies: readonly Supply[], supply: Supply): number {
  const feeders = feedersOf(supplies, supply);
  const ohms = [supply, ...feeders].reduce(
    (sum, { internalOhms, feed }) =>
      sum + (feed ? wireOhms({ lengthM: 2 * feed.lengthM, mm2: feed.mm2 }).nom : internalOhms),
    0,
  );
  // A control supply gives no more than its limit; what feeds it from the mains is no matter then.
  const limit =
    supply.kind === 'dc'
      ? Math.min(...(feeders.length ? feeders : [supply]).map((s) => s.limitAmps))
      : Infinity;
  return Math.min(limit, ohms > 0 ? supply.volts / ohms : Infinity);
}

function judged(by: Protector, wires: readonly Wire[], flows: number): ProtectedWires {
  const { tag, amps, characteristic } = by;
  const weak = wires.filter(({ mm2 }) => copperAmps(mm2) < amps);
  const mm2 = Math.min(...wires.map((wire) => wire.mm2));
  const bears = copperAmps(mm2);
  const needs = characteristic && AT_ONCE[characteristic] * amps;
  return {
    tag,
    amps,
    weak,
    said: [
      weak.length
        ? {
            ok: false,
            text: say('planning.conductors-bear-less', {
              tag,
              amps,
              mm2,
              bears,
              numbers: weak.slice(0, NAMED).map(({ number }) => number),
              more: Math.max(0, weak.length - NAMED),
            }),
          }
        : { ok: true, text: say('planning.conductors-are-protected', { tag, amps, mm2, bears }) },
      ...(needs === undefined
        ? []
        : [
            flows >= needs
              ? { ok: true, text: say('planning.trips-at-once', { tag, needs, flows }) }
              : { ok: false, text: say('planning.trips-late-or-never', { tag, needs, flows }) },
          ]),
    ],
  };
}

/** What hangs on a supply’s own rails by wires of its own, each part once. */
export const hangingOn = (index: JobIndex, supply: Supply): { item: string; tag: string }[] => {
  const plus = plusOf(supply);
  const items = index.wiresAt(plus).map((wire) => splitRef(otherEnd(wire, plus)).item);
  return [...new Set(items)].map((item) => ({ item, tag: index.tagOf(`${item}:`) }));
};

/** Leads what hangs on one supply to another of its kind: each wire of these parts from rail to rail. */
export function ledBehind(
  job: JobContent,
  from: string,
  to: string,
  items: readonly string[],
): SingleChange[] {
  const moved = (ref: string): string | undefined =>
    splitRef(ref).item === from ? `${to}:${splitRef(ref).terminal}` : undefined;
  return job.wires.flatMap((wire): SingleChange[] => {
    const [start, end] = [moved(wire.from), moved(wire.to)];
    const far = start ? wire.to : wire.from;
    if ((start === undefined) === (end === undefined) || !items.includes(splitRef(far).item)) return [];
    return [{ kind: 'moveWire', wireId: wire.id, ...(start ? { from: start } : { to: end }) }];
  });
}
