import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';

/** What stands between the process and what acts, each in s; 0 where there is none. */
export interface ReactionChain {
  readonly sensor: number;
  readonly damping: number;
  readonly link: number;
  readonly filter: number;
  readonly program: number;
  readonly delay: number;
  readonly relay: number;
}

export type ReactionPart = keyof ReactionChain;

/** A part of the way with its own time and the longest that it can take, s. */
export interface ReactionStep {
  readonly part: ReactionPart;
  readonly own: number;
  readonly times: number;
  readonly seconds: number;
}

/** How often its own time a part can take at worst: what comes just too late for one cycle waits for the next. */
const TIMES: Readonly<Record<ReactionPart, number>> = {
  sensor: 1,
  damping: 1,
  link: 2,
  filter: 1,
  program: 2,
  delay: 1,
  relay: 1,
};

/**
 * The longest from the process crossing a limit to the output acting. Behind a damping of first order, a value that
 * rises steadily is followed by its time constant later.
 */
export function slowestReaction(chain: ReactionChain): {
  readonly seconds: number;
  readonly steps: readonly ReactionStep[];
} {
  const steps = (Object.keys(TIMES) as ReactionPart[]).flatMap((part): ReactionStep[] => {
    const own = chain[part];
    if (!(own >= 0)) refuse(say('switching.time-negative'), part);
    const times = TIMES[part];
    return own > 0 ? [{ part, own, times, seconds: times * own }] : [];
  });
  return { seconds: steps.reduce((sum, { seconds }) => sum + seconds, 0), steps };
}
