import { withChannel, withCommonFrom, withoutChannel } from '@keypost/core/catalog';
import type { ModuleDescription } from '@keypost/core/catalog';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

type Each = NonNullable<ModuleDescription['image']>['each'];

/** A module's channels, which of them share a common, and what each takes of the addresses. */
export function ChannelsCard({
  description,
  onChange,
}: {
  description: ModuleDescription;
  onChange: (description: ModuleDescription) => void;
}) {
  const { ports, groups, image } = description;
  return (
    <Card title="Channels" aside={<Text as="mono">{String(ports.length)}</Text>}>
      <Row first className="flex-row gap-3">
        <Button label="One more" grow onPress={() => onChange(withChannel(description))} />
        <Button
          label="One less"
          grow
          disabled={ports.length < 2}
          onPress={() => onChange(withoutChannel(description))}
        />
      </Row>
      {groups.map(({ common, channels }, i) => (
        <Row key={common} className="gap-3">
          <View className="flex-row items-center justify-between gap-3">
            <Text as="strong">{common}</Text>
            <Text as="small">{`channels ${channels[0] ?? ''} to ${channels.at(-1) ?? ''}`}</Text>
          </View>
          <View className="flex-row flex-wrap gap-2">
            {i > 0 && (
              <Button
                label={`${common} to the common before`}
                onPress={() => onChange(withCommonFrom(description, channels[0] ?? 0))}
              />
            )}
            {channels.length > 1 && (
              <Button
                label={`Own common from channel ${channels[Math.ceil(channels.length / 2)] ?? 0}`}
                onPress={() =>
                  onChange(withCommonFrom(description, channels[Math.ceil(channels.length / 2)] ?? 0))
                }
              />
            )}
          </View>
        </Row>
      ))}
      {image && (
        <Row>
          <RadioGroup<Each>
            label="What a channel takes of the addresses"
            value={image.each}
            onChange={(each) => onChange({ ...description, image: { ...image, each } })}
            options={[
              { value: 'X', label: 'a bit' },
              { value: 'W', label: 'a word' },
              { value: 'D', label: 'two words' },
            ]}
          />
        </Row>
      )}
    </Card>
  );
}
