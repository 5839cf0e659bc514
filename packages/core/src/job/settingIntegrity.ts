import { knownDescription } from '../ioLink/index.ts';
import type { JobContent, Problem } from '../model/index.ts';
import { JobProblem } from '../model/index.ts';

/** What cannot be among entries, description files and plans of a job. */
export function checkSettingRows(job: JobContent): Problem[] {
  const items = new Set([...job.devices, ...job.modules].map(({ id }) => id));
  return [
    ...job.entries.flatMap(({ itemId }, i) =>
      items.has(itemId)
        ? []
        : [{ path: `entries[${i}].itemId`, message: `The job holds no part “${itemId}”.` }],
    ),
    ...job.descriptions.flatMap(({ fileName, text }, i) => readable(fileName, text, `descriptions[${i}]`)),
    ...job.devices.flatMap(({ tag, descriptionId }, i) =>
      descriptionId === undefined || job.descriptions.some(({ id }) => id === descriptionId)
        ? []
        : [
            {
              path: `devices[${i}].descriptionId`,
              message: `${tag} refers to a description file that the job does not hold.`,
            },
          ],
    ),
    ...checkPlans(job, items),
  ];
}

function readable(fileName: string, text: string, path: string): Problem[] {
  try {
    knownDescription(text);
    return [];
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    return error.problems.map((problem) => ({
      path: problem.path ? `${path}.text ${problem.path}` : `${path}.text`,
      message: `${fileName}: ${problem.message}`,
    }));
  }
}

function checkPlans(job: JobContent, items: ReadonlySet<string>): Problem[] {
  return job.plans.flatMap((plan, p) => {
    const [rows, key] = plan.kind === 'serial' ? [plan.units, 'units'] : [plan.members, 'members'];
    const problems: Problem[] = [];
    const ids = new Set<string>();
    rows.forEach(({ id, tag, itemId }, i) => {
      const path = `plans[${p}].${key}[${i}]`;
      if (ids.has(id))
        problems.push({ path: `${path}.id`, message: `The id “${id}” is used twice in ${plan.tag}.` });
      ids.add(id);
      if (itemId !== undefined && !items.has(itemId))
        problems.push({
          path: `${path}.itemId`,
          message: `${tag} in ${plan.tag} refers to a part that the job does not hold.`,
        });
    });
    return problems;
  });
}
