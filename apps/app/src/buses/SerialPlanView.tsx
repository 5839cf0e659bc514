import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import {
  lineOf,
  LINE_NAMES,
  namingSentence,
  planAsSet,
  pollSeconds,
  serialFaults,
  voltsAtRest,
} from '@keypost/core/setting';
import type { JobIndex } from '@keypost/core/job';
import type { SerialPlan, SerialUnit } from '@keypost/core/model';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { FaultList } from './FaultList';
import { LineDrawing } from './LineDrawing';
import { RegisterMap } from './RegisterMap';
import { SerialUnitForm } from './SerialUnitForm';

/** A serial line: its order along the cable, what is wrong with it, its voltage at rest and its poll time. */
export function SerialPlanView({ view, index, plan }: { view: JobView; index: JobIndex; plan: SerialPlan }) {
  const wide = useWide();
  const asSet = useMemo(() => planAsSet(index, plan), [index, plan]);
  const line = useMemo(() => lineOf(asSet), [asSet]);
  const faults = useMemo(() => serialFaults(line).map(({ sentence }) => sentence), [line]);
  const volts = useMemo(() => voltsAtRest(line), [line]);
  const naming = namingSentence(plan);
  const metres = plan.units.slice(1).reduce((sum, { fromLastM }) => sum + fromLastM, 0);
  return (
    <>
      <Text as="head">{plan.tag}</Text>
      <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
        <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
          <FaultList
            title="As it stands"
            faults={faults.map(textOf)}
            clear="Numbers, speed, frame, ends, loads and length fit together."
          />
          <LineDrawing plan={asSet} volts={volts} />
          <Card title="The whole line">
            <Row first className="gap-1">
              <Fact label="Length" value={`${metres} m`} />
              <Fact
                label="Units to ask"
                value={String(plan.units.filter(({ unit, map }) => unit !== undefined && map.length).length)}
              />
              <Fact label="Asking all once" value={`${(pollSeconds(line) * 1000).toFixed(0)} ms`} />
              <Fact label="Minimum volts at rest" value={`${Math.min(...volts.values()).toFixed(2)} V`} />
              <Fact label="Needed at rest" value="0.20 V" />
            </Row>
            {naming && (
              <Row>
                <Text as="small" className="font-wordsemi text-wait">
                  {textOf(naming)}
                </Text>
              </Row>
            )}
            <Row className="gap-0.5">
              {LINE_NAMES.map(({ names, words }) => (
                <Text as="small" key={textOf(names)}>{`${textOf(names)}: ${textOf(words)}`}</Text>
              ))}
            </Row>
          </Card>
        </View>
        <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
          <Units view={view} plan={plan} />
        </View>
      </View>
    </>
  );
}

function Fact({ label, value }: { label: string; value: string }) {
  return (
    <View className="flex-row items-baseline justify-between gap-3">
      <Text as="body">{label}</Text>
      <Text as="number">{value}</Text>
    </View>
  );
}

function Units({ view, plan }: { view: JobView; plan: SerialPlan }) {
  const [editing, setEditing] = useState<string>();
  const [mapping, setMapping] = useState<string>();
  const done = () => setEditing(undefined);
  return (
    <>
      {plan.units.map((unit, i) =>
        editing === unit.id ? (
          <SerialUnitForm key={unit.id} view={view} plan={plan} unit={unit} onDone={done} />
        ) : (
          <Card
            key={unit.id}
            title={unit.tag}
            aside={<Button label={`Edit ${unit.tag}`} kind="bare" onPress={() => setEditing(unit.id)} />}
          >
            <Row first className="gap-1">
              <Text as="small">{unitText(unit, i)}</Text>
              {unit.unit !== undefined && (
                <Button
                  label={
                    mapping === unit.id
                      ? 'Close its registers'
                      : `Registers of ${unit.tag}, ${unit.map.length}`
                  }
                  onPress={() => setMapping(mapping === unit.id ? undefined : unit.id)}
                />
              )}
            </Row>
            {mapping === unit.id && (
              <RegisterMap
                view={view}
                planId={plan.id}
                rowId={unit.id}
                map={unit.map}
                change={(map) => ({
                  kind: 'setPlan',
                  plan: {
                    ...plan,
                    units: plan.units.map((row) => (row.id === unit.id ? { ...row, map } : row)),
                  },
                })}
              />
            )}
          </Card>
        ),
      )}
      {editing === 'new' ? (
        <SerialUnitForm view={view} plan={plan} onDone={done} />
      ) : (
        <Button label="Add a unit" onPress={() => setEditing('new')} />
      )}
    </>
  );
}

const unitText = (
  { unit, baud, parity, stopBits, plusName, terminated, fromLastM }: SerialUnit,
  i: number,
): string =>
  [
    unit === undefined ? 'master' : `unit ${unit}`,
    `${baud} baud`,
    `${parity === 'none' ? 'no' : parity} parity, ${stopBits} stop ${stopBits === 1 ? 'bit' : 'bits'}`,
    `positive line is ${plusName}`,
    terminated ? 'terminator on' : 'terminator off',
    ...(i > 0 ? [`${fromLastM} m from the one before`] : []),
  ].join(', ');
