import { textOf } from '@keypost/core/messages';
import { bytesOfHex, liveItems, portFlag } from '@keypost/core/ioLink';
import type { PlannedPort } from '@keypost/core/setting';
import { memo } from 'react';
import { View } from 'react-native';
import { StatusIcon } from '../ui/StatusIcon';
import { Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useOnScreen } from '../ui/useOnScreen';
import { LiveValue } from '../ui/LiveValue';
import { useLivePort } from '../data/liveStore';
import type { LiveStore } from '../data/liveStore';

/** A port: what its device measures, after its description. A value that does not count never stands without its flag. */
export const LivePortRow = memo(function LivePortRow({
  store,
  moduleId,
  port,
  first,
}: {
  store: LiveStore;
  moduleId: string;
  port: PlannedPort;
  first: boolean;
}) {
  const [ref, seen] = useOnScreen();
  const live = useLivePort(store, moduleId, port.number, seen);
  const flag = live && portFlag(live.state, live.valid);
  const used = port.device !== undefined;
  const lost = used && live !== undefined && flag !== undefined;
  return (
    <View ref={ref}>
      <Row first={first} className="gap-1">
        <Head
          number={port.number}
          tag={port.point?.tag}
          name={port.point?.name}
          lost={lost}
          words={live ? textOf(flag ?? (live.state === 'connected' ? 'valid' : live.state)) : '…'}
        />
        {used && live && live.bytes !== '' && (
          <Items port={port} bytes={live.bytes} state={live.state} valid={live.valid} />
        )}
      </Row>
    </View>
  );
});

/** What of a port stays as it is while its values move. */
const Head = memo(function Head({
  number,
  tag,
  name,
  lost,
  words,
}: {
  number: number;
  tag: string | undefined;
  name: string | undefined;
  lost: boolean;
  words: string;
}) {
  return (
    <View className="flex-row items-center gap-3" role="group" aria-label={`Port ${number}`}>
      <Text as="number" className="w-[22px]">
        {String(number)}
      </Text>
      <View className="min-w-0 flex-1">
        <Text as="strong">
          {tag ?? 'unused'}
          {name && <Text as="body" className="text-soft">{`  ${name}`}</Text>}
        </Text>
      </View>
      {lost && <StatusIcon kind="failed" size={18} />}
      <Text as={lost ? 'fail' : 'small'}>{words}</Text>
    </View>
  );
});

function Items({
  port,
  bytes,
  state,
  valid,
}: {
  port: PlannedPort;
  bytes: string;
  state: Parameters<typeof liveItems>[2];
  valid: boolean;
}) {
  const { record: layout, unknown } = port.sends ?? {};
  if (unknown) return <Text as="fail">{textOf(unknown)}</Text>;
  if (!layout) return <Text as="mono">{bytes}</Text>;
  const data = bytesOfHex(bytes);
  if (data.length !== Math.ceil(layout.bitLength / 8))
    return (
      <Text as="fail">{`${data.length} bytes come; the description says ${Math.ceil(layout.bitLength / 8)}. Another device?`}</Text>
    );
  return (
    <View className="pl-[34px]">
      {liveItems(layout, data, state, valid).map((item) => (
        <LiveValue
          key={item.name}
          name={item.name}
          text={[item.text, item.unit, item.meaning].filter(Boolean).join('\u00a0')}
          flag={textOf(item.flag)}
          dim={item.on === false}
          long={item.bits !== undefined}
        />
      ))}
    </View>
  );
}
