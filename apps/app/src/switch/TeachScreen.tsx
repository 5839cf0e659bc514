import { chainOf } from '@keypost/core/scaling';
import { taughtBy } from '@keypost/core/tools';
import type { SingleChange } from '@keypost/core/job';
import type { CalibrationOf } from '@keypost/core/model';
import type { ToolValues } from '@keypost/core/tools';
import { taughtBeside } from '@keypost/core/switching';
import type { TaughtBeside } from '@keypost/core/switching';
import type { PointChain } from '@keypost/core/scaling';
import { convert, withUnit, written } from '@keypost/core/units';
import { useMemo } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { FromSources } from '../chain/FromSources';
import { ReadRows } from '../chain/ReadRows';
import { ToolCard } from '../tools/ToolCard';
import type { ToolInUse } from '../tools/useTool';
import { TeachCommands } from './TeachCommands';
import { Card, Row } from '../ui/Card';
import { dayAndTime } from '../ui/dates';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

/** Teach at a point: whether its readings are steady, what to set, and whether that keeps far enough apart. */
export function TeachScreen() {
  return (
    <PointSubPage title="Teach" of="switch">
      {(point) => <Teach point={point} />}
    </PointSubPage>
  );
}

function Teach({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const found = useMemo(() => chainOf(point.analysis), [point.analysis]);
  const made = found && !('problem' in found) ? found : undefined;
  const given: ToolValues = point.type.description.sensitivity
    ? { kind: 'sensitivity' }
    : made
      ? { unit: made.chain.sensor.unit, kind: isFlow(made.chain.sensor.unit) ? 'flow' : 'margin' }
      : {};
  const record = (values: ToolValues): SingleChange[] => [
    { kind: 'calibrate', calibrations: [{ id: uuid(), pointId: id, body: taughtBy(values) }] },
  ];
  return (
    <>
      <Text as="soft">
        Read the device at rest, some times one after the other. What still moves, or lies too near, is not
        taught.
      </Text>
      <ToolCard
        point={point}
        toolId="teach"
        given={given}
        more={record}
        head={(use) => made && <Live point={point} made={made} use={use} />}
      />
      <TeachCommands point={point} />
      {made && <Beside point={point} made={made} />}
      <Taught point={point} />
    </>
  );
}

/** Whether a range from smallest to largest is what is taught of it. */
const isFlow = (unit: string): boolean => convert(1, unit, 'l/min') !== undefined;

/** Fills the readings from the device itself, or from a bench source in its place. */
function Live({ point, made, use }: { point: OpenPoint; made: PointChain; use: ToolInUse }) {
  const asked = new Set(use.fields.map(({ key }) => key));
  const fill = (key: 'readings' | 'second') => (values: readonly number[], period: number) =>
    use.fill({ [key]: values.map((value) => written(value, 5)).join(' '), period: String(period) });
  if (!asked.has('readings')) return null;
  return (
    <FromSources point={point} made={made}>
      {(source) => (
        <>
          <ReadRows source={source} onDone={fill('readings')} />
          {asked.has('second') && <ReadRows source={source} what="second value" onDone={fill('second')} />}
        </>
      )}
    </FromSources>
  );
}

/** What the device holds beside what was taught last. */
function Beside({ point, made }: { point: OpenPoint; made: PointChain }) {
  const rows = useMemo(() => taughtBeside(point.analysis, made), [point.analysis, made]);
  const { unit } = made.chain.sensor;
  if (!rows.length) return null;
  const pair = ([first, second]: TaughtBeside['ours']): string =>
    `${withUnit(first, unit, 4)} and ${withUnit(second, unit, 4)}`;
  return (
    <Card title="The device beside what was taught">
      {rows.map(({ channel, ours, stands, apart, step }, i) => {
        const same = apart <= step;
        return (
          <Row key={channel} first={i === 0} className="flex-row gap-3">
            <StatusIcon kind={same ? 'proven' : 'doubtful'} size={22} />
            <View className="min-w-0 flex-1 gap-0.5">
              <Text as="strong">{`Channel ${channel} ${same ? 'holds it' : `is off by ${withUnit(apart, unit, 3)}`}`}</Text>
              <Text as="small">{`Taught ${pair(ours)}; the device ${pair(stands)}, in steps of ${withUnit(step, unit, 2)}`}</Text>
            </View>
          </Row>
        );
      })}
    </Card>
  );
}

/** What was taught so far, newest first, each with how far it moved against the time before. */
function Taught({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const rows = point.view.content.calibrations
    .filter(({ pointId }) => pointId === id)
    .flatMap(({ body, ...rest }) => (body.kind === 'taught' ? [{ ...rest, body }] : []));
  if (!rows.length) return null;
  return (
    <Card title="Taught so far">
      {rows
        .map((row, i) => ({
          ...row,
          before: rows.slice(0, i).findLast(({ body }) => body.ok && body.how === row.body.how)?.body,
        }))
        .reverse()
        .map(({ id: key, body, before, by, at }, i) => (
          <Row key={key} first={i === 0} className="flex-row gap-3">
            <StatusIcon kind={body.ok ? 'proven' : 'failed'} size={22} />
            <View className="min-w-0 flex-1 gap-0.5">
              <Text as="strong">{resultText(body)}</Text>
              {before && body.ok && <Text as="small">{movedText(body, before)}</Text>}
              {body.conditions !== '' && <Text as="small">{body.conditions}</Text>}
              <Text as="small">{`${dayAndTime(at)} · ${by}`}</Text>
            </View>
          </Row>
        ))}
    </Card>
  );
}

type Body = CalibrationOf<'taught'>;

const JOINS: Readonly<Record<Body['how'], readonly [before: string, between: string]>> = {
  margin: ['On at', 'off again at'],
  two: ['On at', 'off again at'],
  cycle: ['On at', 'off again at'],
  window: ['From', 'to'],
  flow: ['From', 'to'],
  zero: ['Zero at', ''],
  sensitivity: ['Set to', ''],
};

function resultText({ ok, how, gives, unit, distance, least, scale }: Body): string {
  if (!ok)
    return distance < least
      ? `Too near: ${withUnit(distance, unit, 3)} apart, ${withUnit(least, unit, 3)} needed`
      : 'Not steady';
  const [before, between] = JOINS[how];
  const of = scale === undefined ? '' : ` of ${written(scale, 3)}`;
  return gives.map((value, i) => `${i === 0 ? before : between} ${withUnit(value, unit, 4)}${of}`).join(', ');
}

const movedText = ({ gives, unit }: Body, before: Body): string =>
  `Moved by ${gives.map((value, i) => withUnit(value - (before.gives[i] ?? value), unit, 3)).join(' and ')} against the time before`;
