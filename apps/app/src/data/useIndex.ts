import type { JobView } from '@keypost/api';
import { JobIndex } from '@keypost/core/job';
import { useMemo } from 'react';

/** The index of a job that was read; made anew only when the job changes. */
export function useIndex(view: JobView): JobIndex;
export function useIndex(view: JobView | undefined): JobIndex | undefined;
export function useIndex(view: JobView | undefined): JobIndex | undefined {
  return useMemo(() => view && new JobIndex(view.content), [view]);
}
