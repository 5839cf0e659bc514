import { findDeviceType, findModuleType, parametersOfType } from '../catalog/index.ts';
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

/** Everything that a device or module is set to: what its type brings, then what its description file names. */
export function parametersOfItem(
  item: Device | Module,
  descriptions: readonly Description[],
): readonly Parameter[] {
  const type = findDeviceType(item.typeId) ?? findModuleType(item.typeId);
  if (!type) return [];
  const own = parametersOfType(type);
  const known = 'descriptionId' in item ? descriptionOf(descriptions, item) : undefined;
  return known ? [...own, ...known.parameters] : own;
}

/** The same for a part of a job by its id; nothing for one that it does not hold. */
export function parametersOf(
  { devices, modules, descriptions }: JobContent,
  itemId: string,
): readonly Parameter[] {
  const item = devices.find(({ id }) => id === itemId) ?? modules.find(({ id }) => id === itemId);
  return item ? parametersOfItem(item, descriptions) : [];
}
