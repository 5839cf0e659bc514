import type { Scaling } from '@keypost/core/model';
import type { ChosenValue } from '@keypost/core/scaling';
import { typedMaybe } from '../ui/typedNumbers';
import type { SetupTexts } from './setupFields';

/** What of the setup is about a value that arrives as data. */
type DataTexts = Pick<
  SetupTexts,
  | 'item'
  | 'gradient'
  | 'offset'
  | 'lineUnit'
  | 'rawLow'
  | 'rawHigh'
  | 'standsAt'
  | 'standsLow'
  | 'standsAtOther'
  | 'standsHigh'
  | 'standsUnit'
  | 'programRawLow'
  | 'programLow'
  | 'programRawHigh'
  | 'programHigh'
>;

const text = (value: number | undefined): string => (value === undefined ? '' : String(value));

/** The texts of a chosen value; those of its line and limits as they count now, whoever said them. */
export function firstDataTexts({ data }: Scaling, chosen: ChosenValue | undefined): DataTexts {
  const { stands, program } = data ?? {};
  return {
    item: chosen?.value.id ?? '',
    gradient: text(chosen?.line.gradient),
    offset: text(chosen?.line.offset),
    lineUnit: chosen?.line.unit ?? '',
    rawLow: text(chosen?.limits.low),
    rawHigh: text(chosen?.limits.high),
    standsAt: text(stands?.at),
    standsLow: text(stands?.low),
    standsAtOther: text(stands?.atOther),
    standsHigh: text(stands?.high),
    standsUnit: stands?.unit ?? '',
    programRawLow: text(program?.rawLow),
    programLow: text(program?.low),
    programRawHigh: text(program?.rawHigh),
    programHigh: text(program?.high),
  };
}

/** A group of fields: nothing where all were left empty, else every one, so that a missing one is told. */
const group = <T extends object>(typed: readonly string[], made: T): T | undefined =>
  typed.every((one) => one.trim() === '') ? undefined : made;

/** The row's part that is about data, from what is typed; what nobody changed goes on following the description. */
export function readData(texts: SetupTexts, first: SetupTexts, { data }: Scaling): unknown {
  const same = (...names: (keyof DataTexts)[]): boolean => names.every((name) => texts[name] === first[name]);
  const { standsAt, standsLow, standsAtOther, standsHigh } = texts;
  const { programRawLow, programLow, programRawHigh, programHigh } = texts;
  return {
    item: same('item') ? data?.item : texts.item,
    line: same('gradient', 'offset', 'lineUnit')
      ? same('item')
        ? data?.line
        : undefined
      : {
          gradient: typedMaybe(texts.gradient),
          offset: typedMaybe(texts.offset, texts.lineUnit),
          unit: texts.lineUnit.trim(),
        },
    raw: same('rawLow', 'rawHigh')
      ? same('item')
        ? data?.raw
        : undefined
      : { low: typedMaybe(texts.rawLow), high: typedMaybe(texts.rawHigh) },
    stands: group([standsAt, standsLow, standsAtOther, standsHigh], {
      at: typedMaybe(standsAt, texts.lineUnit),
      low: typedMaybe(standsLow, texts.standsUnit),
      atOther: typedMaybe(standsAtOther, texts.lineUnit),
      high: typedMaybe(standsHigh, texts.standsUnit),
      unit: texts.standsUnit.trim(),
    }),
    program: group([programRawLow, programLow, programRawHigh, programHigh], {
      rawLow: typedMaybe(programRawLow),
      low: typedMaybe(programLow),
      rawHigh: typedMaybe(programRawHigh),
      high: typedMaybe(programHigh),
    }),
  };
}
