import type { Look, Suspect } from '@keypost/core/fault';
import { loopView } from '@keypost/core/presentation';
import { useMemo } from 'react';
import { useOwnWidth } from '../ui/useOwnWidth';
import { View } from 'react-native';
import { LoopPicture } from '../drawing/LoopDrawing';
import type { OpenPoint } from '../point/usePoint';
import { Text } from '../ui/Text';
import { suspectedParts, suspectedWires } from './suspectText';

/** Where the leads go, in the loop as it is with nothing wrong; wires that are suspected are dashed. */
export function LookDrawing({
  point: { analysis },
  look,
  found,
}: {
  point: OpenPoint;
  look: Extract<Look, { readonly red: string }>;
  found: readonly Suspect[];
}) {
  const { width, box } = useOwnWidth();
  const { red, black, state } = look;
  const sound = useMemo(() => {
    const { away, present, pressed = present } = analysis;
    return loopView(
      analysis.context,
      state === 'pressed' ? pressed : state === 'present' ? present : away,
      [],
    );
  }, [analysis, state]);
  const view = useMemo(() => {
    const wires = suspectedWires(found);
    return { ...sound, wires: sound.wires.map((wire) => ({ ...wire, differs: wires.has(wire.id) })) };
  }, [sound, found]);
  const parts = useMemo(() => suspectedParts(found), [found]);
  return (
    <View className="gap-1" {...box}>
      <Text as="small">
        Where the leads go. Drawn is the loop with nothing wrong; what is suspected is dashed in red.
      </Text>
      {width > 0 && (
        <LoopPicture view={view} width={Math.min(width, 480)} leads={{ red, black }} suspected={parts} />
      )}
    </View>
  );
}
