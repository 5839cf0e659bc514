import type { Text } from '../messages/index.ts';
import type { DescribedItem, DescribedRecord } from './descriptionTypes.ts';
import { PROFILE_CODES } from './liveValue.ts';
import type { Scale, SimpleType } from './processData.ts';

/** A number in a record that measures something: where it lies, between which raw numbers, and which mean none. */
export interface MeasuredItem {
  readonly name: string;
  readonly bitOffset: number;
  readonly bits: number;
  readonly whole: boolean;
  /** Raw numbers that its type holds. */
  readonly ends: { readonly low: number; readonly high: number };
  /** Raw numbers between which it measures; nothing where the description says none. */
  readonly limits?: { readonly low: number; readonly high: number };
  readonly scale?: Scale;
  /** Raw numbers that mean no value, and what they mean. */
  readonly codes: readonly { readonly raw: number; readonly means: Text }[];
}

/** Whole numbers above this are worked out with less than all their digits. */
const MAX_BITS = 32;

/** Raw numbers that a type holds; nothing of what is no number, or more than can be worked with. */
function endsOfType(type: SimpleType): { low: number; high: number } | undefined {
  if (type.kind === 'uint') return type.bits <= MAX_BITS ? { low: 0, high: 2 ** type.bits - 1 } : undefined;
  if (type.kind === 'int')
    return type.bits <= MAX_BITS
      ? { low: -(2 ** (type.bits - 1)), high: 2 ** (type.bits - 1) - 1 }
      : undefined;
  return type.kind === 'float32' ? { low: -3.4e38, high: 3.4e38 } : undefined;
}

/** The items of a record that measure something: numbers that are no list of names. Those with a scale first. */
export function measuredItems({ items }: DescribedRecord): MeasuredItem[] {
  const found = items.flatMap((item) => measuredItem(item) ?? []);
  return [...found.filter(({ scale }) => scale), ...found.filter(({ scale }) => !scale)];
}

function measuredItem({ name, bitOffset, type, allowed, scale }: DescribedItem): MeasuredItem | undefined {
  const ends = endsOfType(type);
  const { values, ranges } = allowed;
  if (!ends || (values.length > 0 && ranges.length === 0)) return undefined;
  const limits = ranges.length
    ? { low: Math.min(...ranges.map(({ min }) => min)), high: Math.max(...ranges.map(({ max }) => max)) }
    : undefined;
  const within = (raw: number): boolean => limits !== undefined && raw >= limits.low && raw <= limits.high;
  const named = values.map(({ value, name: means }) => ({ raw: Number(value), means: means as Text }));
  const profile = type.kind === 'int' ? Object.entries(PROFILE_CODES[type.bits] ?? {}) : [];
  const codes = [...named, ...profile.map(([raw, means]) => ({ raw: Number(raw), means }))]
    .filter(({ raw }) => !within(raw))
    .filter(({ raw }, i, all) => all.findIndex((code) => code.raw === raw) === i)
    .sort((a, b) => a.raw - b.raw);
  return {
    name,
    bitOffset,
    bits: type.kind === 'float32' ? 32 : (type as { bits: number }).bits,
    whole: type.kind !== 'float32',
    ends,
    ...(limits && { limits }),
    ...(scale && { scale }),
    codes,
  };
}
