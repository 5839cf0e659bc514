import { withChannel, withCommonFrom, withoutChannel } from '@keypost/core/catalog';
import type { ModuleDescription } from '@keypost/core/catalog';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

type Each = NonNullable<ModuleDescription['image']>['each'];

/** A module's channels, which of them share a common, and what each takes of the addresses. */
export function ChannelsPlate({
  description,
  onChange,
}: {
  description: ModuleDescription;
  onChange: (description: ModuleDescription) => void;
}) {
  const { ports, groups, image } = description;
  return (
    <Plate title="Channels" aside={<Words as="mono">{String(ports.length)}</Words>}>
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
            <Words as="strong">{common}</Words>
            <Words as="small">{`channels ${channels[0] ?? ''} to ${channels.at(-1) ?? ''}`}</Words>
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
          <Choice<Each>
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
    </Plate>
  );
}
