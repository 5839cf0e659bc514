import { oncePer, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Range } from '../model/index.ts';
import { Scaling } from '../model/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { OwnPort } from '../network/index.ts';
import { swallowedEnds, usualBands } from './bands.ts';
import { beyondTable, problemOfCurve, rootOf, straight, tableOf, tablesOf, then } from '../sensing/index.ts';
import type { CalibrationTables, Curve } from '../sensing/index.ts';
import { countedOf, engineeringOf } from './chain.ts';
import type { SignalChain } from './chain.ts';
import { dataChain } from './dataChain.ts';
import { converted, unitOf } from './converterPart.ts';
import type { Converted } from './converterPart.ts';
import { loopCurveOf, loopWhenAsked, solveLoop } from './loopCurve.ts';
import type { NoChain, PointChain } from './pointChainTypes.ts';
import { countsPulses, pulseChain } from './pulseChain.ts';
import { sensedBy } from './sensorPart.ts';
import type { SensedBy } from './sensorPart.ts';
import { effectiveRange } from './effective.ts';
import type { EffectiveRange } from './effective.ts';
import { usualDisplay } from './usualDisplay.ts';

/** The chain of a point, from how its parts stand and from the solved loop. Worked out once for an analysis. */
export const chainOf = oncePer(makeChain);

/** Whether a point's value is measured, so that its chain can be scaled. */
export const isMeasured = ({ context }: Analysis): boolean =>
  context.output.drivenBy === 'value' &&
  (context.output.signal !== undefined ||
    context.output.resistanceFor !== undefined ||
    context.output.thermocouple !== undefined);

function makeChain(analysis: Analysis): PointChain | NoChain {
  if (countsPulses(analysis)) return pulseChain(analysis);
  if (analysis.context.output.drivenBy === 'communication') return dataChain(analysis);
  if (!isMeasured(analysis)) return undefined;
  const { context, present } = analysis;
  const { point, index } = context;
  const own = present.measured[0]?.own;
  if (!own) return { problem: say('scaling.analog-input-yet-choose', { point: point.tag }) };
  if (!point.range) return { problem: say('scaling.range-yet-give-such', { point: point.tag }) };
  const scaling = point.scaling ?? Scaling.parse({});
  const tables = tablesOf(index.job, point.id);
  let made: PointChain | undefined;
  const problem = problemOfCurve(() => (made = build(analysis, own, scaling, tables)));
  return made ?? { problem: sure(problem) };
}

function build(analysis: Analysis, own: OwnPort, scaling: Scaling, tables: CalibrationTables): PointChain {
  const { context } = analysis;
  const range = sure(context.point.range);
  const sensed = sensedBy(context, range, scaling, tables);
  const loop = loopWhenAsked(() =>
    loopCurveOf(solveLoop(analysis, signalsOf(sensed), sensed.levelOf), unitOf(own)),
  );
  const prefix = `${own.port.name}.`;
  const channel = effectiveRange(context.index, own.module.id, range.unit, prefix);
  const times = scaling.controller.multiplier;
  const low = (channel?.low ?? range.low) * times;
  const high = (channel?.high ?? range.high) * times;
  const made = converted(analysis, own, scaling, range, channel);
  const controller = {
    label: own.module.tag,
    unit: range.unit,
    low,
    high,
    curve: programCurve(scaling, tables, made, range, { low, high }),
    ...(scaling.controller.shape === 'table' &&
      tables.points.length >= 2 && {
        guesses: (measured: number) => beyondTable(tables.points, measured),
      }),
  };
  const display = scaling.display ?? usualDisplay(controller);
  const inputRange = made.input;
  const bands = scaling.bands ?? usualBands(inputRange.low, inputRange.high, unitOf(own), made.faults);
  const chain: SignalChain = {
    sensor: sensed.part,
    loop,
    input: { label: `${own.module.tag} ${own.port.label}`, unit: unitOf(own) },
    converter: made.converter,
    controller,
    display,
    bands,
  };
  return {
    chain,
    scaling,
    tables,
    own,
    sensed,
    range,
    notes: [...notesOf(sensed, scaling, tables, channel, own), ...breakNote(chain, inputRange)],
    ends: inputRange,
    swallowed: swallowedEnds(bands, inputRange, { unit: unitOf(own) }),
  };
}

/** What a broken wire is read as, where the signal has no live zero and its range holds that reading. */
function breakNote(chain: SignalChain, { low, high }: { low: number; high: number }): Message[] {
  const { unit } = chain.input;
  if ((unit !== 'V' && unit !== 'mA') || low > 0 || high < 0) return [];
  const value = engineeringOf(chain, countedOf(chain, 0).counts);
  return [say('scaling.break-reads', { unit, value, unit2: chain.controller.unit })];
}

/** Shares of the signal's range at which the loop is solved: closer where it may bend. */
const SHARES = [-0.25, -0.1, -0.025, 0, 0.125, 0.25, 0.5, 0.75, 1, 1.03125, 1.0625, 1.15];

function signalsOf({ part: { signal } }: SensedBy): number[] {
  // No resistance is below zero.
  const min = signal.unit === 'Ω' ? 0 : -Infinity;
  const signals = SHARES.map((share) => Math.max(min, signal.low + share * (signal.high - signal.low)));
  return [...new Set(signals)].sort((a, b) => a - b);
}

/** What the program makes of what the converter measures. */
function programCurve(
  { controller }: Scaling,
  { points }: CalibrationTables,
  { converter, input }: Converted,
  range: Range,
  ends: { low: number; high: number },
): Curve {
  const { multiplier } = controller;
  if (controller.shape === 'table' && points.length >= 2)
    return then(tableOf(points), straight(0, 0, 1, multiplier));
  // A temperature arrives as such: the program only brings it into its own counts.
  if (converter.unit === range.unit && converter.format.kind === 'unit') return straight(0, 0, 1, multiplier);
  const from = converter.unit === range.unit ? converter.range : input;
  const share = straight(from.low, 0, from.high, 1);
  const shaped = controller.shape === 'root' ? then(share, rootOf(controller.cutPercent / 100)) : share;
  return then(shaped, straight(0, ends.low, 1, ends.high));
}

/**
 * Time after which a step is read to within 1 %, ms: one update, and ln 100 time constants of a filter of first order.
 * Nothing where neither was told.
 */
export function settledAfter({ converter: { updateMs, filterMs } }: Scaling): number | undefined {
  return updateMs === undefined && filterMs === undefined
    ? undefined
    : (updateMs ?? 0) + Math.log(100) * (filterMs ?? 0);
}

function notesOf(
  { notes }: SensedBy,
  scaling: Scaling,
  tables: CalibrationTables,
  channel: EffectiveRange | undefined,
  { module, port: { label } }: OwnPort,
): Message[] {
  const settled = settledAfter(scaling);
  const wantsTable = scaling.sensor.shape === 'table' || scaling.controller.shape === 'table';
  return [
    ...notes,
    ...(channel?.assumed ? [say('scaling.nobody-looked-scaling-yet', { module: module.tag, label })] : []),
    ...(settled === undefined ? [] : [say('scaling.step-value-read-within', { settled })]),
    ...(wantsTable && tables.points.length < 2 ? [say('scaling.table-chosen-none-force')] : []),
  ];
}
