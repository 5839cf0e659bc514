import { nth } from '@keypost/core/lists';
import type { DeviceOutput, DeviceType } from '@keypost/core/catalog';
import { landingsOf, portFits, railText } from '@keypost/core/job';
import type { JobIndex } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { commonText } from '@keypost/core/network';

/** Free places that suit an output, and those of its own point, by group with what its common sits on. */
export function channelOptions(
  index: JobIndex,
  { type, output }: { readonly type: DeviceType; readonly output: DeviceOutput | undefined },
  pointId: string | undefined,
): { value: string; label: string; group: string }[] {
  return index.job.modules.flatMap((module) =>
    landingsOf(index, module.id).flatMap(({ port, settings }) => {
      if (!portFits(type, output, port)) return [];
      const place = { moduleId: module.id, channel: port.channel };
      const holder = index.deviceAt(place);
      const own = pointId !== undefined && index.pointAt(place)?.id === pointId;
      const shared = port.kind === 'serial' || (holder && index.deviceType(holder).description.inline);
      if (holder && !own && !shared) return [];
      const rail = index.railOf(module.id, port.common)?.rail ?? port.inside?.rail;
      const sitsOn = index.railOf(module.id, port.common)?.supply ?? nth(index.job.supplies, 0);
      const volts = port.inside?.volts ?? sitsOn.volts;
      const sits = rail ? `on ${railText(rail, volts)}` : 'on no rail';
      const group =
        port.kind === 'digital'
          ? `${module.tag}, ${textOf(commonText(port)).toLowerCase()} ${sits}`
          : `${module.tag}`;
      const label = `${module.tag} ${port.label}`;
      return [
        {
          value: `${module.id}:${port.channel}`,
          label: Object.keys(settings).length ? `${label}, to be set so` : label,
          group,
        },
      ];
    }),
  );
}
