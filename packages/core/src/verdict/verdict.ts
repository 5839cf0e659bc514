import { judge } from './judge.ts';
import type { Analysis } from '../analysis/index.ts';
import type { Judgement } from './judge.ts';
import { findRemedies } from './remedies/findRemedies.ts';
import type { Remedy } from './remedies/remedy.ts';

export interface Verdict extends Judgement {
  /** Changes that were solved and found to work, best first. */
  readonly remedies: readonly Remedy[];
}

/** The verdict on a point with ways out that have been solved too. */
export function verdictOf(analysis: Analysis): Verdict {
  const base = judge(analysis);
  const remedies = base.status === 'works' || base.status === 'open' ? [] : findRemedies(analysis.context);
  return { ...base, remedies };
}
