import { View } from 'react-native';
import { Button } from './Button';
import { Text } from './Text';

/** Over every page: how things stand with the page itself, and at most one thing to do about it. */
export function Banner({
  title,
  text,
  label,
  onPress,
}: {
  title: string;
  text: string;
  label?: string;
  onPress?: () => void;
}) {
  return (
    <View role="status" className="gap-2 border-b-[1.5px] border-edge bg-wash px-4 py-2">
      <View>
        <Text as="strong">{title}</Text>
        <Text as="small">{text}</Text>
      </View>
      {label !== undefined && onPress && <Button label={label} onPress={onPress} />}
    </View>
  );
}
