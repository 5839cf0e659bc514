import { COLLECTION_NAMES } from './collections.ts';
import type { CollectionName, JobContent } from './collections.ts';
import type { Supply } from './job.ts';

/** Every list of a job, without a row. */
export const emptyLists = (): Pick<JobContent, CollectionName> =>
  Object.fromEntries(COLLECTION_NAMES.map((list) => [list, []])) as unknown as Pick<
    JobContent,
    CollectionName
  >;

/** A job without points, with one usual control supply; `supply` changes what is given of it. */
export function emptyJob(name: string, site: string, supply: Partial<Supply> = {}): JobContent {
  const usual: Supply = {
    id: 'g1',
    tag: 'G1',
    kind: 'dc',
    volts: 24,
    tolerancePercent: 3,
    internalOhms: 0.05,
    limitAmps: 5,
  };
  return {
    ...emptyLists(),
    name,
    site,
    colours: 'iec',
    mainsHertz: 50,
    numbers: 'point',
    units: 'metric',
    supplies: [{ ...usual, ...supply }],
  };
}
