import { say, textOf } from '@keypost/core/messages';
import type { ApiProblem } from '@keypost/api';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Busy } from '../ui/Busy';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/theme';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';

/** Shows what was read, or that it is being read, or why not with a way to try again. */
export function Loaded<T>({
  data,
  error,
  retry,
  what,
  room,
  children,
}: {
  data: T | undefined;
  error: ApiProblem | undefined;
  retry: () => void;
  what: string;
  /** How high it will be, px, as far as that is known: what stands below does not move then. */
  room?: number;
  children: (data: T) => ReactNode;
}) {
  const { accent } = useTokens();
  if (data !== undefined) return <>{children(data)}</>;
  if (error)
    return (
      <View className="p-4">
        <Notice actions={<Button label="Try again" kind="main" onPress={retry} />}>
          {textOf(error.uncertain ? say('service.away-reading') : error.details.message)}
        </Notice>
      </View>
    );
  return (
    <View
      className={`items-center justify-center gap-3 ${room === undefined ? 'p-8' : 'flex-row px-4'}`}
      style={{ minHeight: room }}
      role="status"
    >
      <Busy color={accent} />
      <Text as="soft">{`Reading ${what} …`}</Text>
    </View>
  );
}
