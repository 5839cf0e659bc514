import { textOf } from '@keypost/core/messages';
import { agreementsOf } from '@keypost/core/setting';
import type { Agreement } from '@keypost/core/setting';
import type { Mark as MarkKind } from '@keypost/core/proving';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Mark } from '../ui/Mark';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

const MARKS: Readonly<Record<Agreement['state'], MarkKind>> = {
  agree: 'proven',
  differ: 'failed',
  unknown: 'open',
};
const ORDER: readonly Agreement['state'][] = ['differ', 'unknown', 'agree'];

/** What must agree with what at a point, as it stands. */
export function AgreementPlate({ point }: { point: OpenPoint }) {
  const list = useMemo(() => agreementsOf(point.index, point.analysis.context.point.id), [point]);
  if (list.length === 0) return null;
  const sorted = [...list].sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state));
  return (
    <Plate title="What must agree">
      {sorted.map(({ subject, state, sentence, sides }, i) => (
        <Row key={textOf(subject)} first={i === 0} className="flex-row gap-3">
          <Mark kind={MARKS[state]} size={20} label={state} />
          <View className="min-w-0 flex-1 gap-1">
            <Words as="strong">{textOf(subject)}</Words>
            {state === 'differ' && <Words as="fail">{textOf(sentence)}</Words>}
            {sides.map(({ tag, where, value }) => (
              <View key={`${tag} ${textOf(where)}`} className="flex-row justify-between gap-3">
                <Words as="small" className="min-w-0 flex-1">{`${tag}, ${textOf(where)}`}</Words>
                <Words as="mono" className="text-[14px] text-ink">
                  {textOf(value)}
                </Words>
              </View>
            ))}
          </View>
        </Row>
      ))}
    </Plate>
  );
}
