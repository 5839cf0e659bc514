import { lazy, Suspense } from 'react';
import type * as Everything from './pages';
import type { ComponentType, ReactElement, ReactNode } from 'react';
import { Opening } from '../ui/Opening';
import { answerScratchWith, checkAnswersBy } from '../data/server';
import { fetchOnce, notePartMissing } from '../data/notFetched';
import { fetchWords } from '../data/words';
import { workOutWithoutWorker } from '../workers/useProgress';

type Pages = typeof Everything;

/**
 * Fetches the pages that need the solver; called as soon as a job is open, before one of them is asked for.
 * @throws NotFetched where they did not arrive; asked for again, they are fetched anew.
 */
export const fetchPages = fetchOnce<Pages>(async () => {
  const [everything] = await Promise.all([import('./pages'), fetchWords()]);
  return everything;
});

checkAnswersBy(async () => (await fetchPages()).schemas);
answerScratchWith(async (path, init) => (await fetchPages()).answerScratch(path, init));
workOutWithoutWorker(async (job) => (await fetchPages()).jobProgress(job));

/** A page, or a part of one, that is fetched when it is shown. */
function fetched<N extends keyof Pages>(
  fetch: () => Promise<ComponentType<object>>,
  fallback: ReactNode,
): Pages[N] {
  const Page = lazy(async () => ({ default: await fetch() }));
  return function Opened(props: object): ReactElement {
    return (
      <Suspense fallback={fallback}>
        <Page {...props} />
      </Suspense>
    );
  } as unknown as Pages[N];
}

const get = async (name: keyof Pages) => (await fetchPages())[name] as unknown as ComponentType<object>;

/** A page that is fetched when it is opened, and a word while it comes. */
export const page = <N extends keyof Pages>(name: N): Pages[N] => fetched<N>(() => get(name), <Opening />);

/** What stands beside that for which a page is there: nothing while it comes, and the page does without where it does not. */
export const beside = <N extends keyof Pages>(name: N): Pages[N] =>
  fetched<N>(
    () =>
      get(name).catch(() => {
        notePartMissing();
        return () => null;
      }),
    null,
  );
