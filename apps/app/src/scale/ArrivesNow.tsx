import { textOf } from '@keypost/core/messages';
import type { Text as Words } from '@keypost/core/messages';
import { bytesOfHex, decodeRecord, portFlag, scaled } from '@keypost/core/ioLink';
import { unlessRefused } from '@keypost/core/model';
import { decodeRegisters, networkPlaceOf, registersText, serialPlaceOf, wayTo } from '@keypost/core/setting';
import type { ChosenValue, DataValue } from '@keypost/core/scaling';
import { withUnit } from '@keypost/core/units';
import { View } from 'react-native';
import { useLive, useLivePort, useLiveUnit } from '../data/liveStore';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { LiveValue } from '../ui/LiveValue';
import { Text } from '../ui/Text';
import { grouped } from '../chain/chainText';

interface Of {
  readonly point: OpenPoint;
  readonly data: ChosenValue;
  /** Does something with the raw number that stands there now. */
  readonly onTake?: (raw: number) => void;
}

/** What arrives at this moment, where its master or unit can be asked. */
export function ArrivesNow(of: Of) {
  const { index, device } = of.point.analysis.context;
  const way = wayTo(index, device.id);
  if (way?.kind === 'port' && of.data.value.record)
    return <FromPort {...of} moduleId={way.master.id} port={way.port} />;
  const line = serialPlaceOf(index.job, device.id);
  const net = networkPlaceOf(index.job, device.id);
  const rowId = line?.unit.id ?? net?.member.id;
  if (way?.kind === 'unit' && of.data.value.mapped && rowId !== undefined)
    return <FromUnit {...of} planId={(line ?? net)?.plan.id ?? ''} rowId={rowId} />;
  return <Text as="small">Its master or line has no address here, so nothing is read from it.</Text>;
}

function FromPort({ moduleId, port, ...of }: Of & { moduleId: string; port: number }) {
  const { point, data } = of;
  const live = useLivePort(useLive(point.view.id), moduleId, port);
  if (!live) return <Text as="small">Its master is asked …</Text>;
  const { record, name } = data.value;
  const raw = record && unlessRefused(() => Number(decodeRecord(record, bytesOfHex(live.bytes)).get(name)));
  return (
    <Now
      {...of}
      flag={portFlag(live.state, live.valid)}
      sent={live.bytes.toUpperCase()}
      raw={raw}
      says="connected and valid"
    />
  );
}

function FromUnit({ planId, rowId, ...of }: Of & { planId: string; rowId: string }) {
  const { point, data } = of;
  const live = useLiveUnit(useLive(point.view.id), planId, rowId);
  if (!live) return <Text as="small">Its line is asked …</Text>;
  const { mapped } = data.value;
  const registers = mapped && live.registers[mapped.id];
  const raw = registers && unlessRefused(() => decodeRegisters(registers, { ...mapped, scale: 1 }));
  const sent = registersText(registers ?? []);
  return <Now {...of} flag={live.problem} sent={sent} raw={raw} says="answers" />;
}

/** The word that a raw number stands for, if it is none that measures. */
const meaningOf = ({ codes }: DataValue, raw: number | undefined): Words | undefined =>
  codes.find((code) => code.raw === raw)?.means;

/** A number never stands without the word that it counts, or why not. */
function Now({
  data: { value, line },
  onTake,
  flag,
  sent,
  raw,
  says,
}: Of & { flag: Words | undefined; sent: string; raw: number | undefined; says: string }) {
  const said = flag ?? meaningOf(value, raw) ?? (raw === undefined ? 'other data than described' : undefined);
  return (
    <View className="gap-2" role="group" aria-label="What arrives now">
      <LiveValue name="Now" text={says} flag={textOf(said)} />
      <LiveValue name={value.record ? 'Bytes' : 'Registers'} text={sent} />
      {raw !== undefined && flag === undefined && <LiveValue name="Raw" text={grouped(raw)} />}
      {raw !== undefined && said === undefined && (
        <LiveValue name={value.name} text={withUnit(scaled(raw, line), line.unit, 7)} />
      )}
      {raw !== undefined && said === undefined && onTake && (
        <Button label="Show the chain at this" onPress={() => onTake(raw)} />
      )}
    </View>
  );
}
