import { textOf } from '@keypost/core/messages';
import { ladderOf } from '@keypost/core/switching';
import type { PointLadder } from '@keypost/core/switching';
import type { OpenPoint } from '../point/usePoint';

/** The ladder of a point; a sentence where it has none that can be worked out. */
export function ladderHere({ analysis }: OpenPoint): PointLadder | string {
  const found = ladderOf(analysis);
  if (!found) return 'No alarms stand over this value yet. Make them under Switch.';
  return 'problem' in found ? textOf(found.problem) : found;
}
