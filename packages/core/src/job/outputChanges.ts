import { chosenOutput, outputOfType, partTypesOf } from '../catalog/index.ts';
import type { Device, JobContent } from '../model/index.ts';
import type { SingleChange } from './changeSchema.ts';

type EditedOutput = Pick<Extract<SingleChange, { kind: 'editPoint' }>['patch'], 'outputId' | 'output'>;

/** Whether another output is meant; a point that names none is about the first. */
export function isOtherOutput(
  job: JobContent,
  device: Device,
  was: string | undefined,
  now: string,
): boolean {
  const type = partTypesOf(job).findDevice(device);
  return type ? outputOfType(type, was)?.id !== outputOfType(type, now)?.id : was !== now;
}

/** A device whose outputs work as they come. */
export function withoutOutputs({ outputs: _, ...device }: Device): Device {
  return device;
}

/** A device with one of its outputs chosen otherwise. */
export function withOutput(job: JobContent, device: Device, { outputId, output }: EditedOutput): Device {
  const type = partTypesOf(job).findDevice(device);
  const of = type && outputOfType(type, outputId);
  if (!output || !of) return device;
  const now = chosenOutput(type, device, of);
  return { ...device, outputs: { ...device.outputs, [of.id]: { ...now, ...output } } };
}
