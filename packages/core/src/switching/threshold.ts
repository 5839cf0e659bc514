import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refuse, unlessRefused } from '../model/index.ts';
import { budgetAt, cutoffOf, effective, LINKS, moveChain } from '../scaling/index.ts';
import type { Contribution, LinkKey, PointChain } from '../scaling/index.ts';
import { plateLines } from '../setting/index.ts';
import { convert, parseIn } from '../units/index.ts';
import type { SwitchMode } from './switchFunction.ts';

/** Where a threshold can be decided: what lies behind that place has no part in it. */
export type DecidedAt = 'sensor' | 'relay' | 'controller' | 'screen';

const BEHIND_SIGNAL: ReadonlySet<Contribution['key']> = new Set([
  'burden',
  'converter',
  'scaling',
  'linearisation',
  'display',
]);

/** Causes of error that a place does not have. */
const WITHOUT: Readonly<Record<DecidedAt, (key: Contribution['key']) => boolean>> = {
  sensor: (key) => key !== 'sensor' && key !== 'cold',
  relay: (key) => BEHIND_SIGNAL.has(key),
  controller: (key) => key === 'display',
  screen: () => false,
};

/** Accuracy of a relay that watches a signal, about which nothing was said, % of the span of the signal. */
export const USUAL_RELAY_PERCENT = 0.5;

/** A value at which something switches: as it is set, and between which it truly does. */
interface Band {
  readonly nom: number;
  readonly min: number;
  readonly max: number;
}

/** One link of the chain at both ends: on and off again, or both ends of a window. */
export interface ThresholdRow {
  readonly key: LinkKey;
  readonly ends: readonly [Band, Band];
}

/** How surely both ends are met. */
export interface Threshold {
  readonly unit: string;
  /** ± so much at each place that the chain has, in the value's unit, the worst of both ends. */
  readonly places: readonly { readonly at: DecidedAt; readonly plusMinus: number }[];
  /** In every unit of the chain, where it is decided. */
  readonly rows: readonly ThresholdRow[];
  /** What is wrong with it, each a sentence. */
  readonly findings: readonly Message[];
}

/** Links that lie before or at the place where it is decided. */
const DECIDED: Readonly<Record<DecidedAt, readonly LinkKey[]>> = {
  sensor: ['value', 'signal'],
  relay: ['value', 'signal'],
  controller: LINKS.filter((key) => key !== 'display'),
  screen: LINKS,
};

/** How a relay's own accuracy comes out in the value's unit. */
function relayError({ chain }: PointChain, value: number, percent: number): number {
  const { signal } = chain.sensor;
  const at = moveChain(chain, 'value', value).rows.signal.value;
  const by = (percent / 100) * Math.abs(signal.high - signal.low);
  const moved = (to: number): number =>
    unlessRefused(() => moveChain(chain, 'signal', to).rows.value.value) ?? value;
  return Math.max(...[by, -by].map((step) => Math.abs(moved(at + step) - value)));
}

/** Places that a chain has: a relay watches a signal, not data. */
const placesOf = ({ data }: PointChain): DecidedAt[] =>
  data ? ['sensor', 'controller', 'screen'] : ['sensor', 'relay', 'controller', 'screen'];

/** What of an error budget at a value counts where it is decided. @param percent accuracy of a relay. */
const offIn = (
  { contributions }: ReturnType<typeof budgetAt>,
  made: PointChain,
  value: number,
  at: DecidedAt,
  percent: number,
): number =>
  contributions.reduce(
    (sum, { key, plusMinus }) => sum + (WITHOUT[at](key) ? 0 : plusMinus),
    at === 'relay' ? relayError(made, value, percent) : 0,
  );

/**
 * ± so much a limit at a value is off at worst, in the value's unit, where it is decided.
 * @param percent accuracy of a relay, of the span of its signal.
 * @throws JobProblem where the chain has no budget there.
 */
export const offBy = (
  analysis: Analysis,
  made: PointChain,
  value: number,
  at: DecidedAt,
  percent = USUAL_RELAY_PERCENT,
): number => offIn(budgetAt(analysis, made, value), made, value, at, percent);

/** Both ends of what something compares with, by name. */
const endsOf = (mode: SwitchMode) =>
  mode.kind === 'points'
    ? ([
        ['set', mode.set],
        ['reset', mode.reset],
      ] as const)
    : ([
        ['low', mode.low],
        ['high', mode.high],
      ] as const);

/** How far the value has to come back. */
export const hysteresisOf = (mode: SwitchMode): number =>
  mode.kind === 'points' ? Math.abs(mode.set - mode.reset) : mode.hysteresis;

/**
 * The band in which a threshold on a point's value truly switches, from the error budget of its chain up to the place
 * where it is decided: every cause at its worst at once.
 * @param mode in the value's unit.
 * @param percent accuracy of a relay, of the span of its signal.
 * @throws JobProblem where both points are the same, or the chain has no budget there.
 */
