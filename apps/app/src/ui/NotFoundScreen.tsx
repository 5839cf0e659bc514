import { View } from 'react-native';
import { GoTo } from './GoTo';
import { PageHead, Screen } from './Screen';
import { Text } from './Text';

/** For an address that leads nowhere. */
export function NotFoundScreen() {
  return (
    <Screen narrow head={<PageHead title="Nothing here" />}>
      <Text as="body">
        No page has this address. It may have been mistyped, or what it showed was removed.
      </Text>
      <View className="flex-row">
        <GoTo
          label="To the jobs"
          to="/"
          className="min-h-[48px] justify-center rounded-plate border-fine border-ink bg-ink px-4 active:opacity-70"
        >
          <Text as="strong" className="text-plate">
            To the jobs
          </Text>
        </GoTo>
      </View>
    </Screen>
  );
}
