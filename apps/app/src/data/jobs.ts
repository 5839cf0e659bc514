import type { ApiProblem, BoardView, JobSummary, JobView } from '@keypost/api';
import { useEffect } from 'react';
import useSWR, { mutate } from 'swr';
import { server } from './server';

/** Keys of what is read from the server, so that writers know what to refresh. */
export const keys = {
  jobs: 'jobs',
  job: (jobId: string) => ['job', jobId] as const,
  events: (jobId: string, pointId: string | undefined) => ['events', jobId, pointId ?? ''] as const,
};

export function useJobs() {
  return useSWR<JobSummary[], ApiProblem>(keys.jobs, () => server('listJobs', {}));
}

export function useJob(jobId: string) {
  return useSWR<JobView, ApiProblem>(keys.job(jobId), () => server('getJob', { params: { jobId } }));
}

/** Reads every list of a job's events again that is on the screen. */
export function refreshEvents(jobId: string): void {
  void mutate((key) => Array.isArray(key) && key[0] === 'events' && key[1] === jobId);
}

/** A page asks so often whether somebody changed its job, ms. */
const FOLLOW_MS = 1500;

/** Keeps a job on the screen as it is stored, whoever changes it; what is being typed is not touched by it. */
export function useFollowing(jobId: string): void {
  const shown = useJob(jobId).data?.revision;
  const { data } = useSWR<{ revision: number }, ApiProblem>(
    shown === undefined ? null : ['revision', jobId],
    () => server('revision', { params: { jobId } }),
    { refreshInterval: FOLLOW_MS, dedupingInterval: FOLLOW_MS / 2 },
  );
  const stored = data?.revision;
  useEffect(() => {
    if (stored === undefined || shown === undefined || stored <= shown) return;
    void mutate(keys.job(jobId));
    refreshEvents(jobId);
  }, [jobId, stored, shown]);
}

/** The board that the server has worked out for just this state of a job. */
export function useKeptBoard(jobId: string, revision: number | undefined) {
  const kept = useSWR<BoardView, ApiProblem>(revision === undefined ? null : ['board', jobId, revision], () =>
    server('board', { params: { jobId } }),
  );
  return kept.data?.revision === revision ? (kept.data?.rows ?? undefined) : undefined;
}
