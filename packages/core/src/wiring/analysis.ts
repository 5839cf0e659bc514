import type { JobContent } from '../model/job.ts';
import { JobIndex } from './jobIndex.ts';
import { diagnose } from './reasons.ts';
import type { Reason } from './reasons.ts';
import { worksSentence } from './sentences.ts';
import { contextOf, solveState } from './states.ts';
import type { PointContext, PointState } from './states.ts';

/**
 * `works`: surely on in one state and surely off in the other; `doubtful`: it does so at nominal values but not
 * over the whole tolerance, or a limit is passed; `cannot`: it does not follow the target; `open`: not on a channel.
 */
export type VerdictStatus = 'works' | 'doubtful' | 'cannot' | 'open';

/** What the solved states say of a point. */
export interface Judgement {
  readonly status: VerdictStatus;
  /** One sentence or two: what, and why. */
  readonly sentence: string;
  readonly reasons: readonly Reason[];
}

export interface Analysis {
  readonly context: PointContext;
  readonly away: PointState;
  readonly present: PointState;
  /** All solved states, those with the other devices of a loose common active among them. */
  readonly states: readonly PointState[];
}

/** Solves a point for every state of its target and, where they act on it, of its neighbours. */
export function analyse(index: JobIndex, pointId: string): Analysis {
  const context = contextOf(index, pointId);
  const away = solveState(context, false);
  const present = solveState(context, true);
  const others = context.scope.mateIds.length
    ? [solveState(context, false, true), solveState(context, true, true)]
    : [];
  return { context, away, present, states: [away, present, ...others] };
}

/** Status and reasons alone, without looking for ways out. */
export function judge(analysis: Analysis): Judgement {
  const { context } = analysis;
  if (!context.place)
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

/** Status of one point of a job; used to prove a way out. */
export function statusIn(job: JobContent, pointId: string): VerdictStatus {
  return judge(analyse(new JobIndex(job), pointId)).status;
}
