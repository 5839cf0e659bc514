import { sure } from '../lists/index.ts';
import type { CommonRail } from '../job/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { DeviceOutput } from '../catalog/index.ts';
import type { Sense } from '../circuit/index.ts';
import type { Logic, OutputKind } from '../model/index.ts';
import type { OwnPort, PointContext } from './context.ts';

/** `Common 1` from the name of its terminal, or the terminal's own name. */
export function commonText({ common }: { readonly common?: string }): Message {
  const number = /^COM(\d+)$/.exec(common ?? '');
  if (number) return say('landing.common', { number: sure(number[1]) });
  return common?.startsWith('~')
    ? say('landing.common-inside')
    : say('landing.common-2', { common: common ?? '' });
}

export const portCommonText = ({ port }: Pick<OwnPort, 'port'>): Message => commonText(port);

/** The rule for a point's output in one sentence, for those who want the rule rather than the path. */
export function ruleFor({ output, kind, ports, helpers, type, index }: PointContext): Message {
  const { rule } = output;
  if (rule === 'guard') {
    const relay = ports.some(({ module }) => index.moduleType(module).description.safety);
    if (!relay) return say('landing.two-channels-safe-inputs');
    return type.outputs.length > 1
      ? say('landing.two-channels-two-channels')
      : say('landing.two-channels-only');
  }
  if (rule === 'load' && output.signal) return say('landing.signal-given');
  if (rule !== 'by-kind') return LANDING_RULES[rule];
  return (drivesLoad({ output, helpers, ports }) ? LOAD_RULES[kind] : undefined) ?? SWITCHING_RULES[kind];
}

/** Where no lead of its own ends on an input, it drives a load, such as the coil of a relay. */
const drivesLoad = ({
  output,
  helpers,
  ports,
}: Pick<PointContext, 'output' | 'helpers' | 'ports'>): boolean =>
  output.rule === 'by-kind' && helpers.length > 0 && !ports.some(({ landed }) => landed !== undefined);

/** The rule of what ends on a digital input in place of the device itself: the contact of the relay that it drives. */
export const relayedRuleFor = (context: PointContext): Message | undefined =>
  drivesLoad(context) && context.port?.kind === 'digital' ? SWITCHING_RULES.contact : undefined;

const LANDING_RULES: Readonly<Record<Exclude<DeviceOutput['rule'], 'by-kind' | 'guard'>, Message>> = {
  trip: say('landing.trip-contact-11-12'),
  loop: say('landing.loop-plus-transmitter-input'),
  signal: say('landing.signal-switch-parameter-must'),
  resistance: say('landing.two-leads-add-their'),
  thermocouple: say('landing.plus-plus-colours-type'),
  pulse: say('landing.passive-output-needs-supply'),
  pair: say('landing.pair-between-two-leads'),
  namur: say('landing.brown-plus-blue-minus'),
  'io-link': say('landing.pin-pin-1-1'),
  serial: say('landing.line-end-end-terminator'),
  ethernet: say('landing.cable-socket-socket-100'),
  load: say('landing.switched-plus-load-minus'),
};

const LOAD_RULES: Readonly<Partial<Record<OutputKind, Message>>> = {
  pnp: say('landing.pnp-drives-load'),
  npn: say('landing.npn-drives-load'),
  twowire: say('landing.two-wires-series-load'),
};

const SWITCHING_RULES: Readonly<Record<OutputKind, Message>> = {
  pnp: say('landing.pnp-switches-plus-put'),
  npn: say('landing.npn-switches-minus-put'),
  pushpull: say('landing.push-pull-switches-both'),
  contact: say('landing.contact-fits-either-give'),
  twowire: say('landing.two-wires-series-input'),
  none: say('landing.goes-where-terminals-say'),
};

/** Both vocabularies for what an input does, by the current and by the sensor that fits. */
export function inputVocabulary(
  rail: CommonRail | undefined,
  sense: Sense,
): { byCurrent: Message; bySensor: Message } {
  const sinks = sense === 'sink' || (sense === 'both' && rail === '-');
  const sources = sense === 'source' || (sense === 'both' && rail === '+');
  if (sinks)
    return {
      byCurrent: say('landing.sinking-input-current-goes'),
      bySensor: say('landing.some-makers-call-pnp'),
    };
  if (sources)
    return {
      byCurrent: say('landing.sourcing-input-current-comes'),
      bySensor: say('landing.some-makers-call-npn'),
    };
  return {
    byCurrent: say('landing.two-way-input-common'),
    bySensor: say('landing.common-0-v-fits'),
  };
}

/** Output kinds of a sensor. */
export const OUTPUT_TEXT: Readonly<Record<OutputKind, string>> = {
  pnp: 'PNP',
  npn: 'NPN',
  pushpull: 'push-pull',
  contact: 'contact',
  twowire: 'two-wire',
  none: '',
};

export const OUTPUT_EXPLAINED: Readonly<Record<OutputKind, Message>> = {
  pnp: say('landing.pnp-joins-output-plus'),
  npn: say('landing.npn-joins-output-minus'),
  pushpull: say('landing.push-pull-joins-output'),
  contact: say('landing.contact-joins-two-sides'),
  twowire: say('landing.two-wire-series-load'),
  none: say('landing.switching-output'),
};

export const LOGIC_TEXT: Readonly<Record<Logic, string>> = {
  no: 'NO',
  nc: 'NC',
  light: 'light-on',
  dark: 'dark-on',
  none: '',
};

export const LOGIC_EXPLAINED: Readonly<Record<Logic, Message>> = {
  no: say('landing.no-on-with-the'),
  nc: say('landing.nc-without-target'),
  light: say('landing.light-while-sees-light'),
  dark: say('landing.dark-while-sees-light'),
  none: say('landing.as-it-is'),
};

/** `inductive · PNP · NO`, as on the sensor's plate in the drawing. */
export function deviceText({ type, kind, logic }: Pick<PointContext, 'type' | 'kind' | 'logic'>): string {
  const kinds = kind === 'contact' || kind === 'none' ? [] : [OUTPUT_TEXT[kind]];
  const logics = logic === 'none' ? [] : [LOGIC_TEXT[logic]];
  return [type.title, ...kinds, ...logics].join(' · ');
}

/** `DI 2 · ch 3`, `DRV 1 · analog input 1`. */
export function placeText({ module, port }: Pick<PointContext, 'module' | 'port'>): Text {
  return module && port
    ? `${module.tag} · ${port.label.replace(/^channel /, 'ch ')}`
    : say('landing.no-channel');
}

export function senseOf({ port }: PointContext): Sense | undefined {
  return port?.kind === 'digital' ? port.sense : undefined;
}
