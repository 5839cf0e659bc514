import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Bands, DataChoice, RawFormat } from '../model/index.ts';
import { Scaling } from '../model/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { scaled } from '../ioLink/index.ts';
import type { OwnPort } from '../network/index.ts';
import { problemOfCurve, straight, tablesOf } from '../sensing/index.ts';
import type { Curve } from '../sensing/index.ts';
import { swallowedEnds } from './bands.ts';
import type { SensorPart } from './chain.ts';
import { chosenValue, dataValuesOf } from './dataValue.ts';
import type { ChosenValue, DataValue } from './dataValue.ts';
import type { LoopCurve } from './loopCurve.ts';
import type { NoChain, PointChain } from './pointChainTypes.ts';
import { usualDisplay } from './usualDisplay.ts';

/** Whether a point's value arrives as data that is known. */
export const arrivesAsData = ({ context }: Analysis): boolean => dataValuesOf(context) !== undefined;

/**
 * The chain of a value that arrives as data: what is measured, as the device has it, as its port passes it on, the raw
 * number, and what the program makes of it. It has no loop: what arrives is what was sent, or nothing.
 */
export function dataChain(analysis: Analysis): PointChain | NoChain {
  const { context } = analysis;
  const values = dataValuesOf(context);
  if (!values || 'problem' in values) return values;
  const scaling = context.point.scaling ?? Scaling.parse({});
  const chosen = chosenValue(values.values, scaling.data);
  if ('problem' in chosen) return chosen;
  const own = context.ports[0];
  if (!own) return { problem: say('scaling.port-yet-choose-land', { point: context.point.tag }) };
  let made: PointChain | undefined;
  const problem = problemOfCurve(() => (made = build(analysis, own, scaling, chosen)));
  return made ?? { problem: sure(problem) };
}

function build({ context }: Analysis, own: OwnPort, scaling: Scaling, chosen: ChosenValue): PointChain {
  const { point, device, index } = context;
  const { value, line, limits } = chosen;
  const measured = { low: scaled(limits.low, line), high: scaled(limits.high, line) };
  const { range, curve } = wanted(scaling.data, line.unit, measured);
  const sensor: SensorPart = {
    label: device.tag,
    unit: range.unit,
    low: range.low,
    high: range.high,
    curve,
    signal: { unit: line.unit, low: curve.at(range.low), high: curve.at(range.high) },
  };
  const format = formatOf(value, limits);
  const toRaw = straight(measured.low, limits.low, measured.high, limits.high);
  const controller = { label: own.module.tag, unit: range.unit, low: range.low, high: range.high };
  const bands = scaling.bands ?? dataBands(chosen);
  const ends = sorted(sensor.signal.low, sensor.signal.high);
  const share = straight(sensor.signal.low, 0, sensor.signal.high, 1);
  return {
    chain: {
      sensor,
      loop: passedOn(sorted(measured.low, measured.high)),
      input: { label: `${own.module.tag} ${own.port.label}`, unit: line.unit, isData: true },
      converter: {
        format,
        range: { ...measured, zero: 'removed' },
        curve: straight(0, 0, 1, 1),
        unit: line.unit,
      },
      controller: { ...controller, curve: programOf(scaling.data, toRaw, curve) },
      display: scaling.display ?? usualDisplay(controller),
      bands,
    },
    scaling,
    tables: tablesOf(index.job, point.id),
    own,
    sensed: { part: sensor, levelOf: share.at, signalOf: share.inverse, notes: [] },
    range,
    notes: notesOf(chosen),
    ends,
    swallowed: swallowedEnds(bands, ends, { unit: line.unit, isData: true }),
    data: chosen,
  };
}

const sorted = (a: number, b: number): { low: number; high: number } => ({
  low: Math.min(a, b),
  high: Math.max(a, b),
});

/** The wanted value's range, and the device's value for each: its own, or what that stands for. */
function wanted(
  choice: DataChoice | undefined,
  unit: string,
  measured: { low: number; high: number },
): { range: { low: number; high: number; unit: string }; curve: Curve } {
  const { stands } = choice ?? {};
  if (!stands)
    return { range: { ...sorted(measured.low, measured.high), unit }, curve: straight(0, 0, 1, 1) };
  const { at, atOther, low, high } = stands;
  const line = straight(low, at, high, atOther);
  return { range: { ...sorted(low, high), unit: stands.unit }, curve: line };
}

/** What the program makes of the device's value: as somebody found it in the program, else what is wanted. */
function programOf(choice: DataChoice | undefined, toRaw: Curve, curve: Curve): Curve {
  if (!choice?.program) return { at: curve.inverse, inverse: curve.at };
  const { rawLow, low, rawHigh, high } = choice.program;
  const told = straight(rawLow, low, rawHigh, high);
  return {
    at: (measured) => told.at(toRaw.at(measured)),
    inverse: (value) => toRaw.inverse(told.inverse(value)),
  };
}

/** Parts of its span to which single precision tells a number apart (IEC 60559, binary32). */
const SINGLE_STEPS = 2 ** 23;

const formatOf = ({ whole, ends }: DataValue, limits: { low: number; high: number }): RawFormat => ({
  id: 'data',
  name: 'as it arrives',
  kind: 'share',
  low: limits.low,
  high: limits.high,
  min: ends.low,
  max: ends.high,
  step: whole ? 1 : (limits.high - limits.low) / SINGLE_STEPS,
  bothSides: false,
});

/** What arrives is what was sent, whatever it is: also a number that is no value. */
function passedOn({ low, high }: { low: number; high: number }): LoopCurve {
  const same = (signal: number) => ({ nom: signal, min: signal, max: signal });
  return {
    knots: [low, high].map((signal) => ({ signal, ...same(signal) })),
    at: same,
    inverse: (input) => input,
  };
}

/**
 * Outside the device's own limits it is out of range; from its nearest code on, or the end of what its type holds, it is
 * no value at all.
 */
function dataBands({ value, limits, line }: ChosenValue): Bands {
  const raws = value.codes.map(({ raw }) => raw);
  const below = Math.max(value.ends.low - 1, limits.low - 1e12, ...raws.filter((raw) => raw < limits.low));
  const above = Math.min(value.ends.high + 1, limits.high + 1e12, ...raws.filter((raw) => raw > limits.high));
  const range = sorted(scaled(limits.low, line), scaled(limits.high, line));
  const faults = sorted(scaled(below, line), scaled(above, line));
  return {
    lowFault: faults.low,
    underAt: range.low,
    overAt: range.high,
    highFault: faults.high,
    delay: 0,
    reaction: 'fail',
  };
}

function notesOf({ value, limits, limitsTaken, lineTaken }: ChosenValue): Message[] {
  const { name } = value;
  return [
    say('scaling.counts-only-connected-valid', { name }),
    ...(value.codes.length
      ? [
          say('scaling.raw-numbers-mean-none', {
            codes: value.codes.map(({ raw, means }) => say('scaling.raw-means', { raw, means })),
          }),
        ]
      : []),
    ...(limitsTaken
      ? [say('scaling.limits-of-raw-taken', { name, low: limits.low, high: limits.high })]
      : []),
    ...(lineTaken ? [say('scaling.line-of-raw-taken', { name })] : []),
  ];
}
