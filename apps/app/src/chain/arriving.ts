import type { Text } from '@keypost/core/messages';
import { askedUnit } from '@keypost/api/calls';
import type { LivePort, LiveUnit } from '@keypost/api';
import { bytesOfHex, decodeRecord, portFlag } from '@keypost/core/ioLink';
import { unlessRefused } from '@keypost/core/model';
import type { ChosenValue, DataValue } from '@keypost/core/scaling';
import { decodeRegisters, networkPlaceOf, registersText, serialPlaceOf, wayTo } from '@keypost/core/setting';
import { useMemo } from 'react';
import { SERVER_AWAY, useConnection, useLive, useLivePort, useLiveUnit } from '../data/liveStore';
import type { LiveStore } from '../data/liveStore';
import type { OpenPoint } from '../point/usePoint';

/** What of a value arrives at this moment. */
export interface Arriving {
  /** What asks for it. */
  readonly by: 'master' | 'line';
  /** Nothing was said yet. */
  readonly asked: boolean;
  /** As it came, in hexadecimal. */
  readonly sent: string;
  /** Why nothing of it counts, by what it came over. */
  readonly away?: Text;
  /** Why it does not count, for whatever reason. A number is never shown as measured where there is one. */
  readonly flag?: Text;
  readonly raw?: number;
}

/** Where a value is asked for. */
export type Place =
  | { readonly by: 'master'; readonly moduleId: string; readonly port: number }
  | { readonly by: 'line'; readonly planId: string; readonly rowId: string };

/** Where a value can be asked for; nothing where its master or line has no address here. */
export function placeOf({ analysis }: OpenPoint, { value }: ChosenValue): Place | undefined {
  const { index, device } = analysis.context;
  const way = wayTo(index, device.id);
  if (way?.kind === 'port' && value.record) return { by: 'master', moduleId: way.master.id, port: way.port };
  if (way?.kind !== 'unit' || !value.mapped) return undefined;
  const line = serialPlaceOf(index.job, device.id);
  const net = networkPlaceOf(index.job, device.id);
  const rowId = line?.unit.id ?? net?.member.id;
  return rowId === undefined ? undefined : { by: 'line', planId: (line ?? net)?.plan.id ?? '', rowId };
}

/** The word that a raw number stands for, if it is none that measures. */
const meaningOf = ({ codes }: DataValue, raw: number | undefined): Text | undefined =>
  codes.find((code) => code.raw === raw)?.means;

/** Whom a place asks. */
export const askedAt = (place: Place): string =>
  place.by === 'master' ? place.moduleId : askedUnit(place.planId, place.rowId);

/** What arrives at this moment of a value that can be asked for. */
export function useArriving(point: OpenPoint, data: ChosenValue, place: Place): Arriving {
  const store = useLive(point.view.id);
  const [moduleId, port] = place.by === 'master' ? [place.moduleId, place.port] : ['', 0];
  const [planId, rowId] = place.by === 'line' ? [place.planId, place.rowId] : ['', ''];
  const onPort = useLivePort(store, moduleId, port, place.by === 'master');
  const ofUnit = useLiveUnit(store, planId, rowId, place.by === 'line');
  const connection = useConnection(store);
  return useMemo(
    () => arrivedOf(data.value, place.by, { onPort, ofUnit }, connection),
    [place.by, onPort, ofUnit, connection, data.value],
  );
}

/** What a store holds at this moment of a value that can be asked for. */
export function arrivedAt(store: LiveStore, { value }: ChosenValue, place: Place): Arriving {
  const rows =
    place.by === 'master'
      ? { onPort: store.port(place.moduleId, place.port) }
      : { ofUnit: store.unit(place.planId, place.rowId) };
  return arrivedOf(value, place.by, rows, store.connection);
}

function arrivedOf(
  value: DataValue,
  by: Place['by'],
  { onPort, ofUnit }: { onPort?: LivePort; ofUnit?: LiveUnit },
  connection: LiveStore['connection'],
): Arriving {
  if (connection === 'broken') return judged(value, by, undefined, '', SERVER_AWAY);
  if (by === 'master') {
    if (!onPort) return { by, asked: true, sent: '' };
    const { record, name } = value;
    const raw =
      record && unlessRefused(() => Number(decodeRecord(record, bytesOfHex(onPort.bytes)).get(name)));
    return judged(value, by, raw, onPort.bytes.toUpperCase(), portFlag(onPort.state, onPort.valid));
  }
  if (!ofUnit) return { by, asked: true, sent: '' };
  const { mapped } = value;
  const registers = mapped && ofUnit.registers[mapped.id];
  const raw = registers && unlessRefused(() => decodeRegisters(registers, { ...mapped, scale: 1 }));
  return judged(value, by, raw, registersText(registers ?? []), ofUnit.problem);
}

function judged(
  value: DataValue,
  by: Arriving['by'],
  raw: number | undefined,
  sent: string,
  away: Text | undefined,
): Arriving {
  const flag = away ?? meaningOf(value, raw) ?? (raw === undefined ? 'other data than described' : undefined);
  return {
    by,
    asked: false,
    sent,
    ...(away !== undefined && { away }),
    ...(flag !== undefined && { flag }),
    ...(raw !== undefined && { raw }),
  };
}
