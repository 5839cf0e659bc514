import { deviceType } from '../catalog/index.ts';
import type { JobContent } from '../model/job.ts';
import { contextOf } from './context.ts';
import type { PointContext } from './context.ts';
import { guardRun } from './guardRun.ts';
import { JobIndex } from './jobIndex.ts';
import { diagnose } from './reasons/diagnose.ts';
import type { Reason } from './reasons/reason.ts';
import { SAFETY_NOTE } from './reasons/safety.ts';
import { worksSentence } from './sentences.ts';
import { situationsOf } from './situations.ts';
import type { Situation } from './situations.ts';
import { solveState } from './states.ts';
import type { PointState, Wanted } from './states.ts';

/**
 * `works`: surely on in one state and surely off in the other; `doubtful`: it does so at nominal values but not
 * over the whole tolerance, or a limit is passed; `cannot`: it does not follow the target; `open`: not landed.
 */
export type VerdictStatus = 'works' | 'doubtful' | 'cannot' | 'open';

/** What the solved states say of a point. */
export interface Judgement {
  readonly status: VerdictStatus;
  /** One sentence or two: what, and why. */
  readonly sentence: string;
  readonly reasons: readonly Reason[];
  /** Stands beside the verdict whatever it is. */
  readonly note?: string;
}

export interface Analysis {
  readonly context: PointContext;
  /** One state for each thing that is done to the point; `away` is the first of them, `present` the last. */
  readonly shown: readonly PointState[];
  readonly away: PointState;
  readonly present: PointState;
  /** All solved states, those with the other devices of a loose common active among them. */
  readonly states: readonly PointState[];
  /** Further states that are looked at: of a guard, its reset, its single channels and its test pulses. */
  readonly staged: readonly PointState[];
  /** The first state as it is before anything was ever on; only where the circuit has a memory. */
  readonly cold?: PointState;
}

/**
 * Solves a point for every state of its target and, where they act on it, of its neighbours.
 * @param wanted `nominal` leaves the worst cases out: quicker, for what only has to be thrown out early.
 */
export function analyse(index: JobIndex, pointId: string, wanted: Wanted = 'bands'): Analysis {
  const context = contextOf(index, pointId);
  if (context.type.stimulated === 'guard') {
    const { shown, staged } = guardRun(context, wanted);
    return { context, shown, away: shown[0]!, present: shown[1]!, states: shown, staged };
  }
  const situations = situationsOf(context);
  const { shown, cold } = run(context, situations, wanted);
  const others = context.scope.mateIds.length
    ? run(
        context,
        situations.map((situation) => ({ ...situation, others: true })),
        wanted,
      ).shown
    : [];
  return {
    context,
    shown,
    away: shown[0]!,
    present: shown.at(-1)!,
    states: [...shown, ...others],
    staged: [],
    cold,
  };
}

/** Goes through the states in turn, each beginning with what the one before left on; twice round if that matters. */
function run(
  context: PointContext,
  situations: readonly Situation[],
  wanted: Wanted,
): { shown: PointState[]; cold?: PointState } {
  const first = solveState(context, situations[0]!, undefined, wanted);
  const remembers = first.netlist.elements.some(({ kind }) => kind === 'detector' || kind === 'latch');
  if (!remembers)
    return {
      shown: [
        first,
        ...situations.slice(1).map((situation) => solveState(context, situation, undefined, wanted)),
      ],
    };
  let { held } = first.solution;
  const round = (bands: Wanted): PointState[] =>
    situations.map((situation) => {
      const state = solveState(context, situation, held, bands);
      ({ held } = state.solution);
      return state;
    });
  round('nominal');
  return { shown: round(wanted), cold: first };
}

/** Status and reasons alone, without looking for ways out. */
export function judge(analysis: Analysis): Judgement {
  const note = analysis.context.type.family === 'safety' ? SAFETY_NOTE : undefined;
  return { ...verdictWords(analysis), ...(note && { note }) };
}

function verdictWords(analysis: Analysis): Judgement {
  const { context } = analysis;
  if (!isLanded(context))
    return {
      status: 'open',
      sentence: `${context.point.tag} is not on a channel yet. Choose one to see whether it works there.`,
      reasons: [],
    };
  const reasons = diagnose(analysis);
  const stopping = reasons.filter((reason) => reason.weight === 'cannot');
  if (stopping.length) return { status: 'cannot', sentence: stopping[0]!.sentence, reasons };
  if (reasons.length) return { status: 'doubtful', sentence: reasons[0]!.sentence, reasons };
  return { status: 'works', sentence: worksSentence(analysis), reasons };
}

/** A point is landed once it is on a port, or its signal goes to a helper that is wired. */
function isLanded({ ports, helpers, index }: PointContext): boolean {
  return (
    ports.length > 0 ||
    helpers.some(({ id, typeId }) =>
      deviceType(typeId).terminals.some(({ name }) => index.wiresAt(`${id}:${name}`).length),
    )
  );
}

/** Status of one point of a job; used to prove a way out. What cannot work at nominal values is not looked at further. */
export function statusIn(job: JobContent, pointId: string): VerdictStatus {
  const index = new JobIndex(job);
  const quick = judge(analyse(index, pointId, 'nominal')).status;
  return quick === 'cannot' || quick === 'open' ? quick : judge(analyse(index, pointId)).status;
}
