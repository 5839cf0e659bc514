import type { Message } from '../../messages/index.ts';
import type { Change } from '../../job/index.ts';

/** One way to make a point work: what to do, in a sentence, and the change that does it. */
export interface Remedy {
  readonly sentence: Message;
  readonly change: Change;
}
