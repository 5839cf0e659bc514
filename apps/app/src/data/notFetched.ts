import { held } from './held';

/** A part of the program that could not be fetched, as over a net that comes and goes. */
export class NotFetched extends Error {
  override readonly name = 'NotFetched';
}

/** A part of the program that is being fetched. @throws NotFetched where it does not arrive. */
export const arriving = <T>(part: Promise<T>): Promise<T> =>
  part.catch(() => {
    throw new NotFetched('A part of the program did not arrive.');
  });

/** Fetches a part of the program once; one that did not arrive is fetched anew when it is asked for again. */
export function fetchOnce<T>(fetch: () => Promise<T>): () => Promise<T> {
  let part: Promise<T> | undefined;
  return () =>
    (part ??= arriving(fetch()).catch((error: unknown) => {
      part = undefined;
      throw error;
    }));
}

const missing = held(false);

/** Takes note that a part beside what a page is for did not arrive: the page stands without it, and says so. */
export const notePartMissing = (): void => missing.put(true);

export const usePartMissing = missing.use;
