import { liveItems, portFlag } from '@keypost/core';
import type { LiveItem, PlannedPort } from '@keypost/core';
import { memo } from 'react';
import { View } from 'react-native';
import { Mark } from '../ui/Mark';
import { Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { useLivePort } from './liveStore';
import type { LiveStore } from './liveStore';

const bytesOf = (hex: string): Uint8Array =>
  Uint8Array.from(hex.match(/../g) ?? [], (digits) => parseInt(digits, 16));

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
  const live = useLivePort(store, moduleId, port.number);
  const flag = live && portFlag(live.state, live.valid);
  const used = port.device !== undefined;
  const lost = used && live !== undefined && flag !== undefined;
  return (
    <Row first={first} className="gap-1">
      <View className="flex-row items-center gap-3" role="group" aria-label={`Port ${port.number}`}>
        <Words as="number" className="w-[22px]">
          {String(port.number)}
        </Words>
        <View className="min-w-0 flex-1">
          <Words as="strong" numberOfLines={1}>
            {port.point ? port.point.tag : 'unused'}
            {port.point && <Words as="body" className="text-soft">{`  ${port.point.name}`}</Words>}
          </Words>
        </View>
        {lost && <Mark kind="failed" size={18} />}
        <Words as={lost ? 'fail' : 'small'}>
          {live ? (flag ?? (live.state === 'connected' ? 'valid' : live.state)) : '…'}
        </Words>
      </View>
      {used && live && live.bytes !== '' && (
        <Items port={port} bytes={live.bytes} state={live.state} valid={live.valid} />
      )}
    </Row>
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
  const layout = port.known?.description.processData[0]?.input;
  if (!layout) return <Words as="mono">{bytes}</Words>;
  const data = bytesOf(bytes);
  if (data.length !== Math.ceil(layout.bitLength / 8))
    return (
      <Words as="fail">{`${data.length} bytes come; the description says ${Math.ceil(layout.bitLength / 8)}. Another device?`}</Words>
    );
  return (
    <View className="pl-[34px]">
      {liveItems(layout, data, state, valid).map((item) => (
        <Item key={item.name} item={item} />
      ))}
    </View>
  );
}

function Item({ item: { name, text, unit, flag, on, bits } }: { item: LiveItem }) {
  return (
    <View className={bits ? 'gap-0.5' : 'flex-row items-baseline justify-between gap-3'}>
      <Words as="small" className={bits ? '' : 'min-w-0 flex-1'}>
        {name}
      </Words>
      {flag !== undefined ? (
        <Words as="fail">{flag}</Words>
      ) : (
        <Words as="number" className={on === false ? 'text-soft' : ''}>
          {unit ? `${text}\u00a0${unit}` : text}
        </Words>
      )}
    </View>
  );
}
