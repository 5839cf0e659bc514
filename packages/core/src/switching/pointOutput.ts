import { oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { JobProblem, refuse, unlessRefused } from '../model/index.ts';
import type { SwitchingOutput } from '../model/index.ts';
import { aboutValue } from '../network/index.ts';
import { stampedSteps } from '../presentation/index.ts';
import type { StampedStep } from '../presentation/index.ts';
import { chainOf, moveChain } from '../scaling/index.ts';
import type { PointChain } from '../scaling/index.ts';
import type { Signal } from './signal.ts';
import type { SwitchFunction, SwitchMode } from './switchFunction.ts';
import { switchedBy } from './switched.ts';
import { hysteresisOf, offBy, thresholdOf } from './threshold.ts';
import type { Threshold } from './threshold.ts';
import { wiringFaults } from './wiringFaults.ts';

/** What a fault makes of an output. */
export interface OutputFault {
  readonly what: Message;
  /** What it is taken for; absent where the signal has no part in it. */
  readonly taken?: Message;
  /** How the output stands then. */
  readonly on: boolean;
  /** Whether that protects; absent where nothing hangs on it. */
  readonly safe?: boolean;
  /** No switching function sees it by itself: only a test or a second way does. */
  readonly hidden: boolean;
}

/** A threshold of a point over its chain. */
export interface PointOutput {
  readonly output: SwitchingOutput;
  readonly made: PointChain;
  /** Over the point's value, in its unit. */
  readonly own: SwitchFunction;
  readonly threshold: Threshold;
  /** ± so much it is off at worst where it is decided. */
  readonly plusMinus: number;
  readonly faults: readonly OutputFault[];
  /** Faults that leave it on the wrong side though it could be otherwise. */
  readonly unsafe: readonly OutputFault[];
}

/** The unit of a link that can be watched. */
export function watchedUnit({ chain }: PointChain, watches: SwitchingOutput['watches']): string {
  switch (watches) {
    case 'value':
      return chain.sensor.unit;
    case 'signal':
      return chain.sensor.signal.unit;
    case 'counts':
      return '';
    case 'engineering':
      return chain.controller.unit;
  }
}

/** What is compared at a link, as it lies on the value. @throws JobProblem where the chain does not reach there. */
function overValue({ chain }: PointChain, { watches, mode }: SwitchingOutput): SwitchMode {
  const at = (number: number): number => moveChain(chain, watches, number).rows.value.value;
  if (mode.kind === 'points') return { kind: 'points', set: at(mode.set), reset: at(mode.reset) };
  const [a, b] = [at(mode.low), at(mode.high)];
  const beyond = Math.max(
    Math.abs(at(mode.low - mode.hysteresis) - a),
    Math.abs(at(mode.high + mode.hysteresis) - b),
  );
  return { kind: 'window', low: Math.min(a, b), high: Math.max(a, b), hysteresis: beyond };
}

/** @throws JobProblem where its numbers are in another unit, or lie where the chain has no value. */
export function outputOver(analysis: Analysis, made: PointChain, output: SwitchingOutput): PointOutput {
  const { decidedBy, accuracyPercent } = output;
  const unit = watchedUnit(made, output.watches);
  if (output.unit !== unit) refuse(say('switching.output-other-unit', { was: output.unit, unit }));
  const own: SwitchFunction = {
    mode: overValue(made, output),
    logic: output.logic,
    damping: output.damping,
    onDelay: output.onDelay,
    offDelay: output.offDelay,
    startUp: output.startUp,
    leastPulse: output.leastPulse,
    latches: output.clearedBy !== 'itself',
    faults: output.onFault,
  };
  const threshold = thresholdOf(analysis, made, own.mode, decidedBy, accuracyPercent);
  const plusMinus = threshold.places.find(({ at }) => at === decidedBy)?.plusMinus ?? 0;
  const faults = faultsOf(analysis, made, own, output.safeSide);
  return {
    output,
    made,
    own,
    threshold,
    plusMinus,
    faults,
    unsafe: faults.filter(({ safe, hidden }) => safe === false && !hidden),
  };
}

/** A value at which nothing is called for, as far from it as the range has room. */
function restOf(mode: SwitchMode, { chain: { sensor } }: PointChain): number {
  const [low, high] = [Math.min(sensor.low, sensor.high), Math.max(sensor.low, sensor.high)];
  if (mode.kind === 'points')
    return mode.set > mode.reset ? (Math.min(low, mode.reset) + mode.reset) / 2 : (high + mode.reset) / 2;
  return mode.low - low >= high - mode.high ? (low + mode.low) / 2 : (high + mode.high) / 2;
}

/** How an output stands once everything has settled after a course. */
function settled(own: SwitchFunction, signal: Signal): boolean {
  const { first, turns } = switchedBy(signal, { ...own, startUp: 0 });
  return turns.at(-1)?.on ?? first;
}

function faultsOf(
  analysis: Analysis,
  made: PointChain,
  own: SwitchFunction,
  safeSide: SwitchingOutput['safeSide'],
): OutputFault[] {
  const rest = restOf(own.mode, made);
  const long = 10 + own.onDelay + own.offDelay + own.leastPulse + 20 * own.damping;
  const judged = (on: boolean) => (safeSide === undefined ? {} : { safe: on === (safeSide === 'on') });
  const row = (what: Message, on: boolean, hidden: boolean, taken?: Message): OutputFault => ({
    what,
    on,
    hidden,
    ...(taken && { taken }),
    ...judged(on),
  });
  const ofWiring = wiringFaults(analysis).map(({ what, taken, is, value }) => {
    const to = value ?? rest;
    const signal: Signal = { at: [0, 1, 1, 1 + long], values: [rest, rest, to, to] };
    return row(
      what,
      settled(own, is ? { ...signal, faults: [{ from: 1, to: 1 + long, is }] } : signal),
      false,
      taken,
    );
  });
  const still = settled(own, { at: [0, long], values: [rest, rest] });
  return [
    ...ofWiring,
    row(say('switching.fault-no-power'), false, false),
    row(say('switching.fault-stands-still'), still, true),
    row(say('switching.fault-output-on'), true, true),
    row(say('switching.fault-output-off'), false, true),
  ];
}

/** A threshold that cannot be worked out, and why. */
interface NoOutput {
  readonly output: SwitchingOutput;
  readonly problem: Message;
}

/** The thresholds of a point, in their order. */
export const outputsOf = oncePer((analysis: Analysis): readonly (PointOutput | NoOutput)[] => {
  const outputs = analysis.context.point.switching?.outputs ?? [];
  if (!outputs.length) return [];
  const made = chainOf(analysis);
  return outputs.map((output) => {
    if (!made) return { output, problem: say('switching.output-without-value') };
    if ('problem' in made) return { output, problem: made.problem };
    try {
      return outputOver(analysis, made, output);
    } catch (error) {
      if (error instanceof JobProblem) return { output, problem: error.first };
      throw error;
    }
  });
});

/** The one step of a threshold: that it is set where it is decided. A change of it opens it again. */
export function outputStep({ context }: Analysis, { output }: PointOutput): StampedStep {
  const step = {
    key: `switch.output.${output.id}`,
    title: say('switching.output-is-set', { name: output.name, relay: output.decidedBy === 'relay' }),
    about: () => aboutValue('output', output),
    detail: say('switching.output-is-set-detail'),
  };
  const [stamped] = stampedSteps(context.index.job, context.point.id, [step]);
  return stamped ?? { step, changed: [] };
}

/** A made-up course through a threshold and back, slow beside its delays; nothing of it was measured. */
export function courseThrough({ own, made }: Pick<PointOutput, 'own' | 'made'>): Signal {
  const { sensor } = made.chain;
  const [low, high] = [Math.min(sensor.low, sensor.high), Math.max(sensor.low, sensor.high)];
  const { mode } = own;
  const room = Math.max(0.12 * (high - low), 1.5 * hysteresisOf(mode));
  const within = (value: number): number => Math.min(high, Math.max(low, value));
  const rest = restOf(mode, made);
  const far =
    mode.kind === 'points'
      ? [within(mode.set > mode.reset ? mode.set + room : mode.set - room)]
      : [(mode.low + mode.high) / 2, within(rest < mode.low ? mode.high + room : mode.low - room)];
  const stay = Math.max(4, 1.6 * Math.max(own.onDelay, own.offDelay, own.leastPulse) + 5 * own.damping);
  const ramp = 2.5 * stay;
  const at = [0, own.startUp + 0.5 * ramp];
  const values = [rest, rest];
  for (const value of [...far, ...far.slice(0, -1).reverse(), rest]) {
    const begin = at[at.length - 1] ?? 0;
    at.push(begin + ramp, begin + ramp + stay);
    values.push(value, value);
  }
  return { at, values };
}

/** Stretches of a course in which an output is on, s. */
export function switchedOver(
  own: SwitchFunction,
  signal: Signal,
): { readonly from: number; readonly to: number }[] {
  const { first, turns } = switchedBy(signal, own);
  const [begin, end] = [signal.at[0] ?? 0, signal.at[signal.at.length - 1] ?? 0];
  const edges = [{ at: begin, on: first }, ...turns];
  return edges.flatMap(({ at, on }, i) =>
    on ? [{ from: at, to: edges[i + 1]?.at ?? Math.max(at, end) }] : [],
  );
}

/** ± so much a value is off where an output is decided; 0 where the chain says nothing of it. */
export const bandAt = (analysis: Analysis, { made, output }: PointOutput, value: number): number =>
  unlessRefused(() => offBy(analysis, made, value, output.decidedBy, output.accuracyPercent)) ?? 0;
