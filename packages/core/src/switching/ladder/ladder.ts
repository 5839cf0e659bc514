import type { Action, LadderPlan, Level } from '../../model/index.ts';

export type { Action, Clearer, Level } from '../../model/index.ts';

/** Levels over one value, with what holds for all of them. */
export interface Ladder extends Omit<LadderPlan, 'unit' | 'levels'> {
  readonly levels: readonly Level[];
  /** Ends of what the value can be. */
  readonly range: { readonly low: number; readonly high: number };
}

/** What stops something or keeps it from starting: the side that is safe. */
export const isProtective = ({ does }: Pick<Level, 'does'>): boolean =>
  does.includes('stop') || does.includes('lock');

/** Whether a bypass that is on passes over a level: over all but those that lock. */
export const isPassedOver = ({ does }: Pick<Level, 'does'>, bypassed: boolean): boolean =>
  bypassed && !does.includes('lock');

/** Whether what is done is the safe side: something stops where any level stops, else anything at all is done. */
export const isSafeSide = (levels: readonly Level[], does: ReadonlySet<Action>): boolean =>
  levels.some(isProtective) ? isProtective({ does: [...does] }) : does.size > 0;

/** Values at which a level is called for, and from which on no more. */
export const turnsOf = ({
  limit,
  hysteresis,
  direction,
}: Level): { readonly on: number; readonly back: number } => ({
  on: limit,
  back: direction === 'above' ? limit - hysteresis : limit + hysteresis,
});

/** Whether a level is called for at a value. @param was whether it was before. */
export function isBeyond(level: Level, value: number, was: boolean, { on, back } = turnsOf(level)): boolean {
  return level.direction === 'above'
    ? value >= on || (was && value > back)
    : value <= on || (was && value < back);
}
