import { unitIn } from '@keypost/core/units';
import { Pressable } from 'react-native';
import { swapUnits, useShownUnits } from './shownUnits';
import { Text } from './Text';

/** Swaps metric and US units on every page; says what it would show instead. */
export function UnitSwitch({ unit }: { unit: string }) {
  const other = useShownUnits() === 'us' ? 'metric' : 'us';
  const words = unit === 'mm²' ? (other === 'us' ? 'ft, AWG' : 'm, mm²') : unitIn(unit, other);
  return (
    <Pressable
      role="button"
      aria-label={`Show in ${words}`}
      onPress={swapUnits}
      className="min-h-[48px] min-w-[48px] items-center justify-center px-2 active:bg-wash"
    >
      <Text as="strong" className="text-accent">
        {`in ${words}`}
      </Text>
    </Pressable>
  );
}
