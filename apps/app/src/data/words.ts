import { useSyncExternalStore } from 'react';

let words: Promise<unknown> | undefined;
let there = false;
const ears = new Set<() => void>();

/** Fetches the sentences in which something judged is said; asked for with the first that is judged or opened. */
export function fetchWords(): Promise<unknown> {
  words ??= import('@keypost/core/messages/all').then(() => {
    there = true;
    for (const ear of ears) ear();
  });
  return words;
}

/** Why a file was refused, which may be anything that a job holds, once there are words for it. */
export const onceWorded = <T>(refusal: T): Promise<T> =>
  fetchWords().then(
    () => refusal,
    () => refusal,
  );

const listen = (ear: () => void): (() => void) => {
  ears.add(ear);
  return () => void ears.delete(ear);
};

/** Whether those sentences are there: until then what was judged is not worded. */
export const useWords = (): boolean =>
  useSyncExternalStore(
    listen,
    () => there,
    () => there,
  );
