import { textOf } from '@keypost/core/messages';
import { agreementsOf } from '@keypost/core/setting';
import type { Agreement } from '@keypost/core/setting';
import type { Status as StatusKind } from '@keypost/core/proving';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

const STATUS_ICONS: Readonly<Record<Agreement['state'], StatusKind>> = {
  agree: 'proven',
  differ: 'failed',
  unknown: 'open',
};
const ORDER: readonly Agreement['state'][] = ['differ', 'unknown', 'agree'];

/** What must agree with what at a point, as it stands. */
export function AgreementCard({ point }: { point: OpenPoint }) {
  const list = useMemo(() => agreementsOf(point.index, point.analysis.context.point.id), [point]);
  if (list.length === 0) return null;
  const sorted = [...list].sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state));
  return (
    <Card title="What must agree">
      {sorted.map(({ subject, state, sentence, sides }, i) => (
        <Row key={textOf(subject)} first={i === 0} className="flex-row gap-3">
          <StatusIcon kind={STATUS_ICONS[state]} size={20} label={state} />
          <View className="min-w-0 flex-1 gap-1">
            <Text as="strong">{textOf(subject)}</Text>
            {state === 'differ' && <Text as="fail">{textOf(sentence)}</Text>}
            {sides.map(({ tag, where, value }) => (
              <View key={`${tag} ${textOf(where)}`} className="flex-row justify-between gap-3">
                <Text as="small" className="min-w-0 flex-1">{`${tag}, ${textOf(where)}`}</Text>
                <Text as="mono" className="text-[0.875rem] text-ink">
                  {textOf(value)}
                </Text>
              </View>
            ))}
          </View>
        </Row>
      ))}
    </Card>
  );
}
