import type { JobView } from '@keypost/api';
import { analyse } from '@keypost/core/analysis';
import { progressOf } from '@keypost/core/proving';
import { verdictOf } from '@keypost/core/verdict';
import type { Analysis } from '@keypost/core/analysis';
import type { DeviceType } from '@keypost/core/catalog';
import type { JobIndex } from '@keypost/core/job';
import type { PointProgress } from '@keypost/core/proving';
import type { Verdict } from '@keypost/core/verdict';
import { useMemo } from 'react';

/** A point with everything that its circuit says. */
export interface OpenPoint {
  readonly view: JobView;
  readonly index: JobIndex;
  readonly analysis: Analysis;
  readonly verdict: Verdict;
  readonly progress: PointProgress;
  readonly type: DeviceType;
  /** Address of the point's pages. */
  readonly base: `/job/${string}/point/${string}`;
}

/** Solves a point of a job; nothing while the job is being read, or when it has no such point. */
export function usePoint(
  view: JobView | undefined,
  index: JobIndex | undefined,
  pointId: string,
): OpenPoint | undefined {
  return useMemo(() => {
    if (!view || !index) return undefined;
    if (!view.content.points.some(({ id }) => id === pointId)) return undefined;
    const analysis = analyse(index, pointId);
    return {
      view,
      index,
      analysis,
      verdict: verdictOf(analysis),
      progress: progressOf(view.content, analysis),
      type: analysis.context.type,
      base: `/job/${view.id}/point/${pointId}`,
    };
  }, [view, index, pointId]);
}
