import type { JobContent } from '@keypost/core/model';
import type { PointProgress } from '@keypost/core/proving';
import { startTransition, useEffect, useState } from 'react';

type Progress = readonly PointProgress[];

let worker: Worker | undefined;
let tickets = 0;
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
  const ticket = ++tickets;
  return new Promise((resolve) => {
    const progress: PointProgress[] = [];
    const done = (answer: Progress) => {
      shop.removeEventListener('message', listen);
      shop.removeEventListener('error', fail);
      resolve(answer);
    };
    const listen = ({ data }: MessageEvent<{ ticket: number; batch: Progress; last: boolean }>) => {
      if (data.ticket !== ticket) return;
      progress.push(...data.batch);
      if (data.last) done(progress);
    };
    const fail = () => void onThePage(job).then(done);
    shop.addEventListener('message', listen);
    shop.addEventListener('error', fail);
    shop.postMessage({ ticket, job });
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
