import { railText } from '@keypost/core/job';
import type { Module } from '@keypost/core/model';
import type { CommonRail, Rail } from '@keypost/core/job';
import { View } from 'react-native';
import type { Saver } from '../data/useSave';
import { Radio, Radios } from '../ui/Radios';
import { Text } from '../ui/Text';

/** A group's common: the rail that it is on, and the way to put it on another. */
export function CommonRow({
  module,
  name,
  common,
  rail,
  volts,
  choices,
  saver,
  mixed,
}: {
  module: Module;
  name: string;
  common: string;
  rail: Rail | undefined;
  volts: number;
  choices: readonly CommonRail[];
  saver: Saver;
  mixed: boolean;
}) {
  const put = (to: CommonRail | null) =>
    void saver.save({ kind: 'setCommon', moduleId: module.id, common, rail: to });
  return (
    <View className="border-t-[1.5px] border-rim bg-bone px-4 py-2">
      <View className="flex-row flex-wrap content-center items-center gap-x-3 gap-y-1">
        <View className="min-w-[140px] flex-1">
          <Text as="strong">{name}</Text>
          <Text as="small" className={rail && !mixed ? '' : 'font-wordsemi text-fail'}>
            {`${rail ? `on ${railText(rail, volts)}` : 'on no rail'}${mixed ? ', PNP and NPN mixed' : ''}`}
          </Text>
        </View>
        <RailChoice
          name={`${name} of ${module.tag}`}
          rail={rail}
          volts={volts}
          choices={choices}
          onPut={put}
        />
      </View>
    </View>
  );
}

/** A common that is on no rail. */
const OPEN = 'open';

function RailChoice({
  name,
  rail,
  volts,
  choices,
  onPut,
}: {
  name: string;
  rail: Rail | undefined;
  volts: number;
  choices: readonly CommonRail[];
  onPut: (rail: CommonRail | null) => void;
}) {
  return (
    <Radios
      label={name}
      value={rail ?? OPEN}
      onChange={(to) => onPut(choices.find((one) => one === to) ?? null)}
      className="flex-row flex-wrap overflow-hidden rounded-plate border-fine border-rim"
    >
      {[...choices, null].map((to) => {
        const chosen = (rail ?? null) === to;
        const words = to === null ? 'open' : railText(to, volts);
        return (
          <Radio
            key={words}
            value={to ?? OPEN}
            label={`${name} on ${to === null ? 'no rail' : words}`}
            className={`min-h-[48px] min-w-[56px] items-center justify-center px-2 ${chosen ? 'bg-ink' : 'bg-plate'}`}
          >
            <Text as="strong" className={chosen ? 'text-plate' : ''}>
              {words}
            </Text>
          </Radio>
        );
      })}
    </Radios>
  );
}