export function thresholdOf(
  analysis: Analysis,
  made: PointChain,
  mode: SwitchMode,
  decided: DecidedAt = 'controller',
  percent = USUAL_RELAY_PERCENT,
): Threshold {
  if (mode.kind === 'points' && mode.set === mode.reset) refuse(say('switching.set-is-reset'), 'reset');
  const ends = endsOf(mode);
  const budgets = ends.map(([, value]) => ({ value, budget: budgetAt(analysis, made, value) }));
  const offAt = (at: DecidedAt): number =>
    Math.max(...budgets.map(({ value, budget }) => offIn(budget, made, value, at, percent)));
  const places = placesOf(made).map((at) => ({ at, plusMinus: offAt(at) }));
  const plusMinus = offAt(decided);
  const bandsAt = (value: number): ((key: LinkKey) => Band) => {
    const at = (by: number) => moveChain(made.chain, 'value', value + by).rows;
    const [middle, below, above] = [at(0), at(-plusMinus), at(plusMinus)];
    return (key) => {
      const [a, b] = [below[key].value, above[key].value];
      return { nom: middle[key].value, min: Math.min(a, b), max: Math.max(a, b) };
    };
  };
  const [first, second] = [bandsAt(ends[0][1]), bandsAt(ends[1][1])];
  return {
    unit: made.chain.sensor.unit,
    places,
    rows: DECIDED[decided].map((key) => ({ key, ends: [first(key), second(key)] })),
    findings: findingsOf(analysis, made, mode, plusMinus),
  };
}

type Ends = ReturnType<typeof endsOf>;

function findingsOf(analysis: Analysis, made: PointChain, mode: SwitchMode, plusMinus: number): Message[] {
  const { chain } = made;
  const { unit } = chain.sensor;
  const ends = endsOf(mode);
  const hysteresis = hysteresisOf(mode);
  const step = stepAt(chain, ends[0][1]);
  const width = mode.kind === 'window' ? mode.high - mode.low : Infinity;
  return [
    ...placeFindings(made, ends, plusMinus),
    ...deadZones(analysis, made, ends),
    ...(hysteresis < 2 * step ? [say('switching.coarser-than-hysteresis', { hysteresis, step, unit })] : []),
    ...(hysteresis < 2 * plusMinus ? [say('switching.bands-overlap', { hysteresis, plusMinus, unit })] : []),
    ...(width < 2 * plusMinus ? [say('switching.window-narrow', { width, plusMinus, unit })] : []),
  ];
}

/** Ends outside of the range, at its edge, or within a cut-off. */
function placeFindings({ chain }: PointChain, ends: Ends, plusMinus: number): Message[] {
  const { sensor, display } = chain;
  const { unit } = sensor;
  const [low, high] = [Math.min(sensor.low, sensor.high), Math.max(sensor.low, sensor.high)];
  const cut = Math.max(sensor.cutBelow ?? 0, cutoffOf(display));
  return ends.flatMap(([which, value]): Message[] => [
    ...(value < low || value > high
      ? [say('switching.outside-range', { which, value, low, high, unit })]
      : value + plusMinus > high || value - plusMinus < low
        ? [say('switching.at-the-edge', { which, value, low, high, unit })]
        : []),
    ...(cut > 0 && Math.abs(value) < cut ? [say('switching.in-cut-off', { which, value, cut, unit })] : []),
  ]);
}

/** Ends where nothing is measured: in a band of faults, before the face of a distance sensor, beyond its reach. */
function deadZones({ context: { index, device, point } }: Analysis, made: PointChain, ends: Ends): Message[] {
  const { sensor } = made.chain;
  const { unit } = sensor;
  const plate = plateLines(index, point);
  const length = (key: string): number | undefined => {
    const line = plate.find(({ fact }) => fact.key === key);
    const read = parseIn(line?.typed ?? '', line?.fact.unit ?? '');
    return read.ok && read.value > 0 ? convert(read.value, line?.fact.unit ?? '', unit) : undefined;
  };
  // Of a device that is told to give the level, the distance is not known here.
  const isDistance = effective(index, device.id, 'mode')?.value !== 'level';
  const [blind, reach] = isDistance ? [length('blind'), length('reach')] : [];
  return ends.flatMap(([which, value]): Message[] => {
    if (blind !== undefined && value < blind)
      return [say('switching.in-blind-zone', { which, value, edge: blind, unit, near: true })];
    if (reach !== undefined && value > reach)
      return [say('switching.in-blind-zone', { which, value, edge: reach, unit, near: false })];
    const band = unlessRefused(() => moveChain(made.chain, 'value', value).band);
    return band === 'lowFault' || band === 'highFault'
      ? [say('switching.in-dead-zone', { which, value, unit })]
      : [];
  });
}

/** How far two neighbouring counts lie apart, in the value's unit; 0 where they are as fine as numbers are. */
function stepAt(chain: PointChain['chain'], value: number): number {
  const { counts } = moveChain(chain, 'value', value).rows;
  if (!(chain.converter.format.step >= 1)) return 0;
  const at = (by: number): number =>
    moveChain(chain, 'counts', Math.round(counts.value) + by).rows.value.value;
  return Math.abs(at(1) - at(-1)) / 2;
}
