import { deviceType, moduleType } from '../catalog/index.ts';
import type { Sense } from '../circuit/index.ts';
import type { PointContext } from './states.ts';
import type { Analysis } from './analysis.ts';

/** `Common 1`, from the name of its terminal. */
export function commonWords({ common }: Pick<PointContext, 'common'>): string {
  return `Common ${(common ?? '').replace(/^COM/, '')}`;
}

/** Why a point works, in terms of current and common. */
export function worksSentence({ context, present, away }: Analysis): string {
  const common = commonWords(context).toLowerCase();
  const rail = context.rail === '+' ? `+${Math.round(context.supply.volts)} V` : '0 V';
  const input = context.rail === '-' ? 'the input takes the current in' : 'the input gives the current';
  const on = present.lamp === 'on' ? present : away;
  const turned = !on.outputOn ? ' Mind: the input is on while the sensor’s output is off.' : '';
  switch (context.device.output) {
    case 'contact': {
      const brings = context.rail === '-' ? `+${Math.round(context.supply.volts)} V` : '0 V';
      return `Works. The contact brings ${brings} to the input; ${common} sits on ${rail}, and ${input}.`;
    }
    case 'pnp':
      return `Works. The sensor pulls the input up to +${Math.round(context.supply.volts)} V, so ${common} sits on ${rail} and ${input}.`;
    case 'npn':
      return `Works. The sensor pulls the input to 0 V, so ${common} sits on ${rail} and ${input}.`;
    case 'pushpull':
      return `Works. The output drives both ways; with ${common} on ${rail}, ${input} while it is ${context.rail === '-' ? 'high' : 'low'}.${turned}`;
  }
}

/** The rule for a device in one sentence, for those who want the rule rather than the path. */
export function ruleFor({ device }: PointContext): string {
  switch (device.output) {
    case 'pnp':
      return 'PNP switches plus: put the group’s common on 0 V.';
    case 'npn':
      return 'NPN switches minus: put the group’s common on plus.';
    case 'pushpull':
      return 'Push-pull switches both: the common may sit on either rail; on plus the logic turns round.';
    case 'contact':
      return 'A contact fits either: give it the rail that the common is not on.';
  }
}

/** Both vocabularies for what an input does, by the current and by the sensor that fits. */
export function inputVocabulary(
  rail: '+' | '-' | undefined,
  sense: Sense,
): { byCurrent: string; bySensor: string } {
  const sinks = sense === 'sink' || (sense === 'both' && rail === '-');
  const sources = sense === 'source' || (sense === 'both' && rail === '+');
  if (sinks)
    return {
      byCurrent: 'Sinking input: current goes in at its terminal and out at the common',
      bySensor:
        'some makers call it a PNP input, after the sensor that fits, or “source” input after that sensor',
    };
  if (sources)
    return {
      byCurrent: 'Sourcing input: current comes in at the common and out at its terminal',
      bySensor:
        'some makers call it an NPN input, after the sensor that fits, or “sink” input after that sensor',
    };
  return {
    byCurrent: 'Two-way input: its common decides whether it sinks or sources',
    bySensor: 'common on 0 V fits PNP, common on plus fits NPN',
  };
}

/** The same for an output kind of a sensor. */
export const OUTPUT_WORDS = {
  pnp: 'PNP',
  npn: 'NPN',
  pushpull: 'push-pull',
  contact: 'contact',
} as const;

export const OUTPUT_EXPLAINED = {
  pnp: 'PNP: joins its output to plus, so it sources current',
  npn: 'NPN: joins its output to minus, so it sinks current',
  pushpull: 'Push-pull: joins its output to plus or to minus',
  contact: 'Contact: joins its two sides',
} as const;

export const LOGIC_WORDS = { no: 'NO', nc: 'NC', light: 'light-on', dark: 'dark-on' } as const;

export const LOGIC_EXPLAINED = {
  no: 'NO: on with the target',
  nc: 'NC: on without the target',
  light: 'Light-on: on while it sees light',
  dark: 'Dark-on: on while it sees no light',
} as const;

/** `inductive · PNP · NO`, as on the sensor's plate in the drawing. */
export function deviceWords({ device }: Pick<PointContext, 'device'>): string {
  const { principle } = deviceType(device.typeId);
  const kind = device.output === 'contact' ? [] : [OUTPUT_WORDS[device.output]];
  return [principle, ...kind, LOGIC_WORDS[device.logic]].join(' · ');
}

/** `DI 2 · ch 3`. */
export function placeWords({ module, place }: Pick<PointContext, 'module' | 'place'>): string {
  return module && place ? `${module.tag} · ch ${place.channel}` : 'no channel';
}

export function senseOf({ module }: PointContext): Sense | undefined {
  return module && moduleType(module.typeId).sense;
}
