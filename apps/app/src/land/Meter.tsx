import { formatFineBand, formatFineVolts } from '@keypost/core/units';
import type { Reading } from '@keypost/core/analysis';
import { ArrowLeftRight } from '../ui/laterIcons';
import { Pressable, View } from 'react-native';
import { useTokens } from '../ui/theme';
import { Text } from '../ui/Text';

/** The meter: which lead is where, what it shows, and what it may show. */
export function Meter({
  reading,
  names,
  onSwap,
}: {
  reading: Reading;
  names: { red: string; black: string };
  onSwap: () => void;
}) {
  const { bone } = useTokens();
  const loose = reading.floating.length > 0;
  return (
    <View role="group" aria-label="Meter" className="rounded-plate bg-ink px-4 py-2.5">
      <View className="flex-row flex-wrap items-center gap-x-3">
        <View className="min-w-[6.5rem] flex-1">
          <Text as="small" className="text-plate">
            <Text as="small" className="font-figurebold text-plate">
              {'+ '}
            </Text>
            {names.red}
          </Text>
          <Text as="small" className="text-plate">
            <Text as="small" className="font-figurebold text-plate">
              {'− '}
            </Text>
            {names.black}
          </Text>
        </View>
        <View className="items-end">
          <Text as="number" className="text-[1.875rem] leading-[2.125rem] text-plate" testID="meter-volts">
            {formatFineVolts(reading.volts.nom)}
          </Text>
          <Text as="small" className="font-figure text-plate">
            {loose ? 'floating' : formatFineBand(reading.volts.min, reading.volts.max)}
          </Text>
        </View>
        <Pressable
          role="button"
          aria-label="Exchange the leads"
          onPress={onSwap}
          className="-mr-2 h-[48px] w-[44px] items-center justify-center"
        >
          <ArrowLeftRight size={22} color={bone} />
        </Pressable>
      </View>
      {loose && (
        <Text as="small" className="pt-1 text-plate">
          {`${reading.floating.map((lead) => names[lead]).join(' and ')} hangs on nothing: whatever the meter shows there means nothing.`}
        </Text>
      )}
    </View>
  );
}
