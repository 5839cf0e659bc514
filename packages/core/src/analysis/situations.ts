import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { PointContext } from '../network/index.ts';
import { levelsOf } from './valueLevels.ts';

/** One thing that is done to a point. */
export interface Situation {
  readonly key: string;
  /** What is done, as on the switch of the screen. */
  readonly words: Text;
  readonly present: boolean;
  /** Whether the devices of other points that act on this one have their targets. */
  readonly others: boolean;
  /** The value as a share of its range. */
  readonly share: number;
  /** Where the circuit of the device stands by it: what its figures at 0 and at 1 are given for. */
  readonly level: number;
  /** Names by item. */
  readonly forced: ReadonlyMap<string, ReadonlySet<string>>;
  /** Terminals that a fault joins. */
  readonly joined?: readonly (readonly [a: string, b: string])[];
}

const NOTHING: Situation['forced'] = new Map();

/** The states in which a point is looked at, the first with its target away and the last with it present. */
export function situationsOf(context: PointContext): Situation[] {
  const { drivenBy, words } = context.output;
  switch (drivenBy) {
    case 'value':
      return valued(context);
    case 'command':
    case 'communication':
      return commanded(context);
    default:
      return ends(words);
  }
}

/** A target that is away, and a value at the low end of its range. */
export const AWAY = { key: 'away', present: false, others: false, share: 0, level: 0, forced: NOTHING };
export const PRESENT = { ...AWAY, key: 'present', present: true, share: 1, level: 1 };

const ends = ({ away, present }: { away: string; present: string }): [Situation, Situation] => [
  { ...AWAY, words: away },
  { ...PRESENT, words: present },
];

/** A measured value at the ends of its range and in the middle. */
function valued(context: PointContext): Situation[] {
  const [away, present] = ends(context.output.words);
  const levelOf = levelsOf(context);
  const middle = { ...PRESENT, key: 'middle', words: say('analysis.middle'), share: 0.5 };
  return [away, middle, present].map((one) => ({ ...one, level: levelOf(one.share) }));
}

/** A device on an output or a talking port: the port is driven one way and the other. */
function commanded({ place, port, output }: PointContext): Situation[] {
  const forced = place && port ? new Map([[place.moduleId, new Set([port.name])]]) : NOTHING;
  const [away, present] = ends(output.words);
  return [away, { ...present, forced }];
}
