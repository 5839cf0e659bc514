import { textOf } from '@keypost/core/messages';
import { ownWires, planDifferences } from '@keypost/core/job';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useSave } from '../data/useSave';
import { AddWire } from '../job/AddWire';
import { VerdictText } from '../point/VerdictText';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { UnitSwitch } from '../ui/UnitSwitch';
import { AddResistor } from './AddResistor';
import { WireRow } from './WireRow';

/** The wires of a point as they are in the panel: where that is not as planned, everything follows the panel. */
export function AsFoundScreen() {
  return <PointSubPage title="Wires as found">{(point) => <AsFound point={point} />}</PointSubPage>;
}

function AsFound({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const [open, setOpen] = useState<string>();
  const { context } = point.analysis;
  const wires = ownWires(context.index, context.point);
  const differences = planDifferences(context.index, wires);
  const near = useMemo(() => nearOf(point), [point]);
  return (
    <>
      <VerdictText point={point} saver={saver} />
      <Card title="Other than planned" aside={<Text as="number">{String(differences.length)}</Text>}>
        {differences.length === 0 ? (
          <Row first>
            <Text as="soft">Nothing: the panel is as the plan says. Touch a wire that is not.</Text>
          </Row>
        ) : (
          differences.map(({ wire, sentence, remedy }, i) => (
            <Row key={wire.id} first={i === 0} className="gap-2">
              <Text as="strong">{textOf(sentence)}</Text>
              <Text as="small">{`${textOf(remedy)}.`}</Text>
              <View className="flex-row">
                <Button
                  label={`Wire ${wire.number} is as planned now`}
                  onPress={() => void saver.save({ kind: 'landWire', wireId: wire.id, asFound: null })}
                />
              </View>
            </Row>
          ))
        )}
      </Card>
      <Card title="Wires" aside={<UnitSwitch unit="mm²" />}>
        {wires.length === 0 && (
          <Row first>
            <Text as="soft">No wire yet. Choose a channel on the page of the point.</Text>
          </Row>
        )}
        {wires.map((wire, i) => (
          <WireRow
            key={wire.id}
            point={point}
            wire={wire}
            first={i === 0}
            open={open === wire.id}
            onToggle={() => setOpen(open === wire.id ? undefined : wire.id)}
          />
        ))}
      </Card>
      <AddWire view={point.view} near={near} />
      <AddResistor point={point} />
    </>
  );
}

/** The parts that stand nearest to a point. */
function nearOf({ analysis: { context } }: OpenPoint): string[] {
  const { device, helpers, ports, scope } = context;
  return [
    device.id,
    ...helpers.map(({ id }) => id),
    ...ports.map(({ module }) => module.id),
    ...scope.parts.keys(),
  ];
}
