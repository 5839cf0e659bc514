import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { Change } from '../job/index.ts';
import { parametersOf, presentValues, sameValue } from '../job/index.ts';
import { channelProblems, SWITCH_CHANNELS } from '../ioLink/index.ts';
import type { BusParameter, SwitchChannel } from '../ioLink/index.ts';
import { refuse, unlessRefused } from '../model/index.ts';
import type { DeviceChannel } from '../model/index.ts';
import { chainOf } from '../scaling/index.ts';
import type { PointChain } from '../scaling/index.ts';
import { sheetOf } from '../setting/index.ts';
import { convert, parseIn, plain } from '../units/index.ts';

/** The parameters of a switching signal channel of a device (IO-Link Smart Sensor Profile). */
interface ChannelParameters {
  readonly sp1: BusParameter;
  readonly sp2: BusParameter;
  readonly logic: BusParameter;
  readonly mode: BusParameter;
  readonly hysteresis: BusParameter;
}

/** One value that the device is to hold. */
interface ChannelRequirement {
  readonly key: string;
  readonly label: Text;
  /** As the device shows it, and as it lies on the wire. */
  readonly value: string;
  readonly raw: number;
  readonly unit: string;
  /** What a choice is called; absent of numbers. */
  readonly words?: Text;
  /** What it was before it was rounded to the device's step; absent of choices. */
  readonly exact?: number;
}

/** What a switching function asks of a device's channel, and at which values it then truly switches. */
export interface ChannelPlan {
  readonly requires: readonly ChannelRequirement[];
  /** On and off again as the device's steps allow, in the point's unit; of a window both of its ends. */
  readonly becomes: DeviceChannel['mode'];
  /** What the device does not take. */
  readonly problems: readonly Message[];
}

/** The channels that a point's device has by its description; none of a device that talks otherwise. */
export function deviceChannels({ context: { index, device } }: Analysis): DeviceChannel['channel'][] {
  return SWITCH_CHANNELS.flatMap(({ channel }) =>
    parametersAt(index.job, device.id, channel) ? [channel] : [],
  );
}

function parametersAt(
  job: Parameters<typeof parametersOf>[0],
  deviceId: string,
  channel: DeviceChannel['channel'],
): ChannelParameters | undefined {
  const place = SWITCH_CHANNELS.find((one) => one.channel === channel);
  if (!place) return undefined;
  const all = parametersOf(job, deviceId);
  const at = (index: number, sub: number): BusParameter | undefined =>
    all.find((one): one is BusParameter => one.key === `v${index}.${sub}` && 'type' in one);
  const [sp1, sp2] = [at(place.points, 1), at(place.points, 2)];
  const [logic, mode, hysteresis] = [at(place.config, 1), at(place.config, 2), at(place.config, 3)];
  return sp1 && sp2 && logic && mode && hysteresis ? { sp1, sp2, logic, mode, hysteresis } : undefined;
}

/** Between a value of the point and one as a parameter of the device shows it. */
interface Way {
  readonly there: (value: number) => number;
  readonly back: (shown: number) => number;
}

/** @throws JobProblem where the parameter is in a unit that the device's value cannot be turned into. */
function wayTo({ chain: { sensor } }: PointChain, { unit = '' }: BusParameter): Way {
  const own = sensor.signal.unit;
  const turn = (value: number, from: string, to: string): number =>
    from === to || to === ''
      ? value
      : (convert(value, from, to) ?? refuse(say('switching.channel-other-unit', { unit, own })));
  return {
    there: (value) => turn(sensor.curve.at(value), own, unit),
    back: (shown) => sensor.curve.inverse(turn(shown, unit, own)),
  };
}

const rawOf = ({ scale }: BusParameter, shown: number): number =>
  Math.round(scale ? (shown - scale.offset) / scale.gradient : shown);
const shownOf = ({ scale }: BusParameter, raw: number): number =>
  scale ? raw * scale.gradient + scale.offset : raw;

