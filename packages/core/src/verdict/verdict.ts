import { judge } from './judge.ts';
import type { Analysis } from '../analysis/index.ts';
import type { Judgement } from './judge.ts';
import { findWaysOut } from './waysOut/findWaysOut.ts';
import type { WayOut } from './waysOut/wayOut.ts';

export interface Verdict extends Judgement {
  /** Changes that were solved and found to work, best first. */
  readonly waysOut: readonly WayOut[];
}

/** The verdict on a point with ways out that have been solved too. */
export function verdictOf(analysis: Analysis): Verdict {
  const base = judge(analysis);
  const waysOut = base.status === 'works' || base.status === 'open' ? [] : findWaysOut(analysis.context);
  return { ...base, waysOut };
}
