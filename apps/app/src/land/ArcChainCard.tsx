import { textOf } from '@keypost/core/messages';
import { ARC_ERRORS, arcChain, arcUnitsOf } from '@keypost/core/analysis';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** The chain of arc-protection units that a point belongs to: switches and fibre of each, steps, error codes. */
export function ArcChainCard({ point }: { point: OpenPoint }) {
  const { context } = point.analysis;
  if (!context.type.description.chain) return null;
  const units = arcChain(arcUnitsOf(context.index).map(({ tag }) => tag));
  return (
    <Card
      title="Chain"
      aside={<Text as="mono">{`${units.length} ${units.length === 1 ? 'unit' : 'units'}`}</Text>}
    >
      {units.map(({ place, tag, address, last, fibreFrom, fibreTo }, i) => (
        <Row key={tag} first={i === 0} className={`gap-1.5 ${tag === context.point.tag ? 'bg-wash' : ''}`}>
          <View className="flex-row items-center justify-between gap-3">
            <Text as="strong">{`${place}  ${tag}`}</Text>
            <Switches address={address} last={last} />
          </View>
          <Text as="small">{`Fibre IN from ${textOf(fibreFrom)}, OUT to ${textOf(fibreTo)}`}</Text>
        </Row>
      ))}
      <Row className="gap-1">
        <Text as="strong">If it does not start</Text>
        {ARC_ERRORS.map(({ code, meaning, look }) => (
          <Text as="small" key={code}>{`${code}  ${textOf(meaning)}. ${textOf(look)}`}</Text>
        ))}
      </Row>
    </Card>
  );
}

/** The switches as they stand on the unit: up is on; the sixth is that of the last unit. */
function Switches({ address, last }: { address: readonly boolean[]; last: boolean }) {
  const all = [...address, last];
  const said = all.map((on, i) => `${i + 1} ${on ? 'on' : 'off'}`).join(', ');
  return (
    <View className="flex-row gap-1" role="img" aria-label={`Switches: ${said}`}>
      {all.map((on, i) => (
        <View key={i} className="items-center">
          <View className="h-[30px] w-[18px] rounded-[4px] border-fine border-ink bg-plate p-[2px]">
            <View className={`h-[11px] rounded-[2px] bg-ink ${on ? '' : 'mt-[11px]'}`} />
          </View>
          <Text as="small" className="text-[0.75rem] leading-[0.9375rem]">
            {i < 5 ? String(i + 1) : 'last'}
          </Text>
        </View>
      ))}
    </View>
  );
}
