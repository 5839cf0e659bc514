import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { commonText } from '@keypost/core/network';
import { commonRails, supplyOfRail } from '@keypost/core/job';
import type { JobIndex } from '@keypost/core/job';
import type { Module } from '@keypost/core/model';
import { chosenOutput } from '@keypost/core/catalog';
import type { ModuleType, Port } from '@keypost/core/catalog';
import type { PointProgress } from '@keypost/core/proving';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { AddWire } from '../job/AddWire';
import { AddPhoto, PhotoMarks } from '../photo/PhotoMarks';
import { useJobId } from '../job/useJobId';
import { useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { CommonRow } from './CommonRow';
import { PortCell } from './PortCell';
import type { Moving } from './useMoving';

interface Shown {
  readonly index: JobIndex;
  readonly module: Module;
  readonly progress: readonly PointProgress[] | undefined;
  readonly moving: Moving;
}

/** One module: its groups, each common with its rail, and every channel with what is on it. */
export function ModuleCard({ view, onEdit, ...shown }: Shown & { view: JobView; onEdit: () => void }) {
  const { module, index } = shown;
  const type = index.moduleType(module);
  const saver = useSave(view);
  const ports = index.portsOf(module.id);
  const photographed = { view, subject: { kind: 'part', itemId: module.id }, name: module.tag } as const;
  const grouped = new Set(type.groups.flatMap(({ channels }) => channels));
  const others = ports.filter(({ channel }) => !grouped.has(channel));
  return (
    <Card title={module.tag} aside={<Button label={`Edit ${module.tag}`} kind="bare" onPress={onEdit} />}>
      <Row first className="gap-2 py-2">
        <View className="flex-row items-center gap-3">
          <Text as="small" className="min-w-0 flex-1">
            {type.name}
          </Text>
          <AddPhoto {...photographed} />
        </View>
        <PhotoMarks {...photographed} />
      </Row>
      {type.groups.map((group) => (
        <View key={group.common}>
          <GroupCommon {...shown} group={group} saver={saver} />
          <Cells {...shown} ports={ports.filter(({ channel }) => group.channels.includes(channel))} />
        </View>
      ))}
      {others.length > 0 && (
        <View className="border-t border-line">
          <Cells {...shown} ports={others} />
        </View>
      )}
      <Row>
        <AddWire view={view} near={[module.id]} label={`Add a wire to ${module.tag}`} />
      </Row>
      {saver.problem && (
        <View className="p-3">
          <SaveNotice saver={saver} />
        </View>
      )}
    </Card>
  );
}

function GroupCommon({
  index,
  module,
  group,
  saver,
}: Shown & { group: ModuleType['groups'][number]; saver: Saver }) {
  const rail = index.railOf(module.id, group.common);
  const choices = commonRails(index.port({ moduleId: module.id, channel: nth(group.channels, 0) }));
  const supply = supplyOfRail(index.job, choices[1], rail?.supply);
  const kinds = new Set(
    group.channels
      .flatMap((channel) => {
        const point = index.pointAt({ moduleId: module.id, channel });
        const output = point && index.outputOf(point);
        if (!output) return [];
        const device = index.deviceOf(point);
        return chosenOutput(index.deviceType(device), device, output).kind;
      })
      .filter((k) => k === 'pnp' || k === 'npn'),
  );
  return (
    <CommonRow
      module={module}
      name={textOf(commonText(group))}
      common={group.common}
      rail={rail?.rail}
      volts={supply?.volts ?? nth(index.job.supplies, 0).volts}
      choices={choices}
      saver={saver}
      mixed={kinds.size > 1}
    />
  );
}

/** Channels side by side, two in a row; more where there is room. */
function Cells({ ports, ...shown }: Shown & { ports: readonly Port[] }) {
  const jobBase = `/job/${useJobId()}` as const;
  return (
    <View className="flex-row flex-wrap border-t border-line">
      {ports.map((port) => (
        <View key={port.channel} className="w-1/2">
          <PortCell {...shown} port={port} jobBase={jobBase} />
        </View>
      ))}
    </View>
  );
}
