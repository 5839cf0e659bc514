import type { Ladder, LadderFrame, Signal } from '@keypost/core/switching';

/** What the chart shows: a ladder over a course, and where one looks. */
export interface LadderView {
  readonly ladder: Ladder;
  readonly unit: string;
  readonly bandOf: (limit: number) => number;
  readonly signal: Signal;
  readonly frames: readonly LadderFrame[];
  /** Moment at which one looks, s. */
  readonly at: number;
}
