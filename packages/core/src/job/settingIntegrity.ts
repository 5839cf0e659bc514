import { say } from '../messages/index.ts';
import { knownDescription } from '../ioLink/index.ts';
import type { JobContent, Problem } from '../model/index.ts';
import { JobProblem } from '../model/index.ts';
import { onLists, onRows } from './checkedOnce.ts';

/** What cannot be among entries, description files and plans of a job. */
export function checkSettingRows(job: JobContent): Problem[] {
  return CHECKS.flatMap((check) => check(job));
}

const itemsOf = (job: JobContent): ReadonlySet<string> =>
  new Set([...job.devices, ...job.modules].map(({ id }) => id));

const CHECKS = [
  onRows('entries', ['devices', 'modules'], (job) => {
    const items = itemsOf(job);
    return ({ itemId }, i) =>
      items.has(itemId)
        ? []
        : [{ path: `entries[${i}].itemId`, message: say('job.job-holds-part', { itemId }) }];
  }),
  onLists(['descriptions'], ({ descriptions }) =>
    descriptions.flatMap(({ fileName, text }, i) => readable(fileName, text, `descriptions[${i}]`)),
  ),
  onLists(['devices', 'descriptions'], (job) =>
    job.devices.flatMap(({ tag, descriptionId }, i) =>
      descriptionId === undefined || job.descriptions.some(({ id }) => id === descriptionId)
        ? []
        : [
            {
              path: `devices[${i}].descriptionId`,
              message: say('job.refers-description-file-job', { tag }),
            },
          ],
    ),
  ),
  onLists(['plans', 'devices', 'modules'], (job) => checkPlans(job, itemsOf(job))),
];

function readable(fileName: string, text: string, path: string): Problem[] {
  try {
    knownDescription(text);
    return [];
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    return error.problems.map((problem) => ({
      path: problem.path ? `${path}.text ${problem.path}` : `${path}.text`,
      message: say('text.colon', { name: fileName, text: problem.message }),
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
        problems.push({ path: `${path}.id`, message: say('job.id-used-twice', { id, plan: plan.tag }) });
      ids.add(id);
      if (itemId !== undefined && !items.has(itemId))
        problems.push({
          path: `${path}.itemId`,
          message: say('job.refers-part-job-does', { tag, plan: plan.tag }),
        });
    });
    return problems;
  });
}
