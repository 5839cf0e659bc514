import { formatVolts } from '@keypost/core';
import type { PointState } from '@keypost/core';
import { View } from 'react-native';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

/** Target, sensor output, terminal voltage, input lamp, program bit: five things, kept apart, in both states. */
export function FiveStates({
  words,
  away,
  present,
  address,
}: {
  words: { present: string; away: string };
  away: PointState;
  present: PointState;
  address?: string;
}) {
  const rows: [string, (state: PointState) => string][] = [
    ['Output', ({ outputOn }) => (outputOn ? 'on' : 'off')],
    ['Terminal', (s) => (s.signalFloating ? 'floating' : formatVolts(s.signalVolts))],
    ['Input lamp', ({ lamp }) => lamp ?? 'none'],
    [`Bit${address ? ` ${address}` : ''}`, ({ bit }) => (bit === undefined ? '?' : String(bit))],
  ];
  return (
    <Plate title="Both states">
      <Row first className="flex-row gap-2 py-2">
        <Words as="small" className="flex-1">
          {' '}
        </Words>
        {[words.away, words.present].map((head) => (
          <Words key={head} as="small" className="w-[104px] text-right">
            {head}
          </Words>
        ))}
      </Row>
      {rows.map(([label, read]) => (
        <Row key={label} className="flex-row items-center gap-2 py-2">
          <View className="flex-1">
            <Words as="body">{label}</Words>
          </View>
          {[away, present].map((state) => (
            <Words key={String(state.present)} as="number" className="w-[104px] text-right">
              {read(state)}
            </Words>
          ))}
        </Row>
      ))}
    </Plate>
  );
}
