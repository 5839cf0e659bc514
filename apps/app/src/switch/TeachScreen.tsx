import { chainOf } from '@keypost/core/scaling';
import { taughtBy } from '@keypost/core/tools';
import type { SingleChange } from '@keypost/core/job';
import type { CalibrationOf } from '@keypost/core/model';
import type { ToolValues } from '@keypost/core/tools';
import { withUnit } from '@keypost/core/units';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { ToolCard } from '../tools/ToolCard';
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
  const made = chainOf(point.analysis);
  const unit = made && !('problem' in made) ? made.chain.sensor.unit : '';
  const record = (values: ToolValues): SingleChange[] => [
    { kind: 'calibrate', calibrations: [{ id: uuid(), pointId: id, body: taughtBy(values) }] },
  ];
  return (
    <>
      <Text as="soft">
        Read the device at rest, some times one after the other. What still moves, or lies too near, is not
        taught.
      </Text>
      <ToolCard point={point} toolId="teach" given={unit ? { unit } : {}} more={record} />
      <Taught point={point} />
    </>
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
};

function resultText({ ok, how, gives, unit, distance, least }: Body): string {
  if (!ok)
    return distance < least
      ? `Too near: ${withUnit(distance, unit, 3)} apart, ${withUnit(least, unit, 3)} needed`
      : 'Not steady';
  const [before, between] = JOINS[how];
  return gives.map((value, i) => `${i === 0 ? before : between} ${withUnit(value, unit, 4)}`).join(', ');
}

const movedText = ({ gives, unit }: Body, before: Body): string =>
  `Moved by ${gives.map((value, i) => withUnit(value - (before.gives[i] ?? value), unit, 3)).join(' and ')} against the time before`;
