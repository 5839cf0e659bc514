import { held } from './held';
import { fetchOnce } from './notFetched';

const there = held(false);

/** Fetches the sentences in which something judged is said; asked for with the first that is judged or opened. */
export const fetchWords = fetchOnce<unknown>(() =>
  import('@keypost/core/messages/all').then(() => there.put(true)),
);

/** Why a file was refused, which may be anything that a job holds, once there are words for it. */
export const onceWorded = <T>(refusal: T): Promise<T> =>
  fetchWords().then(
    () => refusal,
    () => refusal,
  );

/** Whether those sentences are there: until then what was judged is not worded. */
export const useWords = there.use;
