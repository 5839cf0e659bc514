import { textOf } from '@keypost/core/messages';
import { LEAST_RATIO } from '@keypost/core/scaling';
import { plain } from '@keypost/core/units';
import type { CalibrationOutcome } from '@keypost/core/scaling';
import { View } from 'react-native';
import { Mark } from '../ui/Mark';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

const signed = (value: number, digits: number): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;

/** What the readings say: pass or fail, each error, and which way to turn zero and span. */
export function CalibrationVerdict({
  outcome: { readings, worstPercent, bentPercent, correction, middlePercent, ratio, burnout, pass },
  unit,
  limit,
}: {
  outcome: CalibrationOutcome;
  unit: string;
  limit: number;
}) {
  return (
    <Plate
      title={pass ? 'Within its limit' : 'Beyond its limit'}
      aside={<Mark kind={pass ? 'proven' : 'failed'} size={24} />}
    >
      <Row first className="gap-1">
        <Words
          as="number"
          className={pass ? '' : 'text-fail'}
        >{`${plain(worstPercent, 3)} % of span, limit ${plain(limit)} %`}</Words>
        {readings.map(({ share, error, errorPercent, pass: good }) => (
          <View key={share} className="flex-row items-baseline justify-between">
            <Words as="body">{`At ${plain(share)} %`}</Words>
            <Words as="number" className={good ? '' : 'text-fail'}>
              {`${signed(error, 3)} ${unit}, ${signed(errorPercent, 2)} %`}
            </Words>
          </View>
        ))}
      </Row>
      {correction && (
        <Row className="gap-1">
          <Words as="strong">{`Move zero by ${signed(correction.zero, 3)} ${unit}, then span by ${signed(correction.span, 3)} ${unit}`}</Words>
          <Words as="small">Zero first, at the bottom; then span, at the top; then the bottom again.</Words>
          {middlePercent !== undefined && (
            <Words as="body">{`With both ends right the middle is off by ${signed(middlePercent, 2)} % of span.`}</Words>
          )}
          {bentPercent > limit && (
            <Words as="fail">{`It is bent: ${plain(bentPercent, 2)} % stay whatever is turned.`}</Words>
          )}
        </Row>
      )}
      <Row className="gap-1">
        <Words as={ratio < LEAST_RATIO ? 'fail' : 'small'}>
          {Number.isFinite(ratio)
            ? `The reference is ${plain(ratio, 2)} times better than the limit${ratio < LEAST_RATIO ? `; ${LEAST_RATIO} times is the least that says much.` : '.'}`
            : 'The reference is taken as exact.'}
        </Words>
        {burnout && <Words as={burnout.pass ? 'small' : 'fail'}>{textOf(burnout.sentence)}</Words>}
      </Row>
    </Plate>
  );
}
