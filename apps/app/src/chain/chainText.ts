import { digitsForSpan, dimensionOf, fixed, hasTwoUnits, inSystem, written } from '@keypost/core/units';
import type { UnitSystem } from '@keypost/core/units';
import type { LinkKey, PointChain } from '@keypost/core/scaling';

const QUANTITY: Readonly<Record<string, string>> = {
  flow: 'Flow',
  pressure: 'Pressure',
  temperature: 'Temperature',
  metres: 'Distance',
  mass: 'Load',
  hertz: 'Speed',
  rotation: 'Speed',
  concentration: 'Concentration',
};

/** How one link is named, and what stands beside its number. */
export interface LinkText {
  readonly label: string;
  readonly unit: string;
  readonly digits: number;
  /** Range in which it is used. */
  readonly range: string;
  readonly ends?: { readonly low: number; readonly high: number };
}

/** One link in the units that are shown; those of signals and counts are the same in both systems. */
export function linkShown(
  key: LinkKey,
  words: LinkText,
  value: number,
  system: UnitSystem,
): { words: LinkText; number: string } {
  const { unit, ends } = words;
  const to = (own: number): number => inSystem(own, unit, system).value;
  const other = inSystem(value, unit, system);
  if (!ends || other.unit === unit) return { words, number: linkNumber(key, value, words.digits) };
  const [low, high] = [to(ends.low), to(ends.high)];
  const digits = digitsForSpan(Math.abs(high - low));
  return {
    words: { ...words, unit: other.unit, digits, range: rangeText(low, high) },
    number: linkNumber(key, other.value, digits),
  };
}

/** A difference in the units that are shown: a degree of one scale is not one of the other. */
export const spreadShown = (
  spread: number | undefined,
  unit: string,
  system: UnitSystem,
): number | undefined =>
  spread === undefined || !hasTwoUnits(unit)
    ? spread
    : inSystem(spread, unit, system).value - inSystem(0, unit, system).value;

const rangeText = (low: number, high: number): string => `${written(low, 4)} to ${written(high, 4)}`;

/** The words of every link of a chain, by its key. */
export function linkText({ chain }: PointChain): Readonly<Record<LinkKey, LinkText>> {
  const { sensor, input, converter, controller, display, bands } = chain;
  const { format } = converter;
  const own = digitsForSpan(sensor.high - sensor.low);
  const signal = digitsForSpan(sensor.signal.high - sensor.signal.low);
  const seen = digitsForSpan(bands.overAt - bands.underAt);
  return {
    value: {
      label: QUANTITY[dimensionOf(sensor.unit) ?? ''] ?? 'Value',
      unit: sensor.unit,
      digits: own,
      range: rangeText(sensor.low, sensor.high),
      ends: sensor,
    },
    signal: {
      label: input.isData ? 'Device says' : 'At the sensor',
      unit: sensor.signal.unit,
      digits: signal,
      range: rangeText(sensor.signal.low, sensor.signal.high),
    },
    input: {
      label: input.isData ? 'At the port' : 'At the input',
      unit: input.unit,
      digits: seen,
      range: rangeText(minShown(input, bands.underAt), bands.overAt),
    },
    counts: {
      label: input.isData ? 'Raw number' : 'Counts',
      unit: '',
      digits: format.step < 1 ? 3 : 0,
      range: countRange(format),
    },
    engineering: {
      label: 'Controller',
      unit: controller.unit,
      digits: own,
      range: rangeText(controller.low, controller.high),
      ends: controller,
    },
    display: {
      label: display.label,
      unit: display.unit,
      digits: display.decimals,
      range: rangeText(display.low, display.high),
    },
  };
}

/** Signals that never go below zero are not shown there, wherever their limits lie. */
export const minShown = ({ unit, isData }: PointChain['chain']['input'], low: number): number =>
  unit === 'mV' || isData ? low : Math.max(0, low);

const countRange = ({ kind, low, high }: PointChain['chain']['converter']['format']): string =>
  kind === 'unit' ? `${high} a unit` : `${grouped(low)} to ${grouped(high)}`;

/** Whole numbers in groups of three, with thin gaps that never break. */
export const grouped = (value: number): string => fixed(value, 0).replace(/\B(?=(\d{3})+$)/g, '\u202f');

/** A link's number as it is shown. */
export const linkNumber = (key: LinkKey, value: number, digits: number): string =>
  !Number.isFinite(value)
    ? 'beyond'
    : key === 'counts' && digits === 0
      ? grouped(value)
      : fixed(value, digits);
