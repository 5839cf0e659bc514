import { View } from 'react-native';
import { GoTo } from './GoTo';
import { PageHead, Screen } from './Screen';
import { Words } from './Words';

/** For an address that leads nowhere. */
export function NotFoundScreen() {
  return (
    <Screen narrow head={<PageHead title="Nothing here" />}>
      <Words as="body">
        No page has this address. It may have been mistyped, or what it showed was removed.
      </Words>
      <View className="flex-row">
        <GoTo
          label="To the jobs"
          to="/"
          className="min-h-[48px] justify-center rounded-plate border-fine border-ink bg-ink px-4 active:opacity-70"
        >
          <Words as="strong" className="text-plate">
            To the jobs
          </Words>
        </GoTo>
      </View>
    </Screen>
  );
}
