import { say } from '../messages/index.ts';
import type { JobContent, Problem } from '../model/index.ts';

/**
 * Parts of points, such as relays and loads, that have the tag of something else. They are refused where one is made,
 * not in a job that had them before.
 */
export function doubledParts(job: JobContent): Problem[] {
  const parts = new Set(job.points.flatMap(({ helperIds = [] }) => helperIds));
  const used = new Map<string, string>();
  for (const { tag } of [...job.supplies, ...job.modules, ...job.points]) used.set(tag.toLowerCase(), tag);
  return job.devices.flatMap(({ id, tag }): Problem[] => {
    if (!parts.has(id)) return [];
    const first = used.get(tag.toLowerCase());
    used.set(tag.toLowerCase(), tag);
    return first === undefined
      ? []
      : [{ path: 'device.tag', message: say('job.tag-used-already-choose', { tag, first }) }];
  });
}
