import {
  DEVICE_TYPES,
  DeviceDescription,
  MODULE_TYPES,
  ModuleDescription,
  problemsOfDevice,
  problemsOfModule,
} from '../catalog/index.ts';
import type { JobContent, Problem } from '../model/index.ts';
import { pathText } from '../model/index.ts';

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
            message: `“${id}” is the id of a kind that ships with Key Post. Choose another.`,
          },
        ];
      if (collection === 'ownDevices') {
        const read = DeviceDescription.safeParse(description);
        return read.success ? under(path, problemsOfDevice(read.data)) : under(path, issues(read.error));
      }
      const read = ModuleDescription.safeParse(description);
      return read.success ? under(path, problemsOfModule(read.data)) : under(path, issues(read.error));
    }),
  );
}

const issues = ({
  issues: found,
}: {
  issues: readonly { path: readonly PropertyKey[]; message: string }[];
}): Problem[] => found.slice(0, 20).map(({ path, message }) => ({ path: pathText(path), message }));

const under = (path: string, problems: readonly Problem[]): Problem[] =>
  problems.map((problem) => ({ path: `${path}.description.${problem.path}`, message: problem.message }));
