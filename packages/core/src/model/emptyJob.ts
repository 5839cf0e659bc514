import { COLLECTION_NAMES } from './collections.ts';
import type { JobContent } from './collections.ts';
import type { Supply } from './job.ts';

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
  const lists = Object.fromEntries(COLLECTION_NAMES.map((list) => [list, []]));
  return {
    ...lists,
    name,
    site,
    colours: 'iec',
    mainsHertz: 50,
    numbers: 'point',
    units: 'metric',
    supplies: [{ ...usual, ...supply }],
  } as unknown as JobContent;
}
