import { oncePer } from '../lists/index.ts';
import type { Compiled } from './compile.ts';
import { entry } from './entries.ts';
import type { Workspace } from './newton.ts';

/** What was found while contacts and transistors stood as they did: volts by node, then amperes by source. */
export type Step = Pick<Workspace, 'x' | 'highOn' | 'lowOn'>;

/** The steps of a solution: what was found each time a contact or a transistor had changed, and at last. */
export interface Steps {
  readonly c: Compiled;
  readonly taken: readonly Step[];
}

export const stepOf = ({ x, highOn, lowOn }: Step): Step => ({
  x: x.slice(),
  highOn: highOn.slice(),
  lowOn: lowOn.slice(),
});

/**
 * Where the steps of a circuit begin: where those of one like it ended while the same contacts and transistors were on;
 * the first, if there is none, at the last of them.
 */
export function stepsLike({ c: other, taken }: Steps, c: Compiled): (w: Step) => void {
  const elements = placesIn(c.indexOf, other.indexOf);
  const unknowns = unknownsIn(c, other, elements);
  const isLike = ({ highOn, lowOn }: Step, w: Step): boolean => {
    for (let e = 0; e < elements.length; e++) {
      const like = entry(elements, e);
      if (like >= 0 && (w.highOn[e] !== highOn[like] || w.lowOn[e] !== lowOn[like])) return false;
    }
    return true;
  };
  let began = false;
  return (w) => {
    const step = taken.find((one) => isLike(one, w)) ?? (began ? undefined : taken.at(-1));
    began = true;
    if (!step) return;
    for (let i = 1; i < unknowns.length; i++) {
      const like = entry(unknowns, i);
      if (like > 0) w.x[i] = entry(step.x, like);
    }
  };
}

type Numbers = ReadonlyMap<string, number>;

/** By its number the number of everything in another list, -1 for what is not there. */
function placesIn(own: Numbers, other: Numbers): Int32Array {
  const known = placesOf(own);
  let places = known.get(other);
  if (!places) {
    places = new Int32Array(own.size);
    for (const [name, place] of own) places[place] = own === other ? place : (other.get(name) ?? -1);
    known.set(other, places);
  }
  return places;
}

/** Circuits that are alike share their numbers. */
const placesOf = oncePer((_: Numbers) => new WeakMap<Numbers, Int32Array>());

/** The same of the unknowns: nodes by their names, currents by their sources. */
function unknownsIn(c: Compiled, other: Compiled, elements: Int32Array): Int32Array {
  const unknowns = new Int32Array(1 + c.nodeCount + c.sourceCount);
  unknowns.set(placesIn(c.nodeIndex, other.nodeIndex));
  for (const e of c.sources) {
    const like = entry(elements, e);
    unknowns[entry(c.sourceRow, e)] = like < 0 ? -1 : entry(other.sourceRow, like);
  }
  return unknowns;
}
