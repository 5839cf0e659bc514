import { sure } from '../../lists/index.ts';
import type { SingleChange } from '../../job/index.ts';
import type { JobContent } from '../../model/index.ts';
import { applied, trialChanges } from './changes.ts';
import { TRIAL_NAMES } from './trial.ts';
import type { Trial, TrialNames } from './trial.ts';

/**
 * The same, with everything that was set, typed or chosen at the trial meanwhile.
 * @param tried the job that holds the trial.
 */
export function keepChanges(
  job: JobContent,
  tried: JobContent,
  trial: Trial,
  names: TrialNames,
): SingleChange[] {
  const own = (['ownDevices', 'ownModules'] as const).flatMap((collection) =>
    tried[collection]
      .filter(({ id }) => id === trial.typeId || id === trial.target)
      .map((kind): SingleChange => ({ kind: 'setOwnKind', collection, own: kind })),
  );
  const withKinds = applied(job, own);
  const device = tried.devices.find(({ id }) => id === TRIAL_NAMES.device);
  const load = tried.devices.find(({ id }) => id === TRIAL_NAMES.load);
  const module = tried.modules.find(({ id }) => id === TRIAL_NAMES.module);
  const point = tried.points.find(({ id }) => id === TRIAL_NAMES.point);
  const changes = trialChanges(withKinds, trial, names).map((change): SingleChange => {
    switch (change.kind) {
      case 'addPoint': {
        const { helperIds: _, ...row } = point ?? change.point;
        const { id, tag, name, deviceId } = change.point;
        return {
          ...change,
          point: { ...row, id, tag, name, deviceId },
          device: { ...sure(device ?? change.device), id: names.device, tag },
        };
      }
      case 'addHelper':
        return { ...change, device: { ...(load ?? change.device), id: names.load, tag: names.loadTag } };
      case 'addModule':
        return {
          ...change,
          module: { ...change.module, ...(module?.settings && { settings: module.settings }) },
        };
      default:
        return change;
    }
  });
  const isModuleNew = changes.some(({ kind }) => kind === 'addModule');
  return [...own, ...changes, ...seenChanges(tried, names, isModuleNew)];
}

/**
 * What was seen of the device and measured at it. What was proven stays behind: where it is landed, it is wired anew,
 * and is proven there.
 */
function seenChanges(tried: JobContent, names: TrialNames, isModuleNew: boolean): SingleChange[] {
  const items = new Map([
    [TRIAL_NAMES.device, names.device],
    [TRIAL_NAMES.load, names.load],
    ...(isModuleNew ? [[TRIAL_NAMES.module, names.module] as const] : []),
  ]);
  const entries = tried.entries.flatMap(({ itemId, side, values }, n) => {
    const item = items.get(itemId);
    return item ? [{ id: `${names.point}-e${n}`, itemId: item, side, how: 'typed' as const, values }] : [];
  });
  const ids = new Map(tried.calibrations.map(({ id }, n) => [id, `${names.point}-c${n}`]));
  const calibrations = tried.calibrations.map(({ id, body }) => ({
    id: sure(ids.get(id)),
    pointId: names.point,
    body: body.kind === 'void' ? { ...body, of: sure(ids.get(body.of)) } : body,
  }));
  return [
    ...chunks(entries, 50).map((some): SingleChange => ({ kind: 'enter', entries: some })),
    ...chunks(calibrations, 70).map((some): SingleChange => ({ kind: 'calibrate', calibrations: some })),
  ];
}

const chunks = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, n) => list.slice(n * size, (n + 1) * size));
