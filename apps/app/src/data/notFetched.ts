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

const missing = held(false);

/** Takes note that a part beside what a page is for did not arrive: the page stands without it, and says so. */
export const notePartMissing = (): void => missing.put(true);

export const usePartMissing = missing.use;
