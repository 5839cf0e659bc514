import { lastOf, nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { scaleStep } from '@keypost/core/scaling';
import type { GivenSignal } from '@keypost/core/scaling';
import { digitsForSpan, fixed } from '@keypost/core/units';
import { View } from 'react-native';
import { useSave } from '../data/useSave';
import { PointPage } from '../point/PointFrame';
import { NextStep } from '../point/StampSteps';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { grouped } from '../chain/chainText';
import { InController } from './InController';

/** Scale of a point that takes a signal: what becomes of each value that the program gives. */
export function GivenScreen({ point, given }: { point: OpenPoint; given: GivenSignal }) {
  const saver = useSave(point.view);
  const steps = [scaleStep(point.analysis, given)];
  return (
    <PointPage
      point={point}
      page="scale"
      main={
        <>
          {given.otherwise && <Notice>{textOf(given.otherwise)}</Notice>}
          <Rows given={given} />
          <InController point={point} steps={steps} saver={saver} />
        </>
      }
      aside={
        <Card title="How to use it">
          <Row first className="gap-2">
            <Text as="small">{`Force ${given.output} to each value with what it drives isolated or free to move; read ${given.unit} at ${given.device} and what it shows. As solved, nothing here was measured.`}</Text>
            {given.notes.map((note, i) => (
              <Text as="small" key={i}>
                {textOf(note)}
              </Text>
            ))}
          </Row>
        </Card>
      }
      dock={<NextStep point={point} steps={steps} saver={saver} />}
    />
  );
}

function Rows({ given }: { given: GivenSignal }) {
  const { rows, unit, of, device, output, format } = given;
  const digits = digitsForSpan(Math.abs(lastOf(rows).value - nth(rows, 0).value));
  return (
    <Card title="Program to device">
      <View role="list" aria-label="What becomes of each value">
        {rows.map(({ share, value, counts, given: gives, gets, makes }, i) => (
          <View role="listitem" key={share}>
            <Row first={i === 0} className="gap-1">
              <View className="flex-row items-baseline justify-between gap-3">
                <Text as="number">{`${fixed(value, digits)}\u00a0${of}`}</Text>
                <Text as="number">{`${fixed(makes, digits)}\u00a0${of}`}</Text>
              </View>
              <Text as="small">{`Raw ${grouped(counts)}, gives ${fixed(gives, 2)}\u00a0${unit}, ${device} gets ${fixed(gets.nom, 2)}\u00a0${unit}`}</Text>
            </Row>
          </View>
        ))}
      </View>
      <Row>
        <Text as="small">{`Left what the program writes, right what ${device} makes of it, over ${output}. Raw: ${format.name}.`}</Text>
      </Row>
    </Card>
  );
}
