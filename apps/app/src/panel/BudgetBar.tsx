import { fixed } from '@keypost/core/units';
import type { SupplyBudget } from '@keypost/core/planning';
import { View } from 'react-native';
import { Text } from '../ui/Text';

const amps = (value: number): string => (value < 1 ? `${fixed(value * 1000, 0)} mA` : `${fixed(value, 1)} A`);

/** Worst load of a supply against what it can give: as words, and as a bar that the load fills. */
export function BudgetBar({ budget }: { budget: SupplyBudget }) {
  const share = budget.amps / budget.limitAmps;
  const over = share > 1;
  return (
    <View className="gap-1.5">
      <View className="h-[14px] overflow-hidden rounded-[4px] border-fine border-ink bg-plate">
        <View
          className={over ? 'h-full bg-fail' : 'h-full bg-ink'}
          style={{ width: `${Math.min(100, Math.round(share * 100))}%` }}
        />
      </View>
      <Text as="small" className={over ? 'font-wordsemi text-fail' : ''}>
        {over
          ? `${amps(budget.amps)} at worst, ${amps(budget.amps - budget.limitAmps)} more than its ${amps(budget.limitAmps)}`
          : `${amps(budget.amps)} at worst of ${amps(budget.limitAmps)}, ${Math.floor(budget.margin * 100)} % to spare`}
      </Text>
    </View>
  );
}
