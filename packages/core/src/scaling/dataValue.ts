import { oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { measuredItems, processDataInForce } from '../ioLink/index.ts';
import type { DescribedRecord, MeasuredItem, Scale } from '../ioLink/index.ts';
import { descriptionOf, presentValues } from '../job/index.ts';
import type { DataChoice, MappedValue } from '../model/index.ts';
import type { PointContext } from '../network/index.ts';
import { networkPlaceOf, registersOf, serialPlaceOf } from '../setting/index.ts';

interface Ends {
  readonly low: number;
  readonly high: number;
}

/** A value that arrives as data: where it lies, between which raw numbers it measures, and what they mean. */
export interface DataValue {
  readonly id: string;
  readonly name: string;
  readonly whole: boolean;
  /** Raw numbers that its type holds, and those between which it measures. */
  readonly ends: Ends;
  readonly limits?: Ends;
  readonly line?: Scale;
  readonly codes: MeasuredItem['codes'];
  /** Where it lies in what arrives. */
  readonly place: Text;
  /** Process data that it is an item of, by its name. */
  readonly record?: DescribedRecord;
  /** Registers that hold it. */
  readonly mapped?: MappedValue;
}

/** The values that a point's device sends; why they are not known; nothing where it sends none or no line talks. */
export type DataValues =
  { readonly values: readonly DataValue[] } | { readonly problem: Message } | undefined;

/** What of the values that a point's device sends measures something. */
export const dataValuesOf = oncePer(findValues);

function findValues(context: PointContext): DataValues {
  const { drivenBy, landsOn } = context.output;
  if (drivenBy !== 'communication') return undefined;
  return landsOn === 'io-link' ? ioLinkValues(context) : mappedValues(context);
}

/** Nothing where there is none that measures. */
const known = (values: readonly DataValue[]): DataValues => (values.length ? { values } : undefined);

function mappedValues({ index, device }: PointContext): DataValues {
  const place = serialPlaceOf(index.job, device.id)?.unit ?? networkPlaceOf(index.job, device.id)?.member;
  return known((place?.map ?? []).filter(({ parameter }) => parameter === undefined).map(ofRegisters));
}

function ioLinkValues({ index, device }: PointContext): DataValues {
  const described = descriptionOf(index.job.descriptions, device);
  if (!described) return undefined;
  const { values } = presentValues(index, device.id);
  const now = processDataInForce(described, (key) => values.get(key)?.value);
  if ('unknown' in now) return { problem: now.unknown };
  const record = now.data?.input;
  return record && known(measuredItems(record).map((item) => ofItem(item, record)));
}

const ofItem = (
  { name, bitOffset, bits, whole, ends, limits, scale, codes }: MeasuredItem,
  record: DescribedRecord,
): DataValue => ({
  id: name,
  name,
  whole,
  ends,
  ...(limits && { limits }),
  ...(scale && { line: scale }),
  codes,
  place: say('scaling.bits-of-process-data', { bitOffset, bits, bitLength: record.bitLength }),
  record,
});

/** Raw numbers that registers hold, by their type. */
const REGISTER_ENDS: Readonly<Record<MappedValue['type'], Ends>> = {
  uint16: { low: 0, high: 65535 },
  int16: { low: -32768, high: 32767 },
  uint32: { low: 0, high: 2 ** 32 - 1 },
  int32: { low: -(2 ** 31), high: 2 ** 31 - 1 },
  uint64: { low: 0, high: Number.MAX_SAFE_INTEGER },
  int64: { low: Number.MIN_SAFE_INTEGER, high: Number.MAX_SAFE_INTEGER },
  float32: { low: -3.4e38, high: 3.4e38 },
  float64: { low: -1.79e308, high: 1.79e308 },
};

const ofRegisters = (mapped: MappedValue): DataValue => {
  const { id, name, type, scale, unit, table, address } = mapped;
  return {
    id,
    name,
    whole: !type.startsWith('float'),
    ends: REGISTER_ENDS[type],
    line: { gradient: scale, offset: 0, unit },
    codes: [],
    place: say('scaling.registers-of', { table, address, count: registersOf(type), type }),
    mapped,
  };
};

/** A value with all that is chosen of it put over what its description says. */
export interface ChosenValue {
  readonly value: DataValue;
  readonly line: Scale;
  readonly limits: Ends;
  /** Nobody said where it measures: the ends of its type, or a range that anything fits in. */
  readonly limitsTaken: boolean;
  readonly lineTaken: boolean;
}

/** Raw numbers beyond this are no limits of a measurement, but of a type. */
const WIDE = 2 ** 16;
const SOME: Ends = { low: 0, high: 10_000 };

/** The value that a point is about: the chosen one, else the first that has a scale. */
export function chosenValue(
  values: readonly DataValue[],
  choice: DataChoice | undefined,
): ChosenValue | { readonly problem: Message } {
  const value = choice?.item === undefined ? values[0] : values.find(({ id }) => id === choice.item);
  if (!value)
    return {
      problem: say('scaling.value-is-not-sent', {
        item: choice?.item ?? '',
        allowed: values.map(({ name }) => name).join(', '),
      }),
    };
  const told = choice?.raw ?? value.limits;
  const { low, high } = value.ends;
  const line = choice?.line ?? value.line;
  return {
    value,
    line: line ?? { gradient: 1, offset: 0, unit: '' },
    limits: told ?? (high - low < WIDE ? { low, high } : SOME),
    limitsTaken: told === undefined,
    lineTaken: line === undefined,
  };
}
