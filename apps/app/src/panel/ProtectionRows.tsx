import type { JobView } from '@keypost/api';
import { textOf } from '@keypost/core/messages';
import type { Supply } from '@keypost/core/model';
import { protectionOn } from '@keypost/core/planning';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useIndex } from '../data/useIndex';
import { Row } from '../ui/Card';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';

/** What protects the conductors on a supply: itself, and each fuse or breaker that its line goes through. */
export function ProtectionRows({ view, supply }: { view: JobView; supply: Supply }) {
  const index = useIndex(view);
  const groups = useMemo(() => (index ? protectionOn(index, supply) : []), [index, supply]);
  if (!groups.length) return null;
  return (
    <Row className="gap-2">
      <View role="group" aria-label={`Protection of ${supply.tag}`} className="gap-2">
        {groups
          .flatMap(({ said }) => said)
          .map(({ ok, text }) => (
            <View key={textOf(text)} className="flex-row gap-2">
              <StatusIcon kind={ok ? 'proven' : 'doubtful'} size={20} />
              <Text as="small" className="min-w-0 flex-1">
                {textOf(text)}
              </Text>
            </View>
          ))}
      </View>
    </Row>
  );
}
