import type { Look } from '@keypost/core/fault';
import { loopView } from '@keypost/core/presentation';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { LoopPicture } from '../drawing/LoopDrawing';
import type { OpenPoint } from '../point/usePoint';
import { Text } from '../ui/Text';

/** Where the leads go, in the loop as it is with nothing wrong. */
export function LookDrawing({
  point: { analysis },
  look,
}: {
  point: OpenPoint;
  look: Extract<Look, { readonly red: string }>;
}) {
  const [width, setWidth] = useState(0);
  const { red, black, state } = look;
  const view = useMemo(
    () => loopView(analysis.context, state === 'present' ? analysis.present : analysis.away, []),
    [analysis, state],
  );
  return (
    <View className="gap-1" onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      <Text as="small">Where the leads go; drawn is the loop with nothing wrong.</Text>
      {width > 0 && <LoopPicture view={view} width={Math.min(width, 480)} leads={{ red, black }} />}
    </View>
  );
}
