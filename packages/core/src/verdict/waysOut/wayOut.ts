import type { Change } from '../../job/index.ts';

/** One way to make a point work: what to do, in a sentence, and the change that does it. */
export interface WayOut {
  readonly sentence: string;
  readonly change: Change;
}
