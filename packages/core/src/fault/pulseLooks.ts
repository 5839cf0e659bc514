import { nth, oncePer } from '../lists/index.ts';
import type { Look } from './look.ts';
import { isReading } from './sight.ts';
import type { Sight } from './sight.ts';

const LEVELS = ['away', 'present'] as const;

/**
 * What can be looked at of a point that counts. Nobody can hold a pulse still, so what would be looked at between pulses
 * and at a pulse is one look while pulses come: whether the count goes on, whether a lamp flickers, and volts that
 * wander between those of either level, as long as a meter takes for one reading.
 */
export function whilePulsing(looks: readonly Look[]): readonly Look[] {
  const found = new Map<string, Look>();
  for (const look of looks) {
    const one = look.state === 'any' ? look : pulsing(look);
    if (!found.has(one.id)) found.set(one.id, one);
  }
  return [...found.values()];
}

function pulsing(look: Look): Look {
  const { spot, seconds, power } = look;
  const own = { id: look.id.replace(/ (away|present)$/, ''), state: 'pulses', spot, seconds, power } as const;
  if (look.kind === 'bit') return { ...own, kind: 'counts', seconds: COUNTED };
  if (look.kind === 'sensorLed' || look.kind === 'inputLed')
    return { ...own, kind: 'flickers', lamp: look.kind };
  return { ...look, ...own };
}

/** A count is found on a screen, and watched for a while, s. */
const COUNTED = 15;

/** A look at one level, as if a pulse stood still. */
function atLevel(look: Look, state: (typeof LEVELS)[number]): Look {
  const own = { ...look, id: `${look.id} ${state}`, state };
  if (own.kind === 'counts') return { ...own, kind: 'bit' };
  return own.kind === 'flickers' ? { ...own, kind: own.lamp } : own;
}

/** The looks that are to be solved for some looks, and which of them each rests on. The same list where none pulses. */
export const solvedLooks = oncePer(
  (
    looks: readonly Look[],
  ): { readonly solved: readonly Look[]; readonly of: readonly (readonly number[])[] } => {
    if (!looks.some(({ state }) => state === 'pulses'))
      return { solved: looks, of: looks.map((_, i) => [i]) };
    const solved: Look[] = [];
    const of = looks.map((look) => {
      const at = look.state === 'pulses' ? LEVELS.map((level) => atLevel(look, level)) : [look];
      return at.map((one) => solved.push(one) - 1);
    });
    return { solved, of };
  },
);

/** What a look shows, from what it would show at each level. */
export function whileSeen({ kind }: Look, levels: readonly Sight[]): Sight {
  const one = nth(levels, 0);
  const other = levels[1];
  if (!other) return one;
  if (isReading(one) && isReading(other))
    return { ...one, min: Math.min(one.min, other.min), max: Math.max(one.max, other.max) };
  if (one.kind === 'either' || other.kind === 'either') return { kind: 'either' };
  const differ = one.kind !== other.kind;
  if (kind === 'counts' || kind === 'flickers') return { kind: differ ? 'on' : 'off' };
  return differ ? { kind: 'either' } : one;
}
