import type { DeviceOutput } from '../catalog/index.ts';
import type { Sense } from '../circuit/index.ts';
import type { Logic, OutputKind } from '../model/index.ts';
import type { OwnPort, PointContext } from './context.ts';

/** `Common 1` from the name of its terminal, or the terminal's own name. */
export function commonWords({ common }: { readonly common?: string }): string {
  const number = /^COM(\d+)$/.exec(common ?? '');
  if (number) return `Common ${number[1]}`;
  return common?.startsWith('~') ? 'The common inside' : `Common ${common ?? ''}`.trim();
}

export const portCommonWords = ({ port }: Pick<OwnPort, 'port'>): string => commonWords(port);

/** The rule for a point's output in one sentence, for those who want the rule rather than the path. */
export const ruleFor = ({ output, kind }: Pick<PointContext, 'output' | 'kind'>): string =>
  output.rule === 'by-kind' ? SWITCHING_RULES[kind] : LANDING_RULES[output.rule];

const LANDING_RULES: Readonly<Record<Exclude<DeviceOutput['rule'], 'by-kind'>, string>> = {
  guard:
    'Two channels to the two channels of a safety relay, each from its own test output; the auxiliary contact to a normal input, for display only.',
  trip: 'Trip contact 11-12-14 to the supervisor, so that loss of supply trips too.',
  loop: 'Loop: plus, transmitter, input, minus. What the others leave must be enough for the transmitter.',
  signal: 'Signal, switch and parameter must agree; signal minus belongs to the input’s minus.',
  resistance: 'Two leads add their resistance to the value, three cancel it, four take no part in it.',
  thermocouple: 'Plus to plus in the colours of its type; no copper before the input.',
  pulse:
    'A passive output needs a supply and a resistor from outside; an active one needs its output supply.',
  namur: 'Brown to plus, blue to minus of the amplifier; much current while undamped.',
  'io-link': 'Pin to pin: 1 to 1, 3 to 3, 4 to 4. Class B adds power on 2 and 5.',
  serial: 'One line from end to end, a terminator at both ends, bias at one place, plus to plus.',
  ethernet: 'One cable from socket to socket, 100 m at most.',
  load: 'Switched plus: load to minus. Switched minus: load to plus.',
};

const SWITCHING_RULES: Readonly<Record<OutputKind, string>> = {
  pnp: 'PNP switches plus: put the group’s common on 0 V.',
  npn: 'NPN switches minus: put the group’s common on plus.',
  pushpull: 'Push-pull switches both: the common may sit on either rail; on plus the logic turns round.',
  contact: 'A contact fits either: give it the rail that the common is not on.',
  twowire: 'Two wires in series with the input: off, its leakage must not be taken for on.',
  none: 'It goes where its terminals say.',
};

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

/** Output kinds of a sensor. */
export const OUTPUT_WORDS: Readonly<Record<OutputKind, string>> = {
  pnp: 'PNP',
  npn: 'NPN',
  pushpull: 'push-pull',
  contact: 'contact',
  twowire: 'two-wire',
  none: '',
};

export const OUTPUT_EXPLAINED: Readonly<Record<OutputKind, string>> = {
  pnp: 'PNP: joins its output to plus, so it sources current',
  npn: 'NPN: joins its output to minus, so it sinks current',
  pushpull: 'Push-pull: joins its output to plus or to minus',
  contact: 'Contact: joins its two sides',
  twowire: 'Two-wire: in series with its load, never quite off',
  none: 'No switching output',
};

export const LOGIC_WORDS: Readonly<Record<Logic, string>> = {
  no: 'NO',
  nc: 'NC',
  light: 'light-on',
  dark: 'dark-on',
  none: '',
};

export const LOGIC_EXPLAINED: Readonly<Record<Logic, string>> = {
  no: 'NO: on with the target',
  nc: 'NC: on without the target',
  light: 'Light-on: on while it sees light',
  dark: 'Dark-on: on while it sees no light',
  none: 'As it is',
};

/** `inductive · PNP · NO`, as on the sensor's plate in the drawing. */
export function deviceWords({ type, kind, logic }: Pick<PointContext, 'type' | 'kind' | 'logic'>): string {
  const kinds = kind === 'contact' || kind === 'none' ? [] : [OUTPUT_WORDS[kind]];
  const logics = logic === 'none' ? [] : [LOGIC_WORDS[logic]];
  return [type.title, ...kinds, ...logics].join(' · ');
}

/** `DI 2 · ch 3`, `DRV 1 · analog input 1`. */
export function placeWords({ module, port }: Pick<PointContext, 'module' | 'port'>): string {
  return module && port ? `${module.tag} · ${port.label.replace(/^channel /, 'ch ')}` : 'no channel';
}

export function senseOf({ port }: PointContext): Sense | undefined {
  return port?.kind === 'digital' ? port.sense : undefined;
}
