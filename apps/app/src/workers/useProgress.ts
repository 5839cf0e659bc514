import type { JobContent } from '@keypost/core/model';
import type { PointProgress } from '@keypost/core/proving';
import { proxy, wrap } from 'comlink';
import { startTransition, useEffect, useState } from 'react';
import type { Checker } from './progress.worker';

type Progress = readonly PointProgress[];

let worker: Worker | undefined;
const known = new WeakMap<JobContent, Promise<Progress>>();

/** Works out a job's progress once, in a worker; on the page itself where there are no workers. */
function progressOf(job: JobContent): Promise<Progress> {
  const before = known.get(job);
  if (before) return before;
  const answer = typeof Worker === 'undefined' ? onThePage(job) : ask(job);
  known.set(job, answer);
  return answer;
}

/** Works progress out where there is no worker; who can fetch the solver says how. */
let onThePage = (_: JobContent): Promise<Progress> => Promise.resolve([]);

export const workOutWithoutWorker = (way: typeof onThePage): void => {
  onThePage = way;
};

function ask(job: JobContent): Promise<Progress> {
  worker ??= new Worker(new URL('./progress.worker.ts', window.location.href));
  const shop = worker;
  return new Promise((resolve) => {
    const progress: PointProgress[] = [];
    shop.addEventListener('error', () => void onThePage(job).then(resolve), { once: true });
    const take = (batch: Progress) => void progress.push(...batch);
    void wrap<Checker>(shop)
      .check(job, proxy(take))
      .then(() => resolve(progress));
  });
}

/** How far each point of a job is. Keeps the last answer until the next is there. */
export function useProgress(job: JobContent | undefined): Progress | undefined {
  const [progress, setProgress] = useState<Progress>();
  useEffect(() => {
    let wanted = true;
    if (job) void progressOf(job).then((answer) => wanted && startTransition(() => setProgress(answer)));
    return () => {
      wanted = false;
    };
  }, [job]);
  return progress;
}
