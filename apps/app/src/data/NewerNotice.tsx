import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

/** Says that a newer program has come to this device while this page was in use. It comes with the page: later, its file could be gone. */
export function NewerNotice() {
  return (
    <View role="status" className="gap-2 border-b-[1.5px] border-edge bg-wash px-4 py-2">
      <Text as="strong">A newer Key Post has come</Text>
      <Text as="small">This page is still the older one. What you typed stays on this device.</Text>
      <Button label="Load the newer one" onPress={() => window.location.reload()} />
    </View>
  );
}
