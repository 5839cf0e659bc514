import type { JobContent, Supply } from './job.ts';

/** A job without points, with one usual control supply; `supply` changes what is given of it. */
export function emptyJob(name: string, site: string, supply: Partial<Supply> = {}): JobContent {
  const usual: Supply = {
    id: 'g1',
    tag: 'G1',
    kind: 'dc',
    volts: 24,
    tolerancePercent: 3,
    innerOhms: 0.05,
    limitAmps: 5,
  };
  return {
    name,
    site,
    colours: 'iec',
    mainsHertz: 50,
    supplies: [{ ...usual, ...supply }],
    modules: [],
    devices: [],
    points: [],
    wires: [],
    stamps: [],
    results: [],
    calibrations: [],
    entries: [],
    descriptions: [],
    plans: [],
  };
}
