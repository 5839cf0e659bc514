import { typedIn } from '../ui/typedNumbers';
import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { matchingFormats, registersOf, registersText } from '@keypost/core/setting';
import type { Change } from '@keypost/core/job';
import type { MappedValue } from '@keypost/core/model';
import type { Match } from '@keypost/core/setting';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { OrderDoubt, valueText } from './LiveUnitRows';
import { useLive, useLiveUnit } from '../data/liveStore';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { MapForm } from './MapForm';

/** The registers of a unit, what is in them now, and how they must be read by a value known from its display. */
export function RegisterMap({
  view,
  planId,
  rowId,
  map,
  change,
}: {
  view: JobView;
  planId: string;
  rowId: string;
  map: readonly MappedValue[];
  change: (map: MappedValue[]) => Change;
}) {
  const store = useLive(view.id);
  const live = useLiveUnit(store, planId, rowId);
  const [open, setOpen] = useState<string>();
  return (
    <>
      {live?.problem && (
        <Row>
          <Text as="fail">{textOf(live.problem)}</Text>
        </Row>
      )}
      {map.map((row) => (
        <ValueRow
          key={row.id}
          row={row}
          registers={live?.registers[row.id]}
          open={open === row.id}
          onOpen={() => setOpen(open === row.id ? undefined : row.id)}
        >
          <Reader
            view={view}
            row={row}
            registers={live?.registers[row.id]}
            put={(next) => change(map.map((old) => (old.id === row.id ? next : old)))}
            remove={() => change(map.filter(({ id }) => id !== row.id))}
          />
        </ValueRow>
      ))}
      <Row>
        <MapForm view={view} name={`${planId}.${rowId}`} change={(added) => change([...map, added])} />
      </Row>
    </>
  );
}

/** A value: what its registers hold now, how they are read, and, when it is open, how else they could be. */
function ValueRow({
  row,
  registers,
  open,
  onOpen,
  children,
}: {
  row: MappedValue;
  registers: readonly number[] | undefined;
  open: boolean;
  onOpen: () => void;
  children: ReactNode;
}) {
  return (
    <Row className="gap-2">
      <View className="flex-row items-baseline justify-between gap-3">
        <Text as="strong" className="flex-1">
          {row.name}
        </Text>
        <Text as="number">{registers ? `${valueText(registers, row)} ${row.unit}` : '–'}</Text>
      </View>
      <OrderDoubt registers={registers} row={row} />
      <Text as="small">{formatText(row)}</Text>
      {registers && <Text as="mono">{registersText(registers).toLowerCase()}</Text>}
      <View className="-ml-4 items-start">
        <Button label={open ? 'Close' : `Read ${row.name} otherwise`} kind="bare" onPress={onOpen} />
      </View>
      {open && children}
    </Row>
  );
}

const formatText = ({ table, address, type, words, bytes, scale }: MappedValue): string =>
  [
    `${table} register ${address}`,
    type,
    ...(registersOf(type) > 1 ? [`${words} register first`] : []),
    ...(bytes === 'low' ? ['bytes turned'] : []),
    ...(scale === 1 ? [] : [`× ${scale}`]),
  ].join(', ');

function Reader({
  view,
  row,
  registers,
  put,
  remove,
}: {
  view: JobView;
  row: MappedValue;
  registers: readonly number[] | undefined;
  put: (next: MappedValue) => Change;
  remove: () => Change;
}) {
  const saver = useSave(view);
  const [text, setText] = useState('');
  const value = typedIn(text, row.unit);
  const sought = text.trim() !== '' && Number.isFinite(value);
  const matches = sought && registers ? matchingFormats(registers, value).slice(0, 4) : [];
  const take = ({ type, words, bytes, scale }: Match) =>
    void saver.save(put({ ...row, type, words, bytes, scale }));
  return (
    <View className="gap-3" role="group" aria-label={`Read ${row.name} otherwise`}>
      <Field
        label="What its own display shows"
        value={text}
        onChange={setText}
        unit={row.unit}
        mono
        inputMode="decimal"
        hint="One value that you know tells the order of registers and bytes."
      />
      {!registers && <Text as="small">Nothing was read from these registers yet.</Text>}
      {sought && registers && matches.length === 0 && (
        <Text as="fail">{`No way of reading these registers gives ${text.trim()}. Is it another register?`}</Text>
      )}
      <SaveNotice saver={saver} />
      {matches.map((match) => (
        <Button
          key={`${match.type} ${match.words} ${match.bytes} ${match.scale}`}
          label={`Read as ${match.type}${registersOf(match.type) > 1 ? `, ${match.words} register first` : ''}${match.bytes === 'low' ? ', bytes turned' : ''}${match.scale === 1 ? '' : `, × ${match.scale}`}`}
          waiting={saver.saving}
          onPress={() => take(match)}
        />
      ))}
      <Button label={`Take ${row.name} out`} kind="danger" onPress={() => void saver.save(remove())} />
    </View>
  );
}
