import { say } from '../messages/index.ts';
import { DEVICE_TYPES, MODULE_TYPES, problemsOfKind } from '../catalog/index.ts';
import type { JobContent, Problem } from '../model/index.ts';

const SHIPPED = {
  ownDevices: new Set(DEVICE_TYPES.map(({ id }) => id)),
  ownModules: new Set(MODULE_TYPES.map(({ id }) => id)),
};

/** What cannot be among a job's own kinds: descriptions that are not sound, or that take the id of one that ships. */
export function checkOwnKinds(job: JobContent): Problem[] {
  return (['ownDevices', 'ownModules'] as const).flatMap((collection) =>
    job[collection].flatMap(({ id, description }, i): Problem[] => {
      const path = `${collection}[${i}]`;
      if (SHIPPED[collection].has(id))
        return [
          {
            path: `${path}.id`,
            message: say('job.id-kind-ships-key', { id }),
          },
        ];
      return problemsOfKind(collection, description).map((problem) => ({
        path: `${path}.description.${problem.path}`,
        message: problem.message,
      }));
    }),
  );
}
