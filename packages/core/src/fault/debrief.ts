import { nth } from '../lists/index.ts';
import { actOf, lookOfAct } from './acts.ts';
import type { Act } from './acts.ts';
import { groupsOf, suspects } from './diagnose.ts';
import type { Seen, Suspect } from './diagnose.ts';
import type { Dictionary } from './dictionary.ts';
import { entropy, hereAfter, nextLooks, secondsTo } from './nextLook.ts';

/** One step of a round or of a good order: what was looked at, what it told, and what it left as the likeliest. */
export interface DebriefStep {
  /** Its place in the dictionary; nothing where the dictionary does not ask it. */
  readonly look: number | undefined;
  readonly is: boolean | number;
  /** By how much it narrowed the suspects, bit; less than nothing where it misled. */
  readonly bits: number;
  readonly likeliest: Suspect;
}

const LIKELY_ENOUGH = 0.95;
const MOST = 12;

const unknown = (found: readonly Suspect[]): number => entropy(found.map(({ share }) => share));

/** A reading as the dictionary has it: volts by the way of the leads, a current in mA whichever way. */
function readingOf(kind: Act['kind'], is: number, turned: boolean): number {
  if (kind === 'amps') return 1000 * Math.abs(is);
  return kind === 'volts' && turned ? -is : is;
}

/** What each act of a round told, one after the other. */
export function toldBy(
  dictionary: Dictionary,
  acts: readonly { readonly act: Act; readonly is: boolean | number }[],
): DebriefStep[] {
  const groups = groupsOf(dictionary);
  const seen: Seen[] = [];
  let found = suspects(groups, seen);
  return acts.map(({ act, is }) => {
    const own = lookOfAct(dictionary, act);
    const before = unknown(found);
    if (own) {
      const again = seen.findIndex(({ look }) => look === own.at);
      if (again >= 0) seen.splice(again, 1);
      seen.push({
        look: own.at,
        is: typeof is === 'number' ? readingOf(act.kind, is, own.turned) : is,
      });
      found = suspects(groups, seen);
    }
    return { look: own?.at, is, bits: before - unknown(found), likeliest: nth(found, 0) };
  });
}

/** A good order: always what tells most for its time, with what is then seen. */
export function goodOrder(
  dictionary: Dictionary,
  look: (act: Act, before: number) => boolean | number,
): { readonly steps: readonly DebriefStep[]; readonly seconds: number } {
  const groups = groupsOf(dictionary);
  const [seen, steps]: [Seen[], DebriefStep[]] = [[], []];
  let found = suspects(groups, seen);
  let seconds = 0;
  while (steps.length < MOST && nth(found, 0).share < LIKELY_ENOUGH) {
    const here = hereAfter(dictionary, seen);
    const best = nextLooks(dictionary, found, seen, here)[0];
    if (!best) break;
    const own = nth(dictionary.looks, best.look);
    seconds += secondsTo(here, own);
    const doing = actOf(own);
    const shows = look(doing, steps.length);
    const is = typeof shows === 'number' ? readingOf(doing.kind, shows, false) : shows;
    const before = unknown(found);
    seen.push({ look: best.look, is });
    found = suspects(groups, seen);
    steps.push({ look: best.look, is, bits: before - unknown(found), likeliest: nth(found, 0) });
  }
  return { steps, seconds };
}
