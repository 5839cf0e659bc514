import { textOf } from '@keypost/core/messages';
import type { LadderHappening } from '@keypost/core/switching';
import { Pressable, View } from 'react-native';
import { Card } from '../ui/Card';
import { Text } from '../ui/Text';
import { clockText } from './times';

/** At most so many happenings stand in sight: a ladder that chatters has thousands. */
const SHOWN = 60;

/** What happened, each with a way to its moment; what somebody did can be taken out. */
export function PlayLog({
  log,
  at,
  go,
  drop,
}: {
  log: readonly LadderHappening[];
  at: number;
  go: (at: number) => void;
  /** Takes out an act, by its place among them. */
  drop: (n: number) => void;
}) {
  const now = log.filter((row) => row.at <= at + 1e-6).length;
  const from = Math.max(0, Math.min(now - SHOWN / 2, log.length - SHOWN));
  const shown = log.slice(from, from + SHOWN);
  return (
    <Card title="What happens" aside={<Text as="mono">{String(log.length)}</Text>}>
      <View role="list" aria-label="What happens">
        {shown.map(({ at: moment, text, act }, i) => (
          <View
            key={from + i}
            role="listitem"
            className={`flex-row items-center border-t border-line ${from + i < now ? '' : 'bg-bone'}`}
          >
            <Pressable
              role="button"
              aria-label={`Go to ${clockText(moment)}: ${textOf(text)}`}
              onPress={() => go(moment)}
              className="min-h-[48px] min-w-0 flex-1 flex-row items-center gap-3 px-4 active:bg-wash"
            >
              <Text as="mono">{clockText(moment)}</Text>
              <Text as={act === undefined ? 'body' : 'strong'} className="min-w-0 flex-1">
                {textOf(text)}
              </Text>
            </Pressable>
            {act !== undefined && (
              <Pressable
                role="button"
                aria-label={`Take out: ${textOf(text)}`}
                onPress={() => drop(act)}
                className="min-h-[48px] min-w-[48px] items-center justify-center px-2"
              >
                <Text as="small" className="text-accent underline">
                  Out
                </Text>
              </Pressable>
            )}
          </View>
        ))}
      </View>
    </Card>
  );
}
