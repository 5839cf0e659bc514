import type { ApiProblem, JobView } from '@keypost/api';
import { patchJob } from '@keypost/api/patch';
import { useRef, useState } from 'react';
import { mutate } from 'swr';
import { v4 as uuid } from 'uuid';
import { asProblem } from './asProblem';
import { keys, refreshEvents } from './jobs';
import { rememberDone } from './lastDone';
import type { Done } from './lastDone';
import { server } from './server';
import { whoActs } from './who';

type Undoing = Omit<Done, 'jobId'>;

/** Takes stored changes of a job back, each as a change of its own. */
export function useUndo(jobId: string) {
  const [waiting, setWaiting] = useState<string>();
  const [problem, setProblem] = useState<{ readonly of: Undoing; readonly why: ApiProblem }>();
  // Sent twice, it is taken back once.
  const ids = useRef(new Map<string, string>());
  const undo = async (undoing: Undoing): Promise<void> => {
    const { changeId: of, what, isUndone = false } = undoing;
    const by = await whoActs();
    if (by === undefined) return;
    setWaiting(of);
    setProblem(undefined);
    const changeId = ids.current.get(of) ?? uuid();
    ids.current.set(of, changeId);
    try {
      const answer = await server('undoChange', { params: { jobId }, body: { changeId, by, of } });
      ids.current.delete(of);
      await mutate<JobView>(
        keys.job(jobId),
        async (view) => (view && patchJob(view, answer)) ?? (await server('getJob', { params: { jobId } })),
        { revalidate: false },
      );
      refreshEvents(jobId);
      void mutate(keys.jobs);
      rememberDone({ jobId, changeId, what, isUndone: !isUndone });
    } catch (error) {
      setProblem({ of: undoing, why: asProblem(error) });
    } finally {
      setWaiting(undefined);
    }
  };
  return { undo, waiting, problem, dismiss: () => setProblem(undefined) };
}
