import { faultCases } from '@keypost/core/job';
import type { FaultCase } from '@keypost/core/job';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { ButtonLink } from '../ui/ButtonLink';
import { Card, Row } from '../ui/Card';
import { dateAndTime, day } from '../ui/dates';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

/** What was mended at a point before, newest first. */
export function FaultHistory({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const cases = faultCases(point.view.content).filter((one) => one.pointId === id && one.mended);
  if (!cases.length) return null;
  return (
    <Card title="Mended here before">
      {[...cases].reverse().map((one, i) => (
        <Row key={one.id} first={i === 0} className="gap-3">
          <MendedRow one={one} />
          {i === 0 && one.mended?.swapped !== undefined && (
            <ButtonLink label="Put its settings back" to={`${point.base}/set`} />
          )}
        </Row>
      ))}
    </Card>
  );
}

/** One fault that was mended: what it was, what was done, and whether it came back. */
export function MendedRow({ one: { symptom, mended, before }, tag }: { one: FaultCase; tag?: string }) {
  if (!mended) return null;
  const { what, done, parts, downMinutes, by, at } = mended;
  return (
    <View className="flex-row gap-3">
      <StatusIcon kind="proven" size={22} />
      <View className="min-w-0 flex-1 gap-0.5">
        <Text as="strong">{tag ? `${tag}  ${what}` : what}</Text>
        {before[0] !== undefined && (
          <Text as="fail">{`It came back: mended ${before.length === 1 ? 'once' : `${before.length} times`} before, last ${day(before[0])}.`}</Text>
        )}
        <Text as="small">{`It showed: ${symptom}`}</Text>
        <Text as="small">{`Done: ${done}${parts ? ` Parts: ${parts}.` : ''}`}</Text>
        <Text as="small">{`${dateAndTime(at)} · ${by} · down ${downText(downMinutes)}`}</Text>
      </View>
    </View>
  );
}

/** How long something stood still, in minutes, or hours and minutes. */
const downText = (minutes: number): string =>
  minutes < 100
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60)} h ${Math.round(minutes % 60)} min`;
