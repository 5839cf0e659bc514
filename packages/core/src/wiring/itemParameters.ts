import { findDeviceType, findModuleType, parametersOfType } from '../catalog/index.ts';
import type { Parameter } from '../catalog/index.ts';
import { knownDescription } from '../ioLink/index.ts';
import type { KnownDescription } from '../ioLink/index.ts';
import type { Description, Device, JobContent } from '../model/job.ts';

/** The description file of a device, if the job holds it. @throws JobProblem for a file that cannot be read. */
export function descriptionOf(
  descriptions: readonly Description[],
  { descriptionId }: Pick<Device, 'descriptionId'>,
): KnownDescription | undefined {
  const row = descriptionId === undefined ? undefined : descriptions.find(({ id }) => id === descriptionId);
  return row && knownDescription(row.text);
}

/** Everything that a part of a job is set to: what its type brings, then what its description file names. */
export function parametersOf(job: JobContent, itemId: string): readonly Parameter[] {
  const module = job.modules.find(({ id }) => id === itemId);
  if (module) {
    const type = findModuleType(module.typeId);
    return type ? parametersOfType(type) : [];
  }
  const device = job.devices.find(({ id }) => id === itemId);
  const type = device && findDeviceType(device.typeId);
  if (!type) return [];
  return [...parametersOfType(type), ...(descriptionOf(job.descriptions, device)?.parameters ?? [])];
}
