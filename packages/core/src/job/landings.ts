import { partTypesOf, settingsOf } from '../catalog/index.ts';
import type { DeviceOutput, DeviceType, Port } from '../catalog/index.ts';
import type { Settings } from '../model/index.ts';
import type { SingleChange } from './changeSchema.ts';
import type { ChannelPlace, JobIndex } from './jobIndex.ts';
import { portFits } from './portFits.ts';

/** A channel on which something can be landed: as what, and what its module has to be set to for it. */
export interface Landing extends ChannelPlace {
  readonly port: Port;
  readonly settings: Settings;
}

/** All that the channels of a module can be: as they are set first, then what they would be if they were set otherwise. */
export const landingsOf = (index: JobIndex, moduleId: string): Landing[] =>
  index.possiblePorts(moduleId).flatMap(({ port, settings }): Landing[] => {
    const place = { moduleId, channel: port.channel };
    // What is landed on a channel has it as it is.
    return needsSetting(settings) && index.deviceAt(place) ? [] : [{ ...place, port, settings }];
  });

const needsSetting = (settings: Settings): boolean => Object.keys(settings).length > 0;

/** Where an output lands on a channel: as that is set, else as it would be; nothing where it never fits. */
export const landingFor = (
  index: JobIndex,
  { moduleId, channel }: ChannelPlace,
  type: DeviceType,
  output: DeviceOutput | undefined,
): Landing | undefined =>
  landingsOf(index, moduleId).find((one) => one.channel === channel && portFits(type, output, one.port));

/** Sets a module so that a channel of it is what is landed there. */
export function changesFor({ job }: JobIndex, { moduleId, settings }: Landing): SingleChange[] {
  const module = job.modules.find(({ id }) => id === moduleId);
  if (!module || !needsSetting(settings)) return [];
  const now = settingsOf(partTypesOf(job).module(module), module.settings);
  return [{ kind: 'editModule', id: moduleId, patch: { settings: { ...now, ...settings } } }];
}
