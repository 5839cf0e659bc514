import { oncePer } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message, Text } from '../../messages/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { unlessRefused } from '../../model/index.ts';
import type { LadderPlan } from '../../model/index.ts';
import { aboutValue } from '../../network/index.ts';
import { stampedSteps } from '../../presentation/index.ts';
import type { StampedStep } from '../../presentation/index.ts';
import { chainOf } from '../../scaling/index.ts';
import type { PointChain } from '../../scaling/index.ts';
import { offBy } from '../threshold.ts';
import { checkLadder } from './checkLadder.ts';
import type { BandOf, LadderFinding } from './checkLadder.ts';
import { restValue } from './exampleSignal.ts';
import { faultOutcomes, unsafeFaults } from './failSafe.ts';
import type { FaultOutcome } from './failSafe.ts';
import type { Ladder } from './ladder.ts';
import { wiringFaults } from '../wiringFaults.ts';
import type { LadderEvent } from './machine.ts';

/** The ladder of a point over its chain. */
export interface PointLadder {
  readonly plan: LadderPlan;
  readonly ladder: Ladder;
  readonly unit: string;
  readonly made: PointChain;
  /** ± so much a limit is off at worst, decided in the controller; 0 where the chain says nothing of it. */
  readonly bandOf: BandOf;
  /** What faults of the wiring make of it, from the solved circuit. */
  readonly outcomes: readonly FaultOutcome[];
  /** What is wrong with it by itself. */
  readonly findings: readonly LadderFinding[];
  /** Faults of the wiring after which it is not on the safe side. */
  readonly unsafe: readonly LadderFinding[];
}

/** Ends of what a point's value can be, least first. */
export function rangeOf({ chain: { sensor } }: PointChain): Ladder['range'] {
  return { low: Math.min(sensor.low, sensor.high), high: Math.max(sensor.low, sensor.high) };
}

/** How far a limit on a chain's value is off at worst, decided in the controller; each limit is worked out once. */
export function bandIn(analysis: Analysis, made: PointChain): BandOf {
  const known = new Map<number, number>();
  return (limit) => {
    const band = known.get(limit) ?? unlessRefused(() => offBy(analysis, made, limit, 'controller')) ?? 0;
    known.set(limit, band);
    return band;
  };
}

/** A plan over a point's chain, checked whole. */
export function ladderOver(analysis: Analysis, made: PointChain, plan: LadderPlan): PointLadder {
  const { unit: _, ...rest } = plan;
  const ladder: Ladder = { ...rest, range: rangeOf(made) };
  const bandOf = bandIn(analysis, made);
  const outcomes = faultOutcomes(ladder, wiringFaults(analysis), restValue(ladder));
  return {
    plan,
    ladder,
    unit: plan.unit,
    made,
    bandOf,
    outcomes,
    findings: checkLadder(ladder, bandOf),
    unsafe: unsafeFaults(outcomes, plan.unit),
  };
}

/** The ladder of a point; why there is none though one was planned; nothing where none was. */
export const ladderOf = oncePer((analysis: Analysis): PointLadder | { problem: Message } | undefined => {
  const { switching } = analysis.context.point;
  const plan = switching?.ladder;
  if (!plan) return undefined;
  const made = chainOf(analysis);
  if (!made) return { problem: say('switching.ladder-without-value') };
  if ('problem' in made) return made;
  const { unit } = made.chain.sensor;
  if (plan.unit !== unit) return { problem: say('switching.ladder-other-unit', { was: plan.unit, unit }) };
  return ladderOver(analysis, made, plan);
});

/** The one step of Switch: that the controller holds the ladder. A change of it opens it again. */
export function switchStep({ context }: Analysis, { plan }: PointLadder): StampedStep {
  const { levels } = plan;
  const step = {
    key: 'switch.taken',
    title: say('switching.controller-holds', { levels: levels.map(({ name }) => name) }),
    about: () => aboutValue('ladder', plan),
    detail: say('switching.controller-holds-detail'),
  };
  const [stamped] = stampedSteps(context.index.job, context.point.id, [step]);
  return stamped ?? { step, changed: [] };
}

/** What happens on the way to a finding, one after the other; values that are only passed are left out. */
export function wayText(way: readonly LadderEvent[], unit: string): Text[] {
  return way
    .filter((event, i) => event.is !== 'value' || way[i + 1]?.is !== 'value')
    .map((event) => {
      switch (event.is) {
        case 'value':
          return say('switching.way-value', { value: event.value, unit });
        case 'delay':
          return say('switching.way-delay', { name: event.name });
        case 'clear':
          return say('switching.way-clear', { by: event.by });
        default:
          return WAY[event.is];
      }
    });
}

const WAY: Readonly<Record<Exclude<LadderEvent['is'], 'value' | 'delay' | 'clear'>, Message>> = {
  fault: say('switching.way-fault'),
  mended: say('switching.way-mended'),
  started: say('switching.way-started'),
  power: say('switching.way-power'),
  bypass: say('switching.way-bypass'),
  bypassOver: say('switching.way-bypass-over'),
};
