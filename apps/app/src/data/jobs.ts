import type { ApiProblem, BoardView, JobEvent, JobSummary, JobView } from '@keypost/api';
import useSWR from 'swr';
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

/** The board that the server has worked out for just this state of a job. */
export function useKeptBoard(jobId: string, revision: number | undefined) {
  const kept = useSWR<BoardView, ApiProblem>(revision === undefined ? null : ['board', jobId, revision], () =>
    server('board', { params: { jobId } }),
  );
  return kept.data?.revision === revision ? (kept.data?.rows ?? undefined) : undefined;
}

export function useEvents(jobId: string, pointId?: string) {
  return useSWR<JobEvent[], ApiProblem>(keys.events(jobId, pointId), () =>
    server('listEvents', { params: { jobId }, query: { pointId, limit: 200 } }),
  );
}
