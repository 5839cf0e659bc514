import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refuse } from '../model/index.ts';
import { budgetAt, cutoffOf, LINKS, moveChain } from '../scaling/index.ts';
import type { Contribution, LinkKey, PointChain } from '../scaling/index.ts';

/** Where a threshold can be decided: what lies behind that place has no part in it. */
const PLACES = ['sensor', 'controller', 'screen'] as const;
export type DecidedAt = (typeof PLACES)[number];

/** Causes of error that a place does not have. */
const WITHOUT: Readonly<Record<DecidedAt, (key: Contribution['key']) => boolean>> = {
  sensor: (key) => key !== 'sensor' && key !== 'cold',
  controller: (key) => key === 'display',
  screen: () => false,
};

/** A value at which something switches: as it is set, and between which it truly does. */
interface Band {
  readonly nom: number;
  readonly min: number;
  readonly max: number;
}

/** One link of the chain at both points. */
export interface ThresholdRow {
  readonly key: LinkKey;
  readonly set: Band;
  readonly reset: Band;
}

/** How surely a set point and a reset point are met. */
export interface Threshold {
  readonly unit: string;
  /** ± so much at each place, in the value's unit, the worst of both points. */
  readonly places: readonly { readonly at: DecidedAt; readonly plusMinus: number }[];
  /** In every unit of the chain, decided in the controller. */
  readonly rows: readonly ThresholdRow[];
  /** What is wrong with them, each a sentence. */
  readonly findings: readonly Message[];
}

const DECIDED: readonly LinkKey[] = LINKS.filter((key) => key !== 'display');

/**
 * ± so much a limit at a value is off at worst, in the value's unit, where it is decided.
 * @throws JobProblem where the chain has no budget there.
 */
export const offBy = (analysis: Analysis, made: PointChain, value: number, at: DecidedAt): number =>
  budgetAt(analysis, made, value).contributions.reduce(
    (sum, { key, plusMinus }) => sum + (WITHOUT[at](key) ? 0 : plusMinus),
    0,
  );

/**
 * The band in which a threshold on a point's value truly switches, from the error budget of its chain up to the place
 * where it is decided: every cause at its worst at once.
 * @param set value at which it switches on, @param reset at which off again, both in the value's unit.
 * @throws JobProblem where both are the same, or the chain has no budget there.
 */
export function thresholdOf(analysis: Analysis, made: PointChain, set: number, reset: number): Threshold {
  if (set === reset) refuse(say('switching.set-is-reset'), 'reset');
  const offAt = (at: DecidedAt): number =>
    Math.max(...[set, reset].map((value) => offBy(analysis, made, value, at)));
  const places = PLACES.map((at) => ({ at, plusMinus: offAt(at) }));
  const plusMinus = offAt('controller');
  const bandsAt = (value: number): ((key: LinkKey) => Band) => {
    const at = (by: number) => moveChain(made.chain, 'value', value + by).rows;
    const [middle, below, above] = [at(0), at(-plusMinus), at(plusMinus)];
    return (key) => {
      const [a, b] = [below[key].value, above[key].value];
      return { nom: middle[key].value, min: Math.min(a, b), max: Math.max(a, b) };
    };
  };
  const [on, off] = [bandsAt(set), bandsAt(reset)];
  return {
    unit: made.chain.sensor.unit,
    places,
    rows: DECIDED.map((key) => ({ key, set: on(key), reset: off(key) })),
    findings: findingsOf(made, set, reset, plusMinus),
  };
}

function findingsOf({ chain }: PointChain, set: number, reset: number, plusMinus: number): Message[] {
  const { sensor, display } = chain;
  const { unit } = sensor;
  const [low, high] = [Math.min(sensor.low, sensor.high), Math.max(sensor.low, sensor.high)];
  const hysteresis = Math.abs(set - reset);
  const step = stepAt(chain, set);
  const cut = Math.max(sensor.cutBelow ?? 0, cutoffOf(display));
  const ends = [
    ['set', set],
    ['reset', reset],
  ] as const;
  return [
    ...ends.flatMap(([which, value]): Message[] =>
      value < low || value > high
        ? [say('switching.outside-range', { which, value, low, high, unit })]
        : value + plusMinus > high || value - plusMinus < low
          ? [say('switching.at-the-edge', { which, value, low, high, unit })]
          : [],
    ),
    ...ends.flatMap(([which, value]): Message[] =>
      cut > 0 && Math.abs(value) < cut ? [say('switching.in-cut-off', { which, value, cut, unit })] : [],
    ),
    ...(hysteresis < 2 * step ? [say('switching.coarser-than-hysteresis', { hysteresis, step, unit })] : []),
    ...(hysteresis < 2 * plusMinus ? [say('switching.bands-overlap', { hysteresis, plusMinus, unit })] : []),
  ];
}

/** How far two neighbouring counts lie apart, in the value's unit; 0 where they are as fine as numbers are. */
function stepAt(chain: PointChain['chain'], value: number): number {
  const { counts } = moveChain(chain, 'value', value).rows;
  if (!(chain.converter.format.step >= 1)) return 0;
  const at = (by: number): number =>
    moveChain(chain, 'counts', Math.round(counts.value) + by).rows.value.value;
  return Math.abs(at(1) - at(-1)) / 2;
}
