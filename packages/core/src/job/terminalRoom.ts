import { say } from '../messages/index.ts';
import type { JobContent } from '../model/index.ts';
import { refuse, splitRef } from '../model/index.ts';

/** No clamp takes more wires than this; rails have as many as they need. */
const MOST_ON_A_TERMINAL = 6;

/** A job whose terminals bear what is led to them; refused where one bears too many. */
export function withRoom(job: JobContent, refs: readonly (string | undefined)[]): JobContent {
  for (const ref of refs) {
    if (ref === undefined || job.supplies.some(({ id }) => id === splitRef(ref).item)) continue;
    const count = job.wires.filter(({ from, to }) => from === ref || to === ref).length;
    if (count > MOST_ON_A_TERMINAL) refuse(say('job.terminal-full', { most: MOST_ON_A_TERMINAL }), 'to');
  }
  return job;
}
