import { nth } from '../lists/index.ts';
import { groupsOf, suspects } from './diagnose.ts';
import type { Seen, Suspect } from './diagnose.ts';
import type { Dictionary } from './dictionary.ts';
import { entropy, hereAfter, nextLooks, secondsTo } from './nextLook.ts';
import type { Act } from './practiceMeter.ts';
import type { Look } from './looks.ts';

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

/** The look of the dictionary that an act was, and whether its leads were the other way round. */
function lookOfAct(
  { looks }: Dictionary,
  act: Act,
): { readonly at: number; readonly turned: boolean } | undefined {
  const fits = (look: Look): boolean => look.state === 'any' || look.state === act.state;
  if ('red' in act) {
    const kind = act.kind === 'amps' ? 'milliamps' : act.kind;
    for (const turned of [false, true]) {
      const [red, black] = turned ? [act.black, act.red] : [act.red, act.black];
      const at = looks.findIndex(
        (look) => look.kind === kind && look.red === red && look.black === black && fits(look),
      );
      if (at >= 0) return { at, turned };
    }
    return undefined;
  }
  const at = looks.findIndex((look) => look.kind === act.kind && fits(look));
  return at < 0 ? undefined : { at, turned: false };
}

/** A reading as the dictionary has it: volts by the way of the leads, a current in mA whichever way. */
function readingOf(kind: Act['kind'], is: number, turned: boolean): number {
  if (kind === 'amps') return 1000 * Math.abs(is);
  return kind === 'volts' && turned ? -is : is;
}

/** The act that a look is. */
function actOf(look: Look): Act {
  const state = look.state === 'any' ? 'away' : look.state;
  if (!('red' in look)) return { kind: look.kind, state };
  const { red, black, power } = look;
  return { kind: look.kind === 'milliamps' ? 'amps' : look.kind, red, black, state, power };
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
