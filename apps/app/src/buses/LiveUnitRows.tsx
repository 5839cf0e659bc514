import { textOf } from '@keypost/core/messages';
import { decodeRegisters, likelierOrder } from '@keypost/core/setting';
import { fixed } from '@keypost/core/units';
import { JobProblem } from '@keypost/core/model';
import type { BusPlan, MappedValue } from '@keypost/core/model';
import { memo } from 'react';
import { View } from 'react-native';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Caution } from '../ui/Notice';
import { useOnScreen } from '../ui/useOnScreen';
import { Text } from '../ui/Text';
import { LiveValue } from '../ui/LiveValue';
import { useLiveUnit } from '../data/liveStore';
import type { LiveStore } from '../data/liveStore';

interface Asked {
  readonly id: string;
  readonly tag: string;
  readonly unit?: number;
  readonly map: readonly MappedValue[];
}

/** The units of a plan that are asked for values. */
function askedIn(plan: BusPlan): Asked[] {
  if (plan.kind === 'ethernet') return plan.members.filter(({ link, map }) => link && map.length);
  return plan.link ? plan.units.filter(({ unit, map }) => unit !== undefined && map.length) : [];
}

export function LiveUnitRows({ store, plan }: { store: LiveStore; plan: BusPlan }) {
  const units = askedIn(plan);
  if (units.length === 0) return null;
  return (
    <Card title={plan.tag}>
      {units.map((unit, i) => (
        <UnitRow key={unit.id} store={store} planId={plan.id} unit={unit} first={i === 0} />
      ))}
    </Card>
  );
}

const UnitRow = memo(function UnitRow({
  store,
  planId,
  unit,
  first,
}: {
  store: LiveStore;
  planId: string;
  unit: Asked;
  first: boolean;
}) {
  const [ref, seen] = useOnScreen();
  const live = useLiveUnit(store, planId, unit.id, seen);
  return (
    <View ref={ref}>
      <Row first={first} className="gap-1">
        <View className="flex-row items-center gap-3" role="group" aria-label={unit.tag}>
          <Text as="strong" className="flex-1">
            {unit.tag}
            <Text as="body" className="text-soft">{`  unit ${unit.unit ?? 1}`}</Text>
          </Text>
          {live?.problem && <StatusIcon kind="failed" size={18} />}
          <Text as={live?.problem ? 'fail' : 'small'}>
            {live ? (live.problem ? 'no answer' : 'answers') : '…'}
          </Text>
        </View>
        {live?.problem && <Text as="small">{textOf(live.problem)}</Text>}
        {live &&
          !live.problem &&
          unit.map
            .filter(({ parameter }) => parameter === undefined)
            .map((row) => (
              <View key={row.id} className="gap-0.5">
                <LiveValue name={row.name} text={registersText(live.registers[row.id], row)} />
                <OrderDoubt registers={live.registers[row.id]} row={row} />
              </View>
            ))}
      </Row>
    </View>
  );
});

/** Says that the registers hardly stand in the order in which they are read, and what the other would give. */
export function OrderDoubt({
  registers,
  row,
}: {
  registers: readonly number[] | undefined;
  row: MappedValue;
}) {
  const other = registers && likelierOrder(registers, row);
  if (!other) return null;
  const { words, bytes, type, scale } = other;
  const value = valueText(registers, { ...row, words, bytes, type, scale });
  return (
    <Caution>
      {`With the ${words} register first this would be ${value}${row.unit ? `\u00a0${row.unit}` : ''}. Compare with the device’s own display.`}
    </Caution>
  );
}

const registersText = (registers: readonly number[] | undefined, row: MappedValue): string =>
  registers ? `${valueText(registers, row)}${row.unit ? `\u00a0${row.unit}` : ''}` : '–';

/** A value with as many digits as its scale resolves; floating point with three decimals. */
export function valueText(registers: readonly number[], row: MappedValue): string {
  try {
    const value = decodeRegisters(registers, row);
    const digits = row.type.startsWith('float')
      ? 3
      : Math.max(0, -Math.floor(Math.log10(Math.abs(row.scale)) + 1e-9));
    return Math.abs(value) < 1e12 ? fixed(value, digits) : value.toExponential(4);
  } catch (error) {
    if (error instanceof JobProblem) return '–';
    throw error;
  }
}
