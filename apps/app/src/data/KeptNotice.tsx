import { View } from 'react-native';
import { dateAndTime } from '../ui/dates';
import { Text } from '../ui/Text';

/** Says that there is no network, and from when what is shown is. */
export function KeptNotice({ since }: { since: string }) {
  return (
    <View role="status" className="border-b-[1.5px] border-edge bg-wash px-4 py-2">
      <Text as="strong">No network: this can only be read</Text>
      <Text as="small">
        {`It is as it was on ${dateAndTime(since)}; others may have changed it since. What you type stays on this device, but nothing is stored before the network is back.`}
      </Text>
    </View>
  );
}
