import type { JobView } from '@keypost/api';
import type { Supply } from '@keypost/core/model';
import { View } from 'react-native';
import { BudgetBar } from './BudgetBar';
import { useBudgets } from './useBudgets';
import { GoTo } from '../ui/GoTo';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** The supplies and their branches at a glance: volts, and the worst load against what each can give. */
export function SupplyCard({ view }: { view: JobView }) {
  const budgets = useBudgets(view.content);
  return (
    <Card
      title="Supplies"
      aside={
        <GoTo
          label="Change the supplies"
          to={`/job/${view.id}/supplies`}
          className="min-h-[48px] justify-center active:opacity-70"
        >
          <Text as="strong" className="text-accent">
            Change
          </Text>
        </GoTo>
      }
    >
      {view.content.supplies.map((supply, i) => {
        const budget = budgets?.find((b) => b.supply.id === supply.id);
        return (
          <Row key={supply.id} first={i === 0} className="gap-1.5 py-2.5">
            <View className="flex-row items-baseline justify-between gap-3">
              <Text as="strong">
                {supply.tag}
                <Text as="body" className="text-soft">{`  ${kindText(view, supply)}`}</Text>
              </Text>
              <Text as="number">
                {`${supply.volts} V`}
                <Text as="mono">{` ±${supply.tolerancePercent} %`}</Text>
              </Text>
            </View>
            {budget ? <BudgetBar budget={budget} /> : <Text as="small">Adding up its loads …</Text>}
          </Row>
        );
      })}
    </Card>
  );
}

/** What protects a branch, in words. */
export const PROTECTION_TEXT: Readonly<Record<NonNullable<Supply['feed']>['protection'], string>> = {
  fuse: 'fuse',
  breaker: 'breaker',
  'mcb-b': 'MCB B',
  'mcb-c': 'MCB C',
  'mcb-d': 'MCB D',
};

/** `AC mains`, `DC`, `breaker on G1`. */
export function kindText({ content }: JobView, { kind, feed }: Supply): string {
  if (feed) {
    const from = content.supplies.find(({ id }) => id === feed.from)?.tag ?? feed.from;
    return `${PROTECTION_TEXT[feed.protection]} on ${from}`;
  }
  return kind === 'ac' ? 'AC' : 'DC';
}
