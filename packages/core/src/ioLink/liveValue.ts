import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { fixed, written } from '../units/index.ts';
import type { DescribedItem, DescribedRecord } from './descriptionTypes.ts';
import { hexOf } from './hex.ts';
import { decodeRecord, scaled } from './processData.ts';
import type { ItemValue } from './processData.ts';

/** State of a port as its master tells it. */
export type PortState =
  | 'disabled'
  | 'no device'
  | 'wrong device'
  | 'starting'
  | 'connected'
  | 'switching input'
  | 'switching output'
  | 'no answer';

/** One item of process data as it may be shown. */
export interface LiveItem {
  readonly name: string;
  readonly unit: string;
  /** In its unit; absent where it is no number, or means none. */
  readonly value?: number;
  /** Of a switching bit, or of several. */
  readonly on?: boolean;
  readonly bits?: readonly boolean[];
  /** What is shown: the number, `on` or `off`, or what stands in its place. */
  readonly text: string;
  /** The device’s own name for the number. */
  readonly meaning?: string;
  /** Why it does not count. A value with a flag is never shown without it. */
  readonly flag?: Text;
}

/** Whole numbers that mean no value in the smart-sensor profile (IO-Link Smart Sensor Profile, measurement data channel). */
export const PROFILE_CODES: Readonly<Record<number, Readonly<Record<number, Message>>>> = {
  16: { 32764: say('ioLink.no-signal'), 32760: say('ioLink.too-far'), [-32760]: say('ioLink.too-near') },
  32: {
    2147483644: say('ioLink.no-signal'),
    2147483640: say('ioLink.too-far'),
    [-2147483640]: say('ioLink.too-near'),
  },
};

const PORT_TEXT: Readonly<Record<PortState, Text>> = {
  disabled: say('ioLink.port-disabled'),
  'no device': say('ioLink.no-device'),
  'wrong device': say('ioLink.wrong-device'),
  starting: 'starting',
  connected: '',
  'switching input': '',
  'switching output': '',
  'no answer': say('ioLink.no-answer'),
};

/** Why nothing at all that a port shows counts, if so. */
export function portFlag(state: PortState, valid: boolean): Text | undefined {
  if (PORT_TEXT[state]) return PORT_TEXT[state];
  return valid ? undefined : say('ioLink.not-valid');
}

/**
 * What process data says, item by item, after its description. A number counts only when the port says connected and
 * valid, and the device's own range holds it.
 * @throws JobProblem when the bytes are more or fewer than described.
 */
export function liveItems(
  layout: DescribedRecord,
  bytes: Uint8Array,
  state: PortState,
  valid: boolean,
): LiveItem[] {
  const flag = portFlag(state, valid);
  const values = decodeRecord(layout, bytes);
  return layout.items.map((item) => liveItem(item, sure(values.get(item.name)), flag));
}

function liveItem(item: DescribedItem, raw: ItemValue, flag: Text | undefined): LiveItem {
  const unit = item.type.kind === 'span' ? 's' : (item.scale?.unit ?? '');
  const base = { name: item.name, unit, ...(flag !== undefined && { flag }) };
  const named = namedValue(item, raw);
  if (typeof raw === 'boolean') return { ...base, on: raw, text: named ?? (raw ? 'on' : 'off') };
  if (Array.isArray(raw))
    return { ...base, bits: raw as readonly boolean[], text: bitsText(raw as boolean[]) };
  if (raw instanceof Uint8Array) return { ...base, text: hexOf(raw) };
  if (typeof raw !== 'number') return { ...base, text: named ?? String(raw) };
  const own = flag ?? ownFlag(item, raw);
  const value = item.scale ? scaled(raw, item.scale) : raw;
  const number = item.type.kind === 'float32' ? floatText(item, value) : written(value, 7);
  if (own !== undefined) return { ...base, text: number, flag: own };
  if (named === undefined) return { ...base, value, text: number };
  // A list of names needs no number; a name within a range says what its number means.
  return item.allowed.ranges.length === 0
    ? { ...base, unit: '', value, text: named }
    : { ...base, value, text: number, meaning: named };
}

/** Full scale has so many digits in floating point, and a small value no finer ones. */
const DIGITS = 5;

/** Floating point to as many decimals as the range of its item gives; by its own size where there is none. */
function floatText({ allowed, scale }: DescribedItem, value: number): string {
  const ends = allowed.ranges.flatMap(({ min, max }) => [min, max]);
  const most = Math.max(0, ...ends.map((end) => Math.abs(scale ? scaled(end, scale) : end)));
  const decimals = DIGITS - 1 - Math.floor(Math.log10(most));
  return decimals >= 0 && decimals <= 2 * DIGITS ? fixed(value, decimals) : written(value, DIGITS);
}

/** The device's own name for a value. */
function namedValue({ allowed }: DescribedItem, raw: ItemValue): string | undefined {
  const found = allowed.values.find(({ value }) =>
    typeof raw === 'boolean' ? (value === 'true' || value === '1') === raw : Number(value) === Number(raw),
  );
  return found?.name || undefined;
}

const bitsText = (bits: readonly boolean[]): string => bits.map((on) => (on ? '1' : '0')).join(' ');

/** Why a number does not count by the device's own words, the profile's or its range. */
function ownFlag({ allowed, type }: DescribedItem, raw: number): Text | undefined {
  const named = allowed.values.find(({ value }) => Number(value) === raw);
  const within = allowed.ranges.some(({ min, max }) => raw >= min && raw <= max);
  if (named && !within && allowed.ranges.length > 0) return named.name;
  if (!Number.isFinite(raw)) return say('ioLink.no-number');
  const bits = type.kind === 'int' ? type.bits : 0;
  const profile = PROFILE_CODES[bits]?.[raw];
  if (profile && !within) return profile;
  if (allowed.ranges.length === 0)
    return allowed.values.length > 0 && !named ? say('ioLink.value-of-none') : undefined;
  if (within) return undefined;
  return raw < Math.min(...allowed.ranges.map(({ min }) => min))
    ? say('ioLink.below-range')
    : say('ioLink.above-range');
}

/** The byte in which a master tells a controller what a port's data is worth. */
export interface PortQualifier {
  readonly valid: boolean;
  readonly deviceError: boolean;
  readonly connected: boolean;
  readonly active: boolean;
}

/** Bits 7 to 4 of the qualifier: data valid, device error, device there, port active. */
export const readQualifier = (byte: number): PortQualifier => ({
  valid: (byte & 0x80) !== 0,
  deviceError: (byte & 0x40) !== 0,
  connected: (byte & 0x20) !== 0,
  active: (byte & 0x10) !== 0,
});
