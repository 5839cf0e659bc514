import { say } from '../../messages/index.ts';
import type { LadderFinding } from './checkLadder.ts';
import { isSafeSide } from './ladder.ts';
import type { Ladder } from './ladder.ts';
import { LadderRun, milliseconds } from './ladderRun.ts';
import type { WiringFault } from '../wiringFaults.ts';

/** What a ladder does with a fault of the wiring. */
export interface FaultOutcome {
  readonly fault: WiringFault;
  /** Names of the levels that come of it. */
  readonly comes: readonly string[];
  /** It goes to the safe side: something stops where anything stops, else something is shown. */
  readonly safe: boolean;
}

/** What each fault of the wiring comes to, begun where nothing is called for. */
export function faultOutcomes(ladder: Ladder, faults: readonly WiringFault[], rest: number): FaultOutcome[] {
  const still: Ladder = { ...ladder, startUp: 0 };
  const longest = milliseconds(Math.max(0, ...ladder.levels.map(({ delay }) => delay)));
  return faults.map((fault) => {
    const run = new LadderRun(still);
    run.step(0, { value: rest });
    const input = { value: fault.value ?? rest, fault: fault.seen };
    run.step(1, input);
    run.step(2 + longest, input);
    const acting = ladder.levels.filter((_, i) => run.acts(i));
    return {
      fault,
      comes: acting.map(({ name }) => name),
      safe: isSafeSide(ladder.levels, run.actions()),
    };
  });
}

/** Faults of the wiring after which a ladder is not on the safe side, in a sentence. @param unit of its value. */
export function unsafeFaults(outcomes: readonly FaultOutcome[], unit: string): LadderFinding[] {
  const unsafe = outcomes.filter(({ safe }) => !safe).map(({ fault }) => fault);
  if (!unsafe.length) return [];
  const values = unsafe.flatMap(({ value }) => value ?? []);
  const read = values.length ? { low: Math.min(...values), high: Math.max(...values), unit } : undefined;
  const sentence = read
    ? say('switching.fault-unsafe', { count: unsafe.length, ...read })
    : say('switching.fault-does-nothing', { count: unsafe.length });
  return [{ sentence, way: [] }];
}
