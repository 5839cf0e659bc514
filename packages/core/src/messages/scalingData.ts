import { written } from '../units/index.ts';

/** Sentences of values that arrive as data, by code. */
export const SCALING_DATA = {
  'scaling.code-raw': ({ tag }: { tag: string }) => `${tag}, counts of the converter: give it its address`,
  'scaling.code-constant': ({ name, unit }: { name: string; unit: string }) =>
    name === 'Cut'
      ? 'share below which it is zero'
      : name.startsWith('Raw')
        ? `counts at the ${name === 'RawLow' ? 'bottom' : 'top'} of the range`
        : `value at the ${name === 'ValueLow' ? 'bottom' : 'top'} of the range, ${unit}`,
  'scaling.code-program': ({ tags }: { tags: readonly string[] }) =>
    tags.length === 1
      ? `Scales ${tags[0]}. Check the first value against a meter before anything acts on it.`
      : `Scales ${tags.length} points: ${tags.join(', ')}. Check the first value of each against a meter before anything acts on it.`,
  'scaling.no-value': 'no value',
  'scaling.bits-of-process-data': ({
    bitOffset,
    bits,
    bitLength,
  }: {
    bitOffset: number;
    bits: number;
    bitLength: number;
  }) => `bits ${bitOffset} to ${bitOffset + bits - 1} of ${bitLength}`,
  'scaling.registers-of': ({
    table,
    address,
    count,
    type,
  }: {
    table: string;
    address: number;
    count: number;
    type: string;
  }) => `${table} register ${address}${count > 1 ? ` to ${address + count - 1}` : ''}, ${type}`,
  'scaling.value-is-not-sent': ({ item, allowed }: { item: string; allowed: string }) =>
    `“${item}” is not among what the device sends now. Choose one of: ${allowed}.`,
  'scaling.port-yet-choose-land': ({ point }: { point: string }) =>
    `${point} has no port yet. Choose one in Land.`,
  'scaling.counts-only-connected-valid': ({ name }: { name: string }) =>
    `${name} counts only while its port or unit says connected and valid.`,
  'scaling.raw-numbers-mean-none': ({ codes }: { codes: readonly string[] }) =>
    `Raw numbers that are no value: ${codes.join(', ')}.`,
  'scaling.raw-means': ({ raw, means }: { raw: number; means: string }) => `${raw} ${means}`,
  'scaling.limits-of-raw-taken': ({ name, low, high }: { name: string; low: number; high: number }) =>
    `Nobody said between which raw numbers ${name} measures: ${low} to ${high} is taken.`,
  'scaling.line-of-raw-taken': ({ name }: { name: string }) =>
    `No scale is told for ${name}: its raw number is taken as it is.`,
  'scaling.step-of-raw': 'Raw number',
  'scaling.half-a-raw-number': 'half of what one raw number stands for',
  'scaling.decimal-places': ({ factor }: { factor: number }) =>
    `a factor of ${factor}: a decimal place or a unit`,
  'scaling.taken-for': ({ one, other }: { one: string; other: string }) => `${one} taken for ${other}?`,
  'scaling.raw-numbers-all-same': 'All raw numbers are the same. Read two that lie far apart.',
  'scaling.lies-on-stated-line': ({
    worst,
    allowed,
    unit,
  }: {
    worst: number;
    allowed: number;
    unit: string;
  }) =>
    `All lie on the stated line, to ${written(worst, 3)} ${unit} where ${written(allowed, 3)} are allowed.`,
  'scaling.lies-on-no-line': ({ beside, allowed, unit }: { beside: number; allowed: number; unit: string }) =>
    `They lie on no line at all: up to ${written(beside, 3)} ${unit} beside their own, where ${written(allowed, 3)} are allowed. A false echo, or a moving target.`,
  'scaling.line-is-shifted': ({ by, unit }: { by: number; unit: string }) =>
    `The slope is right, but all is shifted: ${written(by, 4)} ${unit} are to be added. Measured from another edge?`,
  'scaling.line-runs-other-way': ({ gradient, unit }: { gradient: number; unit: string }) =>
    `It runs the other way: ${written(gradient, 4)} ${unit} for each raw number. A distance taken for a level?`,
  'scaling.line-has-other-slope': ({
    ratio,
    likely,
    gradient,
    offset,
    unit,
  }: {
    ratio: number;
    likely: string;
    gradient: number;
    offset: number;
    unit: string;
  }) =>
    `Not the stated line: they lie on raw × ${written(gradient, 5)} ${offset < 0 ? '−' : '+'} ${written(Math.abs(offset), 4)} ${unit}, ${written(ratio, 4)} times as steep${likely ? `: ${likely}` : ''}.`,
  'scaling.no-analog-output': ({ point }: { point: string }) =>
    `${point} stands on no analog output yet. Land it, and each value that the program gives is followed.`,
  'scaling.writes-counts-for': ({
    low,
    high,
    low2,
    high2,
    unit,
  }: {
    low: number;
    high: number;
    low2: number;
    high2: number;
    unit: string;
  }) =>
    `${written(low)} to ${written(high)} counts are written for ${written(low2)} to ${written(high2)} ${unit}`,
  'scaling.makes-otherwise': ({
    device,
    value,
    makes,
    unit,
  }: {
    device: string;
    value: number;
    makes: number;
    unit: string;
  }) =>
    `Where the program means ${written(value, 4)} ${unit}, ${device} makes ${written(makes, 4)} ${unit} of it: range, signal and switch of both must agree.`,
} as const;
