import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { PointContext } from '../network/index.ts';

/** One thing that is done to a point. */
export interface Situation {
  readonly key: string;
  /** What is done, as on the switch of the screen. */
  readonly words: Text;
  readonly present: boolean;
  /** Whether the devices of other points that act on this one have their targets. */
  readonly others: boolean;
  readonly level: number;
  /** Names by item. */
  readonly forced: ReadonlyMap<string, ReadonlySet<string>>;
  /** Terminals that a fault joins. */
  readonly joined?: readonly (readonly [a: string, b: string])[];
}

const NOTHING: Situation['forced'] = new Map();

/** The states in which a point is looked at, the first with its target away and the last with it present. */
export function situationsOf(context: PointContext): Situation[] {
  const { output } = context;
  const { away, present } = output.words;
  const base = { others: false, level: 0, forced: NOTHING };
  switch (output.drivenBy) {
    case 'value':
      return [
        { ...base, key: 'away', words: away, present: false },
        { ...base, key: 'middle', words: say('analysis.middle'), present: true, level: 0.5 },
        { ...base, key: 'present', words: present, present: true, level: 1 },
      ];
    case 'command':
    case 'communication':
      return commanded(context);
    default:
      return [
        { ...base, key: 'away', words: away, present: false },
        { ...base, key: 'present', words: present, present: true, level: 1 },
      ];
  }
}

/** A device on an output or a talking port: the port is driven one way and the other. */
function commanded({ place, port, output }: PointContext): Situation[] {
  const base = { others: false, level: 0 };
  const forced = place && port ? new Map([[place.moduleId, new Set([port.name])]]) : NOTHING;
  return [
    { ...base, key: 'away', words: output.words.away, present: false, forced: NOTHING },
    { ...base, key: 'present', words: output.words.present, present: true, level: 1, forced },
  ];
}
