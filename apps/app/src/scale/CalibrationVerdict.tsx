import { textOf } from '@keypost/core/messages';
import { MIN_RATIO } from '@keypost/core/scaling';
import { written } from '@keypost/core/units';
import type { CalibrationOutcome } from '@keypost/core/scaling';
import { View } from 'react-native';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

const signed = (value: number, digits: number): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;

/** What the readings say: pass or fail, each error, and which way to turn zero and span. */
export function CalibrationVerdict({
  outcome: { readings, worstPercent, bentPercent, correction, middlePercent, ratio, burnout, isWithinLimit },
  unit,
  limit,
}: {
  outcome: CalibrationOutcome;
  unit: string;
  limit: number;
}) {
  return (
    <Card
      title={isWithinLimit ? 'Within its limit' : 'Beyond its limit'}
      aside={<StatusIcon kind={isWithinLimit ? 'proven' : 'failed'} size={24} />}
    >
      <Row first className="gap-1">
        <Text
          as="number"
          className={isWithinLimit ? '' : 'text-fail'}
        >{`${written(worstPercent, 3)} % of span, limit ${written(limit)} %`}</Text>
        {readings.map(({ share, error, errorPercent, pass: good }) => (
          <View key={share} className="flex-row items-baseline justify-between">
            <Text as="body">{`At ${written(share)} %`}</Text>
            <Text as="number" className={good ? '' : 'text-fail'}>
              {`${signed(error, 3)} ${unit}, ${signed(errorPercent, 2)} %`}
            </Text>
          </View>
        ))}
      </Row>
      {correction && (
        <Row className="gap-1">
          <Text as="strong">{`Move zero by ${signed(correction.zero, 3)} ${unit}, then span by ${signed(correction.span, 3)} ${unit}`}</Text>
          <Text as="small">Zero first, at the bottom; then span, at the top; then the bottom again.</Text>
          {middlePercent !== undefined && (
            <Text as="body">{`With both ends right the middle is off by ${signed(middlePercent, 2)} % of span.`}</Text>
          )}
          {bentPercent > limit && (
            <Text as="fail">{`It is bent: ${written(bentPercent, 2)} % stay whatever is turned.`}</Text>
          )}
        </Row>
      )}
      <Row className="gap-1">
        <Text as={ratio < MIN_RATIO ? 'fail' : 'small'}>
          {Number.isFinite(ratio)
            ? `The reference is ${written(ratio, 2)} times better than the limit${ratio < MIN_RATIO ? `; ${MIN_RATIO} times is the minimum that says much.` : '.'}`
            : 'The reference is taken as exact.'}
        </Text>
      </Row>
      {burnout && (
        <Row className="flex-row items-start gap-3">
          <StatusIcon kind={burnout.pass ? 'proven' : 'failed'} size={22} />
          <Text as={burnout.pass ? 'body' : 'fail'} className="min-w-0 flex-1">
            {textOf(burnout.sentence)}
          </Text>
        </Row>
      )}
    </Card>
  );
}