/** Two ends of what a channel compares, in the device's unit: on from the one side, off beyond the other. */
interface Compared {
  readonly mode: SwitchChannel['mode'];
  readonly sp1: number;
  readonly sp2: number | undefined;
  readonly hysteresis: number;
  readonly turned: boolean;
}

/**
 * A function in the device's own terms. A value that falls while the device's rises is decided by its output turned: on
 * below is off above.
 */
function comparedBy({ mode, logic }: DeviceChannel, { there }: Way): Compared {
  const nc = logic === 'nc';
  if (mode.kind === 'window') {
    const [a, b] = [there(mode.low), there(mode.high)];
    return {
      mode: '2',
      sp1: Math.max(a, b),
      sp2: Math.min(a, b),
      hysteresis: Math.abs(there(mode.high + mode.hysteresis) - there(mode.high)),
      turned: nc,
    };
  }
  const [on, off] = [there(mode.set), there(mode.reset)];
  // A channel switches on upwards: on at SP1, off again below it by its hysteresis.
  return {
    mode: '1',
    sp1: Math.max(on, off),
    sp2: undefined,
    hysteresis: Math.abs(on - off),
    turned: on < off !== nc,
  };
}

/** A number as the device can hold it: the nearest of its steps. */
function number(parameter: BusParameter, exact: number): ChannelRequirement {
  const raw = rawOf(parameter, exact);
  const { key, label, unit = '' } = parameter;
  return { key, label, value: plain(shownOf(parameter, raw), 9), raw, unit, exact };
}

function choice({ key, label, choices }: BusParameter, raw: number): ChannelRequirement {
  const value = String(raw);
  const words = choices?.find((one) => one.value === value)?.label;
  return { key, label, value, raw, unit: '', ...(words !== undefined && { words }) };
}

/** What of a number its parameter does not take. */
const outside = ({ min, max, unit = '' }: BusParameter, { label, value }: ChannelRequirement): Message[] =>
  (min !== undefined && Number(value) < min) || (max !== undefined && Number(value) > max)
    ? [say('switching.channel-outside', { label, value: Number(value), min: min ?? 0, max: max ?? 0, unit })]
    : [];

/**
 * What a function asks of a device's channel, each number rounded to the device's own step.
 * @throws JobProblem for a channel that the device does not have, or a value that its chain cannot turn.
 */
export function channelPlan(
  { context: { index, device } }: Analysis,
  made: PointChain,
  plan: DeviceChannel,
): ChannelPlan {
  const own = parametersAt(index.job, device.id, plan.channel);
  if (!own) return refuse(say('switching.channel-missing', { channel: plan.channel }), 'channel');
  const way = wayTo(made, own.sp1);
  const compared = comparedBy(plan, way);
  const sp1 = number(own.sp1, compared.sp1);
  const sp2 = compared.sp2 === undefined ? undefined : number(own.sp2, compared.sp2);
  const hysteresis = number(own.hysteresis, compared.hysteresis);
  const numbers = [
    [own.sp1, sp1] as const,
    ...(sp2 ? [[own.sp2, sp2] as const] : []),
    [own.hysteresis, hysteresis] as const,
  ];
  const channel: SwitchChannel = {
    sp1: Number(sp1.value),
    sp2: Number(sp2?.value ?? 0),
    mode: compared.mode,
    turned: compared.turned,
    hysteresis: Number(hysteresis.value),
  };
  return {
    requires: [
      ...numbers.map(([, one]) => one),
      choice(own.mode, Number(compared.mode)),
      choice(own.logic, compared.turned ? 1 : 0),
    ],
    becomes: modeOf(channel, way, plan),
    problems: [
      ...channelProblems(channel),
      ...numbers.flatMap(([parameter, one]) => outside(parameter, one)),
    ],
  };
}

