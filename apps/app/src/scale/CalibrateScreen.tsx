import { nth } from '@keypost/core/lists';
import { calibrationSides, injectionPoints, effective } from '@keypost/core/scaling';
import { calibrationsOf } from '@keypost/core/sensing';
import { written } from '@keypost/core/units';
import { parseTyped } from '../ui/typedNumbers';
import type { CalibrationSides, InjectionPoint, PointChain } from '@keypost/core/scaling';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { StatusIcon } from '../ui/StatusIcon';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Beside } from '../ui/Beside';
import { Text } from '../ui/Text';
import { ChainSubPage } from '../chain/ChainSubPage';
import { CalibrationVerdict } from './CalibrationVerdict';
import { FIRST_TEXTS, NOTHING_READ, readRun, SHARES } from './calibrationRun';
import type { RunTexts } from './calibrationRun';
import { dayAndTime } from '../ui/dates';

/** Transmitter calibration: what to inject, what came, the correction, as found and as left. */
export function CalibrateScreen() {
  return (
    <ChainSubPage title="Transmitter calibration" pair>
      {(point, { made }) => <CalibrationForm point={point} made={made} />}
    </ChainSubPage>
  );
}

function CalibrationForm({ point, made }: { point: OpenPoint; made: PointChain }) {
  const saver = useSave(point.view);
  const { context } = point.analysis;
  const sides = useMemo(() => calibrationSides(point.analysis, made), [point.analysis, made]);
  const [side, setSide] = useState<'found' | 'left'>('found');
  const [texts, setTexts] = useState<RunTexts>(FIRST_TEXTS);
  const change = (patch: Partial<RunTexts>): void => setTexts({ ...texts, ...patch });
  const alarm = effective(point.index, context.device.id, 'alarm')?.value === 'high' ? 'high' : 'low';
  const limit = parseTyped(texts.limit, '%');
  const allowed = limit.ok && limit.value > 0 ? limit.value : 0.5;
  const points = injectionPoints(sides.injects, sides.gives, allowed, SHARES, sides.curved);
  const run = readRun(texts, sides, points, alarm);
  const store = () => {
    if (!('body' in run)) return;
    const { pass, worstPercent } = run.outcome;
    const body = { ...run.body, kind: 'transmitter' as const, side, worstPercent, pass };
    void saver.save(
      { kind: 'calibrate', calibrations: [{ id: uuid(), pointId: context.point.id, body }] },
      { then: () => setTexts((now) => (now === texts ? { ...now, ...NOTHING_READ } : now)) },
    );
  };
  return (
    <>
      <RadioGroup
        label="This is how it is"
        value={side}
        onChange={setSide}
        options={[
          { value: 'found', label: 'as found' },
          { value: 'left', label: 'as left' },
        ]}
      />
      <Beside
        left={<InjectCard sides={sides} points={points} texts={texts} change={change} alarm={alarm} />}
        right={
          <>
            <ReferenceCard texts={texts} change={change} unit={sides.injects.unit} />
            {'problem' in run && run.problem !== '' && <Text as="fail">{run.problem}</Text>}
            {'outcome' in run && (
              <CalibrationVerdict
                outcome={run.outcome}
                unit={sides.gives.unit}
                limit={run.body.limitPercent}
              />
            )}
            <StoreRun side={side} saver={saver} ready={'body' in run} onStore={store} />
            <Runs point={point} />
          </>
        }
      />
    </>
  );
}

function StoreRun({
  side,
  saver,
  ready,
  onStore,
}: {
  side: 'found' | 'left';
  saver: Saver;
  ready: boolean;
  onStore: () => void;
}) {
  return (
    <>
      <SaveNotice saver={saver} />
      <Button
        label={side === 'found' ? 'Store as found' : 'Store as left'}
        kind="main"
        disabled={!ready}
        waiting={saver.saving}
        onPress={onStore}
      />
    </>
  );
}

