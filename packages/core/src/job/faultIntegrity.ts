import { say } from '../messages/index.ts';
import type { JobContent, Problem } from '../model/index.ts';

/** What cannot be among the faults of a job: what belongs to a fault that its point does not have, or that was mended. */
export function checkFaults({ faults }: JobContent): Problem[] {
  const open = new Map<string, string>();
  return faults.flatMap(({ id, pointId, body }, i): Problem[] => {
    if (body.kind === 'opened') {
      open.set(id, pointId);
      return [];
    }
    if (body.kind === 'rated') return [];
    const path = `faults[${i}].body.of`;
    if (open.get(body.of) !== pointId) return [{ path, message: say('job.fault-not-open', { of: body.of }) }];
    if (body.kind === 'mended') open.delete(body.of);
    return [];
  });
}
