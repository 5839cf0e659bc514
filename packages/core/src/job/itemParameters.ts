import { parametersOfType, partTypesOf } from '../catalog/index.ts';
import type { Parameter } from '../catalog/index.ts';
import { knownDescription } from '../ioLink/index.ts';
import type { KnownDescription } from '../ioLink/index.ts';
import type { Description, Device, JobContent, Module } from '../model/index.ts';

/** The description file of a device, if the job holds it. @throws JobProblem for a file that cannot be read. */
export function descriptionOf(
  descriptions: readonly Description[],
  { descriptionId }: Pick<Device, 'descriptionId'>,
): KnownDescription | undefined {
  const row = descriptionId === undefined ? undefined : descriptions.find(({ id }) => id === descriptionId);
  return row && knownDescription(row.text);
}

type Known = Pick<JobContent, 'descriptions' | 'ownDevices' | 'ownModules'>;

/** Everything that a device is set to: what its kind brings, then what its description file names. */
function parametersOfDevice(device: Device, job: Known): readonly Parameter[] {
  const type = partTypesOf(job).findDevice(device);
  if (!type) return [];
  const known = descriptionOf(job.descriptions, device);
  return known ? [...parametersOfType(type), ...known.parameters] : parametersOfType(type);
}

/** Everything that a module is set to. */
function parametersOfModule(module: Module, job: Known): readonly Parameter[] {
  const type = partTypesOf(job).findModule(module);
  return type ? parametersOfType(type) : [];
}

/** Everything that a part of a job is set to, by its id; nothing for one that it does not hold. */
export function parametersOf(job: JobContent, itemId: string): readonly Parameter[] {
  const device = job.devices.find(({ id }) => id === itemId);
  if (device) return parametersOfDevice(device, job);
  const module = job.modules.find(({ id }) => id === itemId);
  return module ? parametersOfModule(module, job) : [];
}
