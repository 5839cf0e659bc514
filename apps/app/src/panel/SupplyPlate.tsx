import type { JobView } from '@keypost/api';
import type { Supply } from '@keypost/core/model';
import { View } from 'react-native';
import { BudgetBar } from '../supplies/BudgetBar';
import { useBudgets } from '../supplies/useBudgets';
import { GoTo } from '../ui/GoTo';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

/** The supplies and their branches at a glance: volts, and the worst load against what each can give. */
export function SupplyPlate({ view }: { view: JobView }) {
  const budgets = useBudgets(view.content);
  return (
    <Plate
      title="Supplies"
      aside={
        <GoTo
          label="Change the supplies"
          to={`/job/${view.id}/supplies`}
          className="min-h-[48px] justify-center active:opacity-70"
        >
          <Words as="strong" className="text-accent">
            Change
          </Words>
        </GoTo>
      }
    >
      {view.content.supplies.map((supply, i) => {
        const budget = budgets?.find((b) => b.supply.id === supply.id);
        return (
          <Row key={supply.id} first={i === 0} className="gap-1.5 py-2.5">
            <View className="flex-row items-baseline justify-between gap-3">
              <Words as="strong">
                {supply.tag}
                <Words as="body" className="text-soft">{`  ${kindWords(view, supply)}`}</Words>
              </Words>
              <Words as="number">
                {`${supply.volts} V`}
                <Words as="mono">{` ±${supply.tolerancePercent} %`}</Words>
              </Words>
            </View>
            {budget ? <BudgetBar budget={budget} /> : <Words as="small">Adding up its loads …</Words>}
          </Row>
        );
      })}
    </Plate>
  );
}

/** `AC mains`, `DC`, `breaker on G1`. */
export function kindWords({ content }: JobView, { kind, feed }: Supply): string {
  if (feed) {
    const from = content.supplies.find(({ id }) => id === feed.from)?.tag ?? feed.from;
    return `${feed.protection === 'fuse' ? 'fuse' : 'breaker'} on ${from}`;
  }
  return kind === 'ac' ? 'AC' : 'DC';
}
