import type { ApiProblem, JobEvent } from '@keypost/api';
import { useState } from 'react';
import useSWR from 'swr';
import { asProblem } from './asProblem';
import { keys } from './jobs';
import { server } from './server';

/** So many events are read at once. */
const AT_ONCE = 200;

/** The events before those that are shown: whether there are any, and how they are read. */
export interface OlderEvents {
  readonly isAll: boolean;
  readonly waiting: boolean;
  readonly problem?: ApiProblem;
  readonly read: () => Promise<void>;
}

/** What was done to a job or to one of its points, newest first; older events are added when they are asked for. */
export function useEvents(jobId: string, pointId?: string) {
  const read = (before?: number): Promise<JobEvent[]> =>
    server('listEvents', { params: { jobId }, query: { pointId, before, limit: AT_ONCE } });
  const newest = useSWR<JobEvent[], ApiProblem>(keys.events(jobId, pointId), () => read());
  const [seen, setSeen] = useState<{ readonly events: readonly JobEvent[]; readonly isAll: boolean }>();
  const [asking, setAsking] = useState<Pick<OlderEvents, 'waiting' | 'problem'>>({ waiting: false });
  const events = newest.data && joined(newest.data, seen?.events ?? []);
  const isAll = events === newest.data ? (events?.length ?? 0) < AT_ONCE : seen?.isAll === true;
  const readOlder = async (): Promise<void> => {
    setAsking({ waiting: true });
    try {
      const more = await read(events?.at(-1)?.id);
      setSeen({ events: [...(events ?? []), ...more], isAll: more.length < AT_ONCE });
      setAsking({ waiting: false });
    } catch (error) {
      setAsking({ waiting: false, problem: asProblem(error) });
    }
  };
  const older: OlderEvents = { ...asking, isAll, read: readOlder };
  return { events, error: newest.error, retry: () => void newest.mutate(), older };
}

/** The newest events before those that were seen; alone where some between them are not known. */
function joined(newest: JobEvent[], seen: readonly JobEvent[]): JobEvent[] {
  const last = newest.at(-1);
  const [first] = seen;
  return first && last && first.id >= last.id
    ? [...newest, ...seen.filter(({ id }) => id < last.id)]
    : newest;
}
