import { textOf } from '@keypost/core/messages';
import { ownWires, planDifferences } from '@keypost/core/job';
import { useState } from 'react';
import { View } from 'react-native';
import { useSave } from '../data/useSave';
import { VerdictWords } from '../land/VerdictWords';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
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
  return (
    <>
      <VerdictWords point={point} saver={saver} />
      <Plate title="Other than planned" aside={<Words as="number">{String(differences.length)}</Words>}>
        {differences.length === 0 ? (
          <Row first>
            <Words as="soft">Nothing: the panel is as the plan says. Touch a wire that is not.</Words>
          </Row>
        ) : (
          differences.map(({ wire, sentence, back }, i) => (
            <Row key={wire.id} first={i === 0} className="gap-2">
              <Words as="strong">{textOf(sentence)}</Words>
              <Words as="small">{`${textOf(back)}.`}</Words>
              <View className="flex-row">
                <Button
                  label={`Wire ${wire.number} is as planned now`}
                  onPress={() => void saver.save({ kind: 'landWire', wireId: wire.id, asFound: null })}
                />
              </View>
            </Row>
          ))
        )}
      </Plate>
      <Plate title="Wires" aside={<Words as="small">as planned</Words>}>
        {wires.length === 0 && (
          <Row first>
            <Words as="soft">No wire yet. Choose a channel on the page of the point.</Words>
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
      </Plate>
      <AddResistor point={point} />
    </>
  );
}