/** At which values of the point a channel switches, as it is set. */
function modeOf(
  { mode, sp1, sp2, hysteresis, turned }: SwitchChannel,
  { back }: Way,
  { logic }: Pick<DeviceChannel, 'logic'>,
): DeviceChannel['mode'] {
  if (mode === '2') {
    const [a, b] = [back(sp1), back(sp2)];
    return {
      kind: 'window',
      low: Math.min(a, b),
      high: Math.max(a, b),
      hysteresis: Math.abs(back(sp1 + hysteresis) - back(sp1)),
    };
  }
  const ends = mode === '3' ? [Math.max(sp1, sp2), Math.min(sp1, sp2)] : [sp1, sp1 - hysteresis];
  const [upper, lower] = [back(ends[0] ?? sp1), back(ends[1] ?? sp2)];
  return turned !== (logic === 'nc')
    ? { kind: 'points', set: lower, reset: upper }
    : { kind: 'points', set: upper, reset: lower };
}

/** The changes that make what a function asks required of its device. */
export const requireChannel = (deviceId: string, { requires }: ChannelPlan, reason: string): Change[] =>
  requires.map(({ key, value }) => ({ kind: 'require', itemId: deviceId, key, override: { value, reason } }));

/** At which values a channel switches as somebody found it in the device; nothing where not all of it is known. */
export function standingChannel(
  { context: { index, device } }: Analysis,
  made: PointChain,
  { channel, logic }: Pick<DeviceChannel, 'channel' | 'logic'>,
): DeviceChannel['mode'] | 'off' | undefined {
  const own = parametersAt(index.job, device.id, channel);
  if (!own) return undefined;
  const { values } = presentValues(index, device.id);
  const seen = ({ key }: BusParameter): string | undefined => values.get(key)?.value;
  const number = (parameter: BusParameter): number | undefined => {
    const text = seen(parameter);
    const read = text === undefined ? undefined : parseIn(text, parameter.unit ?? '');
    return read?.ok ? read.value : undefined;
  };
  const [mode, logicNow] = [seen(own.mode), seen(own.logic)];
  const [sp1, hysteresis] = [number(own.sp1), number(own.hysteresis)];
  const sp2 = number(own.sp2);
  if (mode === '0') return 'off';
  if (mode === undefined || logicNow === undefined || sp1 === undefined || hysteresis === undefined)
    return undefined;
  if (mode !== '1' && sp2 === undefined) return undefined;
  const stands: SwitchChannel = {
    sp1,
    sp2: sp2 ?? 0,
    hysteresis,
    mode: mode as SwitchChannel['mode'],
    turned: logicNow === '1',
  };
  return modeOf(stands, wayTo(made, sure(own.sp1)), { logic });
}

/** How far two neighbouring set points of a channel lie apart, in the point's unit; nothing where it has none. */
export function stepOf(
  { context: { index, device } }: Analysis,
  made: PointChain,
  channel: DeviceChannel['channel'],
): number | undefined {
  const sp1 = parametersAt(index.job, device.id, channel)?.sp1;
  if (!sp1) return undefined;
  const { back } = wayTo(made, sp1);
  return Math.abs(back(shownOf(sp1, 1)) - back(shownOf(sp1, 0)));
}

/**
 * Whether a point's device is required to hold what its switching functions ask; nothing where there are none. It is not
 * once the chain or the set points became others since.
 */
export function channelsStand(analysis: Analysis): 'required' | 'differs' | undefined {
  const { index, point, device } = analysis.context;
  const channels = point.switching?.channels ?? [];
  if (!channels.length) return undefined;
  const made = chainOf(analysis);
  if (!made || 'problem' in made) return 'differs';
  const required = new Map(
    sheetOf(index, device.id).lines.map(({ parameter, required: wanted }) => [
      parameter.key,
      { parameter, wanted },
    ]),
  );
  const holds = channels.every((channel) => {
    const plan =
      channel.unit === made.chain.sensor.unit
        ? unlessRefused(() => channelPlan(analysis, made, channel))
        : undefined;
    return (
      plan?.problems.length === 0 &&
      plan.requires.every(({ key, value }) => {
        const line = required.get(key);
        return line?.wanted !== undefined && sameValue(line.parameter, line.wanted.value, value);
      })
    );
  });
  return holds ? 'required' : 'differs';
}
