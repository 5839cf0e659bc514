import { sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { fixed, formatVolts } from '@keypost/core/units';
import type { Supply } from '@keypost/core/model';
import type { SupplyBudget } from '@keypost/core/planning';
import { JobPage } from '../job/JobPage';
import { useState } from 'react';
import { View } from 'react-native';
import { kindText, PROTECTION_TEXT } from './SupplyCard';
import { Beside } from '../ui/Beside';
import { useShownUnits, wireSize } from '../ui/shownUnits';
import { UnitSwitch } from '../ui/UnitSwitch';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { BudgetBar } from './BudgetBar';
import { BehindRow } from './BehindRow';
import { ProtectionRows } from './ProtectionRows';
import { SupplyForm } from './SupplyForm';
import type { NewKind } from './SupplyForm';
import { useBudgets } from './useBudgets';

/** Every supply and branch with what hangs on it at its worst. */
export function SuppliesScreen() {
  return (
    <JobPage pair title="Supplies" back="/panel" aside={<UnitSwitch unit="mm²" />} what="the supplies">
      {(view) => <Supplies view={view} />}
    </JobPage>
  );
}

function Supplies({ view }: { view: JobView }) {
  const budgets = useBudgets(view.content);
  const [editing, setEditing] = useState<string>();
  const [adding, setAdding] = useState<NewKind>();
  const done = () => {
    setEditing(undefined);
    setAdding(undefined);
  };
  const half = Math.ceil(view.content.supplies.length / 2);
  const cards = view.content.supplies.map((supply) =>
    editing === supply.id ? (
      <SupplyForm key={supply.id} view={view} supply={supply} kind={kindOf(supply)} onDone={done} />
    ) : (
      <OneSupply
        key={supply.id}
        view={view}
        supply={supply}
        budget={budgets?.find((b) => b.supply.id === supply.id)}
        onEdit={() => setEditing(supply.id)}
      />
    ),
  );
  return (
    <Beside
      left={cards.slice(0, half)}
      right={
        <>
          {cards.slice(half)}
          {adding ? (
            <SupplyForm view={view} kind={adding} onDone={done} />
          ) : (
            <View className="gap-3">
              <Button label="Add a branch with a fuse or breaker" onPress={() => setAdding('branch')} />
              <Button label="Add a DC supply" onPress={() => setAdding('dc')} />
              <Button label="Add an AC supply" onPress={() => setAdding('ac')} />
            </View>
          )}
        </>
      }
    />
  );
}

const kindOf = ({ feed, kind }: Supply): NewKind => (feed ? 'branch' : kind);

/** So many of the largest loads are listed. */
const LISTED = 6;

function OneSupply({
  view,
  supply,
  budget,
  onEdit,
}: {
  view: JobView;
  supply: Supply;
  budget: SupplyBudget | undefined;
  onEdit: () => void;
}) {
  return (
    <Card title={supply.tag} aside={<Button label={`Edit ${supply.tag}`} kind="bare" onPress={onEdit} />}>
      <Row first className="gap-2">
        <View className="flex-row items-baseline justify-between">
          <Text as="body">{kindText(view, supply)}</Text>
          <Text as="number">{`${supply.volts} V ±${supply.tolerancePercent} %`}</Text>
        </View>
        {budget ? <BudgetBar budget={budget} /> : <Text as="small">Adding up its loads …</Text>}
        {supply.kind === 'ac' && (
          <Caution>
            Mains: isolate, lock off and prove dead before you work on it, under the local rules.
          </Caution>
        )}
      </Row>
      {budget?.feeder && <FeederRow feeder={budget.feeder} supply={supply} />}
      {budget?.weakest && (
        <Row>
          <Text
            as={budget.weakest.volts < budget.weakest.needs ? 'fail' : 'small'}
          >{`Fewest volts arrive at ${budget.weakest.tag}: ${formatVolts(budget.weakest.volts)} at worst, it needs ${formatVolts(budget.weakest.needs)}.`}</Text>
        </Row>
      )}
      {budget && budget.draws.length > 0 && <Draws budget={budget} />}
      <ProtectionRows view={view} supply={supply} />
      {supply.feed && <BehindRow view={view} branch={supply} />}
    </Card>
  );
}

function FeederRow({ feeder, supply }: { feeder: NonNullable<SupplyBudget['feeder']>; supply: Supply }) {
  const { protection, ...size } = sure(supply.feed);
  const [section, length] = wireSize(size, useShownUnits());
  const part = PROTECTION_TEXT[protection];
  return (
    <Row className="gap-1">
      <Text as="body">{`Feeder ${length} of ${section} from ${feeder.from}: loses ${formatVolts(feeder.drop)} at worst, ${fixed(feeder.share * 100, 1)} %.`}</Text>
      <Text as={feeder.protects ? 'small' : 'fail'}>
        {feeder.protects
          ? `Its copper bears ${fixed(feeder.bears, 1)} A in a wireway (IEC 60204-1); the ${part} of ${supply.limitAmps} A protects it.`
          : `Its copper bears ${fixed(feeder.bears, 1)} A in a wireway (IEC 60204-1); the ${part} of ${supply.limitAmps} A does not protect it. Take a smaller ${part} or a thicker wire.`}
      </Text>
    </Row>
  );
}

function Draws({ budget: { draws } }: { budget: SupplyBudget }) {
  const rest = draws.slice(LISTED);
  const line = (tag: string, amps: number) => (
    <View key={tag} className="flex-row justify-between">
      <Text as="body">{tag}</Text>
      <Text as="number">{`${fixed(amps * 1000, amps < 0.01 ? 1 : 0)} mA`}</Text>
    </View>
  );
  return (
    <Row className="gap-0.5">
      {draws.slice(0, LISTED).map(({ tag, amps }) => line(textOf(tag), amps))}
      {rest.length > 0 &&
        line(
          `${rest.length} more`,
          rest.reduce((sum, { amps }) => sum + amps, 0),
        )}
    </Row>
  );
}