function InjectCard({
  sides: { injects, gives },
  points,
  texts,
  change,
  alarm,
}: {
  sides: CalibrationSides;
  points: readonly InjectionPoint[];
  texts: RunTexts;
  change: (patch: Partial<RunTexts>) => void;
  alarm: 'low' | 'high';
}) {
  return (
    <Card title="Inject and read" aside={<Text as="small">{`${injects.unit} → ${gives.unit}`}</Text>}>
      <Row first>
        <Caution>
          The loop is taken over: what hangs on it sees these values. Tell the operator, and block what could
          trip.
        </Caution>
      </Row>
      {points.map(({ share, inject, wanted, min, max }, i) => (
        <Row key={share} className="gap-2">
          <View className="flex-row flex-wrap items-baseline justify-between gap-x-2">
            <Text as="strong">{`${share} %: inject ${written(inject, 5)} ${injects.unit}`}</Text>
            <Text as="mono">{`${wanted.toFixed(2)} (${min.toFixed(2)} to ${max.toFixed(2)})`}</Text>
          </View>
          <View className="flex-row gap-3">
            <Cell
              label={`Injected at ${share} %`}
              value={nth(texts.injected, i)}
              placeholder={written(inject, 5)}
              unit={injects.unit}
              onChange={(text) => change({ injected: put(texts.injected, i, text) })}
            />
            <Cell
              label={`Read at ${share} %`}
              value={nth(texts.read, i)}
              placeholder="read"
              unit={gives.unit}
              onChange={(text) => change({ read: put(texts.read, i, text) })}
            />
          </View>
        </Row>
      ))}
      <Row>
        <Field
          label={`Sensor opened: reads (wanted ${alarm})`}
          value={texts.burnout}
          onChange={(burnout) => change({ burnout })}
          unit={gives.unit}
          inputMode="decimal"
          hint="may stay empty"
          mono
        />
      </Row>
    </Card>
  );
}

const put = (list: readonly string[], at: number, text: string): string[] =>
  list.map((old, i) => (i === at ? text : old));

function Cell(props: {
  label: string;
  value: string;
  placeholder: string;
  unit: string;
  onChange: (text: string) => void;
}) {
  return (
    <View className="min-w-0 flex-1">
      <Field {...props} bare inputMode="decimal" mono />
    </View>
  );
}

function ReferenceCard({
  texts,
  change,
  unit,
}: {
  texts: RunTexts;
  change: (patch: Partial<RunTexts>) => void;
  unit: string;
}) {
  return (
    <Card title="Reference and limit">
      <Row first className="gap-3">
        <Field label="Name" value={texts.name} onChange={(name) => change({ name })} maxLength={40} />
        <View className="flex-row flex-wrap gap-3">
          {(
            [
              ['percent', 'Of reading', '%'],
              ['fixed', 'And fixed', unit],
              ['limit', 'Limit', '% of span'],
            ] as const
          ).map(([key, label, own]) => (
            <View key={key} className="min-w-[130px] flex-1">
              <Field
                label={label}
                value={texts[key]}
                onChange={(text) => change({ [key]: text })}
                unit={own}
                inputMode="decimal"
                mono
              />
            </View>
          ))}
        </View>
      </Row>
    </Card>
  );
}

/** Every run that was stored, newest first. None is overwritten. */
function Runs({ point }: { point: OpenPoint }) {
  const rows = calibrationsOf(point.view.content, point.analysis.context.point.id)
    .flatMap(({ id, body, by, at }) => (body.kind === 'transmitter' ? [{ id, body, by, at }] : []))
    .reverse();
  if (!rows.length) return null;
  return (
    <Card title="Stored" aside={<Text as="mono">{String(rows.length)}</Text>}>
      {rows.map(({ id, body, by, at }, i) => (
        <Row key={id} first={i === 0} className="flex-row items-center gap-3 py-2">
          <StatusIcon kind={body.pass ? 'proven' : 'failed'} size={20} />
          <View className="min-w-0 flex-1">
            <Text as="body">{body.side === 'found' ? 'As found' : 'As left'}</Text>
            <Text as="small">{`${dayAndTime(at)} · ${by} · ${body.reference.name} · limit ${body.limitPercent} %`}</Text>
          </View>
          <Text
            as="number"
            className={body.pass ? '' : 'text-fail'}
          >{`${written(body.worstPercent, 2)} %`}</Text>
        </Row>
      ))}
    </Card>
  );
}
