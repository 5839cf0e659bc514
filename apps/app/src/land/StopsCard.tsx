import { canBeStopped } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { stoppedThings } from '@keypost/core/verdict';
import type { StoppedThing } from '@keypost/core/verdict';
import { stopPlan } from '@keypost/core/planning';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import type { Saver } from '../data/useSave';
import { expecting } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { OptionTile } from '../ui/OptionTile';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

/** What a safety function takes the energy from, over which contact, and what else of the job it is to stop. */
export function StopsCard({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const { analysis, view } = point;
  const { point: row, output } = analysis.context;
  if (output.drivenBy !== 'guard') return null;
  const things = stoppedThings(analysis);
  const { stops = [] } = row;
  const wired = new Set(things.map(({ itemId }) => itemId));
  const others = [...view.content.devices, ...view.content.modules].filter(
    ({ id }) => canBeStopped(view.content, id) && (stops.includes(id) || !wired.has(id)),
  );
  const toggle = (id: string) =>
    void saver.save(
      {
        kind: 'editPoint',
        id: row.id,
        patch: { stops: stops.includes(id) ? stops.filter((other) => other !== id) : [...stops, id] },
      },
      { expects: expecting(view, 'points', row.id) },
    );
  return (
    <Card title="What it stops">
      {things.length === 0 && (
        <Row first className="gap-3">
          <Text as="fail">Nothing yet. A guard that stops nothing protects nobody.</Text>
          <AddContactors point={point} saver={saver} />
        </Row>
      )}
      {things.map((thing, i) => (
        <Stopped key={`${thing.itemId}${textOf(thing.name)}`} thing={thing} first={i === 0} />
      ))}
      {others.length > 0 && (
        <Row className="gap-2">
          <Text as="strong">It is to stop these too</Text>
          <View className="flex-row flex-wrap gap-2" role="group" aria-label="It is to stop these too">
            {others.map(({ id, tag }) => (
              <OptionTile key={id} label={tag} isOn={stops.includes(id)} onPress={() => toggle(id)} />
            ))}
          </View>
        </Row>
      )}
    </Card>
  );
}

/** Offers contactors with their feedback and a reset; solved and found to work before it is offered. */
function AddContactors({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const [ids] = useState(() => ({ button: uuid(), contactors: [uuid(), uuid()] }));
  const { index, analysis } = point;
  const plan = useMemo(() => stopPlan(index, analysis.context.point.id, ids), [index, analysis, ids]);
  if (!plan) return null;
  return (
    <View className="gap-2">
      <Button
        label="Add two contactors with feedback, and reset"
        waiting={saver.saving}
        onPress={() => void saver.save(plan)}
      />
      <Caution>
        A proposal of wiring, not a safety assessment: category, reset and stop are for a competent person to
        decide.
      </Caution>
    </View>
  );
}

function Stopped({ thing: { name, isWired, fedBy }, first }: { thing: StoppedThing; first: boolean }) {
  const text = !isWired
    ? 'not wired'
    : fedBy.length
      ? `fed by ${fedBy.map(textOf).join(' and ')}`
      : 'fed by no safe contact alone';
  return (
    <Row first={first} className="flex-row items-center gap-3 py-3">
      {!(isWired && fedBy.length) && <StatusIcon kind="cannot" size={22} />}
      <View className="min-w-0 flex-1">
        <Text as="strong">{textOf(name)}</Text>
        <Text as="small">{text}</Text>
      </View>
    </Row>
  );
}
