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

/** What was read of older events, and of which log. */
interface Asked extends Pick<OlderEvents, 'waiting' | 'problem'> {
  readonly of: string;
  readonly seen: readonly JobEvent[];
  readonly isAll: boolean;
}

/** What was done to a job or to one of its points, newest first; older events are added when they are asked for. */
export function useEvents(jobId: string, pointId?: string) {
  const read = (before?: number): Promise<JobEvent[]> =>
    server('listEvents', { params: { jobId }, query: { pointId, before, limit: AT_ONCE } });
  const newest = useSWR<JobEvent[], ApiProblem>(keys.events(jobId, pointId), () => read());
  const [last, setAsked] = useState<Asked>();
  const of = keys.events(jobId, pointId).join('/');
  // A page may be given another job or point: what was read of the one before is not of this.
  const asked: Asked = last?.of === of ? last : { of, seen: [], isAll: false, waiting: false };
  const events = newest.data && joined(newest.data, asked.seen);
  const isAll = events === newest.data ? (events?.length ?? 0) < AT_ONCE : asked.isAll;
  const readOlder = async (): Promise<void> => {
    setAsked({ ...asked, waiting: true, problem: undefined });
    try {
      const more = await read(events?.at(-1)?.id);
      setAsked({ of, seen: [...(events ?? []), ...more], isAll: more.length < AT_ONCE, waiting: false });
    } catch (error) {
      setAsked({ ...asked, waiting: false, problem: asProblem(error) });
    }
  };
  const { waiting, problem } = asked;
  const older: OlderEvents = { isAll, waiting, problem, read: readOlder };
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
