import { textOf } from '@keypost/core/messages';
import { bitsOf, encodeRecord, hexOf } from '@keypost/core/ioLink';
import type { DescribedRecord } from '@keypost/core/ioLink';
import { unlessRefused } from '@keypost/core/model';
import type { MappedValue } from '@keypost/core/model';
import { encodeRegisters, portPlan, registersText } from '@keypost/core/setting';
import type { ChosenValue } from '@keypost/core/scaling';
import { plain } from '@keypost/core/units';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { ArrivesNow } from './ArrivesNow';
import { grouped } from '../chain/chainText';
import type { ChainMoment } from '../chain/useChain';

/** Where a value lies in what arrives, between which raw numbers it measures, and what stands there now. */
export function ArrivesCard({ point, moment }: { point: OpenPoint; moment: ChainMoment }) {
  const { data } = moment.made;
  if (!data) return null;
  const { value, line, limits } = data;
  const raw = moment.state.rows.counts.value;
  return (
    <Card title="As it arrives" aside={<Text as="small">{value.name}</Text>}>
      <Row first className="gap-2">
        <Fact label="Lies in" value={textOf(value.place)} />
        <Address point={point} />
        <Fact label="Raw" value={`${grouped(limits.low)} to ${grouped(limits.high)}`} />
        <Fact label="Means" value={lineText(line)} />
        {value.codes.map(({ raw: code, means }) => (
          <Fact key={code} label={textOf(means)} value={`${code}: no value`} />
        ))}
      </Row>
      {value.record && <Bytes record={value.record} name={value.name} raw={raw} />}
      {value.mapped && <Registers mapped={value.mapped} raw={raw} />}
      <Row>
        <ArrivesNow point={point} data={data} onTake={(now) => moment.moveTo('counts', now)} />
      </Row>
    </Card>
  );
}

const lineText = ({ gradient, offset, unit }: ChosenValue['line']): string =>
  `raw × ${plain(gradient, 7)}${offset === 0 ? '' : ` ${offset < 0 ? '−' : '+'} ${plain(Math.abs(offset), 7)}`} ${unit}`;

const Fact = ({ label, value }: { label: string; value: string }) => (
  <View className="flex-row items-baseline justify-between gap-3">
    <Text as="small">{label}</Text>
    <Text as="mono" className="min-w-0 flex-1 text-right text-ink">
      {value}
    </Text>
  </View>
);

/** Bytes of the controller that hold it. */
function Address({ point }: { point: OpenPoint }) {
  const { module, device, index } = point.analysis.context;
  if (!module || index.moduleType(module).description.fieldbus !== 'io-link') return null;
  const port = portPlan(index, module.id).find((planned) => planned.device?.id === device.id);
  const at = port?.addresses.byte;
  if (!at?.firstIn) return null;
  return (
    <Fact
      label="In the controller"
      value={`${at.firstIn}${at.lastIn === at.firstIn ? '' : ` to ${at.lastIn ?? ''}`}, valid in ${at.qualifier ?? ''}`}
    />
  );
}

/** The bytes as they stand at a raw number, bit by bit; those of the value are marked. */
function Bytes({ record, name, raw }: { record: DescribedRecord; name: string; raw: number }) {
  const item = record.items.find((one) => one.name === name);
  const bytes = unlessRefused(() => encodeRecord(record, new Map([[name, raw]])));
  if (!item || !bytes) return null;
  const bits = bitsOf(item.type);
  const all = bytes.length * 8;
  return (
    <Row className="gap-2">
      <Text as="small">{`Bytes at raw ${grouped(raw)}, all else 0`}</Text>
      <View className="flex-row flex-wrap gap-x-2 gap-y-2" role="img" aria-label={`bytes ${hexOf(bytes)}`}>
        {[...bytes].map((byte, i) => (
          <View key={i} className="items-center gap-1">
            <View className="flex-row">
              {Array.from({ length: 8 }, (_, k) => {
                const place = all - 1 - (8 * i + k);
                const own = place >= item.bitOffset && place < item.bitOffset + bits;
                return (
                  <View
                    key={k}
                    className={`h-[26px] w-[11px] items-center justify-center border-fine ${own ? 'border-accent bg-wash' : 'border-line'}`}
                  >
                    <Text as="mono" className={`text-[0.8125rem] ${own ? 'text-ink' : 'text-soft'}`}>
                      {String((byte >> (7 - k)) & 1)}
                    </Text>
                  </View>
                );
              })}
            </View>
            <Text as="mono">{hexOf(Uint8Array.of(byte)).toUpperCase()}</Text>
          </View>
        ))}
      </View>
    </Row>
  );
}

/** The registers as they stand at a raw number. */
function Registers({ mapped, raw }: { mapped: MappedValue; raw: number }) {
  const registers = unlessRefused(() => encodeRegisters(raw, { ...mapped, scale: 1 })) ?? [];
  return (
    <Row className="gap-1">
      <Text as="small">{`Registers at raw ${grouped(raw)}`}</Text>
      <Text as="number">{registersText(registers)}</Text>
    </Row>
  );
}
