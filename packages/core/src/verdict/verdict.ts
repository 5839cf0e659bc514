import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { judge } from './judge.ts';
import type { Analysis } from '../analysis/index.ts';
import type { Judgement } from './judge.ts';
import { findRemedies } from './remedies/findRemedies.ts';
import type { Remedy } from './remedies/remedy.ts';

export interface Verdict extends Judgement {
  /** Changes that were solved and found to work, best first. */
  readonly remedies: readonly Remedy[];
  /** Where the point cannot work and nothing that was tried puts it right: why, and what to do then. */
  readonly needed?: Message;
}

/** The verdict on a point with ways out that have been solved too. */
export function verdictOf(analysis: Analysis): Verdict {
  const base = judge(analysis);
  if (base.status === 'works' || base.status === 'open') return { ...base, remedies: [] };
  const { remedies, tried } = findRemedies(analysis.context);
  if (remedies.length || base.status !== 'cannot') return { ...base, remedies };
  return { ...base, remedies, needed: neededBy(analysis, tried) };
}

const neededBy = ({ context }: Analysis, tried: number): Message =>
  context.output.drivenBy === 'guard'
    ? say('remedy.none-for-safety', { device: context.device.tag })
    : say('remedy.none-of-tried', { tried, device: context.device.tag });
