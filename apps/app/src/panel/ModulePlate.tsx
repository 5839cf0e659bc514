import type { JobView } from '@keypost/api';
import { addressOf, moduleType, OUTPUT_WORDS, railWords } from '@keypost/core';
import type { JobIndex, Module, ModuleGroup, PointProgress, Rail } from '@keypost/core';
import { Pressable, View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useJobId } from '../job/useJobId';
import type { Saver } from '../data/useSave';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import { Button } from '../ui/Button';
import { Mark } from '../ui/Mark';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { useState } from 'react';
import { GoTo } from '../ui/GoTo';

/** One module: its groups, each common with its rail, each channel with its device. */
export function ModulePlate({
  view,
  index,
  module,
  progress,
  onEdit,
}: {
  view: JobView;
  index: JobIndex;
  module: Module;
  progress: readonly PointProgress[] | undefined;
  onEdit: () => void;
}) {
  const type = moduleType(module.typeId);
  const saver = useSave(view);
  return (
    <Plate title={module.tag} aside={<Button label="Edit" kind="bare" onPress={onEdit} />}>
      <Row first className="py-2">
        <Words as="small">{type.name}</Words>
      </Row>
      {type.groups.map((group) => (
        <GroupRows
          key={group.common}
          index={index}
          module={module}
          group={group}
          progress={progress}
          saver={saver}
        />
      ))}
      {saver.problem && (
        <View className="p-3">
          <SaveNotice saver={saver} />
        </View>
      )}
    </Plate>
  );
}

function GroupRows({
  index,
  module,
  group,
  progress,
  saver,
}: {
  index: JobIndex;
  module: Module;
  group: ModuleGroup;
  progress: readonly PointProgress[] | undefined;
  saver: Saver;
}) {
  const rail = index.railOf(module.id, group.common);
  const kinds = new Set(
    group.channels
      .flatMap((channel) => index.deviceAt({ moduleId: module.id, channel })?.output ?? [])
      .filter((k) => k === 'pnp' || k === 'npn'),
  );
  return (
    <>
      <CommonRow
        module={module}
        group={group}
        rail={rail?.rail}
        volts={rail?.supply.volts ?? index.job.supplies[0]!.volts}
        saver={saver}
        mixed={kinds.size > 1}
      />
      {group.channels.map((channel) => (
        <ChannelRow key={channel} index={index} module={module} channel={channel} progress={progress} />
      ))}
    </>
  );
}

function CommonRow({
  module,
  group,
  rail,
  volts,
  saver,
  mixed,
}: {
  module: Module;
  group: ModuleGroup;
  rail: Rail | undefined;
  volts: number;
  saver: Saver;
  mixed: boolean;
}) {
  const known = useKnown();
  const [asked, setAsked] = useState(false);
  const name = `Common ${group.common.slice(3)}`;
  const put = (to: '+' | '-' | null) =>
    known
      ? void saver.save({ kind: 'setCommon', moduleId: module.id, common: group.common, rail: to })
      : setAsked(true);
  return (
    <View className="border-t-[1.5px] border-edge bg-bone px-4 py-2">
      <View className="flex-row items-center gap-3">
        <View className="min-w-0 flex-1">
          <Words as="strong">{name}</Words>
          <Words as="small" className={rail && !mixed ? '' : 'font-wordsemi text-fail'}>
            {`${rail ? `on ${railWords(rail, volts)}` : 'on no rail'}${mixed ? ', PNP and NPN mixed' : ''}`}
          </Words>
        </View>
        <RailChoice name={`${name} of ${module.tag}`} rail={rail} volts={volts} onPut={put} />
      </View>
      {asked && !known && (
        <View className="pt-3">
          <WhoAmI />
        </View>
      )}
    </View>
  );
}

function RailChoice({
  name,
  rail,
  volts,
  onPut,
}: {
  name: string;
  rail: Rail | undefined;
  volts: number;
  onPut: (rail: '+' | '-' | null) => void;
}) {
  return (
    <View
      role="radiogroup"
      aria-label={name}
      className="flex-row overflow-hidden rounded-plate border-fine border-edge"
    >
      {(['-', '+', null] as const).map((to) => {
        const chosen = (rail ?? null) === to;
        const words = to === null ? 'open' : railWords(to, volts);
        return (
          <Pressable
            key={words}
            role="radio"
            aria-checked={chosen}
            aria-label={`${name} on ${to === null ? 'no rail' : words}`}
            onPress={() => onPut(to)}
            className={`min-h-[48px] min-w-[56px] items-center justify-center px-2 ${chosen ? 'bg-ink' : 'bg-plate'}`}
          >
            <Words as="strong" className={chosen ? 'text-plate' : ''}>
              {words}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

function ChannelRow({
  index,
  module,
  channel,
  progress,
}: {
  index: JobIndex;
  module: Module;
  channel: number;
  progress: readonly PointProgress[] | undefined;
}) {
  const device = index.deviceAt({ moduleId: module.id, channel });
  const point = device && index.pointFor(device.id);
  const row = progress?.find(({ pointId }) => pointId === point?.id);
  const jobBase = useJobBase();
  const target = point ? `${jobBase}/point/${point.id}` : `${jobBase}/new-point?at=${module.id}:${channel}`;
  return (
    <GoTo
      label={
        point
          ? `Channel ${channel}, ${point.tag} ${point.name}`
          : `Channel ${channel}, free: add a point here`
      }
      to={target}
      className="min-h-[48px] flex-row items-center gap-3 border-t border-line px-4 py-1.5 active:bg-wash"
    >
      <Words as="number" className="w-[26px]">
        {String(channel)}
      </Words>
      <View className="min-w-0 flex-1">
        {point ? (
          <Words as="strong" numberOfLines={1}>
            {point.tag}
            <Words as="body" className="text-soft">{`  ${point.name}`}</Words>
          </Words>
        ) : (
          <Words as="soft">free</Words>
        )}
        <Words
          as="small"
          className="font-figure"
        >{`${addressOf(module, channel)}${device ? `  ${OUTPUT_WORDS[device.output]}` : ''}`}</Words>
      </View>
      {row && <Mark kind={row.overall} size={22} />}
    </GoTo>
  );
}

function useJobBase(): string {
  return `/job/${useJobId()}`;
}
