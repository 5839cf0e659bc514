import { nth } from '../lists/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { splitRef } from '../model/index.ts';
import type { Dictionary } from './dictionary.ts';
import { heldState } from './look.ts';
import type { HowHeld, Look } from './look.ts';

/** What somebody does in a round: something that is looked at, or a meter that is put on. */
export type Act = { readonly state: HowHeld } & (
  | { readonly kind: 'sensorLed' | 'inputLed' | 'bit' | 'talks' | 'counts' }
  | { readonly kind: 'flickers'; readonly lamp: 'sensorLed' | 'inputLed' }
  | { readonly kind: 'value' }
  | { readonly kind: 'asSet'; readonly part: string; readonly label: string }
  | { readonly kind: 'acts' | 'fed' | 'lit'; readonly element: string; readonly label: string }
  | {
      readonly kind: 'volts' | 'ohms' | 'amps';
      readonly red: string;
      readonly black: string;
      readonly power: 'on' | 'off';
    }
);

/** The look of the dictionary that an act was, and whether its leads were the other way round. */
export function lookOfAct(
  { looks }: Dictionary,
  act: Act,
): { readonly at: number; readonly turned: boolean } | undefined {
  const fits = (look: Look): boolean => (heldState(look.state) ?? act.state) === act.state;
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
  const at = looks.findIndex(
    (look) =>
      look.kind === act.kind &&
      fits(look) &&
      (!('lamp' in act) || ('lamp' in look && look.lamp === act.lamp)) &&
      (!('element' in act) || ('element' in look && look.element === act.element)) &&
      (!('part' in act) || ('part' in look && look.part === act.part)),
  );
  return at < 0 ? undefined : { at, turned: false };
}

/** The act that a look is. */
export function actOf(look: Look): Act {
  const state = look.state === 'any' ? 'away' : look.state;
  if ('element' in look) return { kind: look.kind, element: look.element, label: look.label, state };
  if ('part' in look) return { kind: look.kind, part: look.part, label: look.label, state };
  if ('lamp' in look) return { kind: look.kind, lamp: look.lamp, state };
  if (!('red' in look)) return { kind: look.kind, state };
  const { red, black, power } = look;
  return { kind: look.kind === 'milliamps' ? 'amps' : look.kind, red, black, state, power };
}

/** So long a meter is put on, and a wire is opened for it, s. */
const METER = 25;
const OPENED = 90;

/** Where an act is done and how long it takes on the spot, in the dictionary or not. */
export function spentOn({ context }: Analysis, dictionary: Dictionary, act: Act): Look {
  const known = lookOfAct(dictionary, act);
  if (known) return nth(dictionary.looks, known.at);
  if (!('red' in act))
    return { id: '', kind: 'bit', state: act.state, spot: 'panel', seconds: 5, power: 'on' };
  const { red, black, state, power } = act;
  const inField = [red, black].some((ref) => splitRef(ref).item === context.device.id);
  return {
    id: '',
    kind: act.kind === 'ohms' ? 'ohms' : 'volts',
    red,
    black,
    state,
    power,
    spot: inField ? 'field' : 'panel',
    seconds: act.kind === 'amps' ? OPENED : METER,
  };
}
