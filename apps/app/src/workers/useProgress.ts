import type { JobContent } from '@keypost/core/model';
import type { PointProgress } from '@keypost/core/proving';
import type { Remote } from 'comlink';
import { startTransition, useEffect, useState } from 'react';
import type { Checker } from './progress.worker';
import { fetchWords } from '../data/words';

type Progress = readonly PointProgress[];

/** A job as it is open. */
interface OpenJob {
  readonly id: string;
  readonly content: JobContent;
}

interface Answer {
  readonly jobId: string;
  readonly progress: Progress;
}

interface Shop {
  readonly worker: Worker;
  /** Kept as long as the worker: one that is let go of closes the worker's ear. */
  readonly checker: Remote<Checker>;
}

let shop: Promise<Shop> | undefined;
const known = new WeakMap<JobContent, Promise<Answer>>();
/** What came last: a page that opens begins with it. */
let latest: Answer | undefined;

/** Works out a job's progress once, in a worker; on the page itself where there are no workers. */
function progressOf({ id, content }: OpenJob): Promise<Answer> {
  const before = known.get(content);
  if (before) return before;
  const worked = typeof Worker === 'undefined' ? onThePage(content) : ask(content);
  // By then the board stands; what it says of its points comes with the words.
  const answer = worked.then(async (progress) => {
    await fetchWords();
    return (latest = { jobId: id, progress });
  });
  known.set(content, answer);
  return answer;
}

/** Works progress out where there is no worker; who can fetch the solver says how. */
let onThePage = (_: JobContent): Promise<Progress> => Promise.resolve([]);

export const workOutWithoutWorker = (way: typeof onThePage): void => {
  onThePage = way;
};

async function openShop(): Promise<Shop> {
  const { wrap } = await import('comlink');
  const worker = new Worker(new URL('./progress.worker.ts', window.location.href));
  return { worker, checker: wrap<Checker>(worker) };
}

async function ask(job: JobContent): Promise<Progress> {
  const { proxy } = await import('comlink');
  const { worker, checker } = await (shop ??= openShop());
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', () => reject(new Error('The worker stopped.')), { once: true }),
  );
  const progress: PointProgress[] = [];
  try {
    await Promise.race([
      checker.check(
        job,
        proxy((batch: Progress) => void progress.push(...batch)),
      ),
      failed,
    ]);
    return progress;
  } catch {
    return onThePage(job);
  }
}

/** How far each point of a job is. Keeps the last answer until the next is there, also from page to page. */
export function useProgress(job: OpenJob | undefined): Progress | undefined {
  const [answer, setAnswer] = useState(latest);
  const { id, content } = job ?? {};
  useEffect(() => {
    let wanted = true;
    if (id !== undefined && content)
      void progressOf({ id, content }).then((next) => wanted && startTransition(() => setAnswer(next)));
    return () => {
      wanted = false;
    };
  }, [id, content]);
  return answer?.jobId === id ? answer?.progress : undefined;
}
