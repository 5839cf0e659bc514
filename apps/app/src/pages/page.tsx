import { lazy, Suspense } from 'react';
import type * as Everything from './pages';
import type { ComponentType, ReactElement, ReactNode } from 'react';
import { Opening } from '../ui/Opening';
import { answerScratchWith, checkAnswersBy } from '../data/server';
import { fetchWords } from '../data/words';
import { workOutWithoutWorker } from '../workers/useProgress';

type Pages = typeof Everything;

let pages: Promise<Pages> | undefined;

/** Fetches the pages that need the solver; called as soon as a job is open, before one of them is asked for. */
export const fetchPages = (): Promise<Pages> =>
  (pages ??= Promise.all([import('./pages'), fetchWords()]).then(([everything]) => everything));

checkAnswersBy(async () => (await fetchPages()).schemas);
answerScratchWith(async (path, init) => (await fetchPages()).answerScratch(path, init));
workOutWithoutWorker(async (job) => (await fetchPages()).jobProgress(job));

/** A page that is fetched when it is opened, and a word while it comes. */
export function page<N extends keyof Pages>(name: N, fallback: ReactNode = <Opening />): Pages[N] {
  const Page = lazy(async () => ({
    default: (await fetchPages())[name] as unknown as ComponentType<object>,
  }));
  return function Opened(props: object): ReactElement {
    return (
      <Suspense fallback={fallback}>
        <Page {...props} />
      </Suspense>
    );
  } as unknown as Pages[N];
}
