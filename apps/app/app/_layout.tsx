import '../global.css';
import { Stack } from 'expo-router';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Root } from '../src/ui/Root';

export default function Layout() {
  return (
    <SafeAreaProvider>
      <Root>
        <Stack screenOptions={{ headerShown: false, contentStyle: { backgroundColor: 'transparent' } }} />
      </Root>
    </SafeAreaProvider>
  );
}
