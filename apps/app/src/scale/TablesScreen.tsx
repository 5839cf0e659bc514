import { lastOf, nth, sure } from '@keypost/core/lists';
import { besideEachOther, checkTable, tableOf, tablesOf } from '@keypost/core/sensing';
import { written } from '@keypost/core/units';
import { unlessRefused } from '@keypost/core/model';
import type { CalibrationBody, TablePoint } from '@keypost/core/model';
import type { CalibrationTables, FieldPoint } from '@keypost/core/sensing';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useChain } from '../chain/useChain';
import { FieldPointForm } from './FieldPointForm';
import { TablesChart } from './TablesChart';
import { WorkshopForm } from './WorkshopForm';
import { dateAndTime, dayAndTime } from '../ui/dates';

/** Calibration tables: the workshop's and the field's side by side, and which one is in force since when. */
export function TablesScreen() {
  return (
    <PointSubPage title="Calibration tables" of="scale">
      {(point) => <Tables point={point} />}
    </PointSubPage>
  );
}

interface Units {
  readonly unitIn: string;
  readonly unitOut: string;
}

function Tables({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const { id, range } = point.analysis.context.point;
  const tables = useMemo(() => tablesOf(point.view.content, id), [point.view.content, id]);
  const moment = useChain(point);
  const units = {
    unitIn: tables.unitIn ?? (typeof moment === 'string' ? 'mA' : moment.made.chain.sensor.signal.unit),
    unitOut: tables.unitOut ?? range?.unit ?? '',
  };
  const store = (body: CalibrationBody, then?: () => void) =>
    void saver.save({ kind: 'calibrate', calibrations: [{ id: uuid(), pointId: id, body }] }, { then });
  const now = typeof moment === 'string' ? undefined : moment.state.rows.signal.value;
  return (
    <>
      <SaveNotice saver={saver} />
      <ForceCard tables={tables} onChoose={(table) => store({ kind: 'inForce', table, note: '' })} />
      <TablesChart tables={tables} units={units} />
      <BesideCard
        tables={tables}
        units={units}
        onVoid={(of, reason) => store({ kind: 'void', of, reason })}
      />
      <FieldPointForm units={units} now={now} saver={saver} onStore={store} />
      <WorkshopForm units={units} saver={saver} onStore={store} />
    </>
  );
}

const FORCE_WORDS = { none: 'none', workshop: 'workshop', field: 'field' } as const;

function ForceCard({
  tables,
  onChoose,
}: {
  tables: CalibrationTables;
  onChoose: (table: CalibrationTables['inForce']) => void;
}) {
  const { inForce, since, points, workshop, field } = tables;
  const has = { none: true, workshop: workshop !== undefined, field: field.length >= 2 };
  return (
    <Card title="In force">
      <Row first className="gap-3">
        <RadioGroup
          value={inForce}
          onChange={(table) => has[table] && onChoose(table)}
          options={(['none', 'workshop', 'field'] as const).map((value) => ({
            value,
            label: FORCE_WORDS[value],
            hint:
              value === 'field' && !has.field
                ? 'needs two points'
                : value === 'workshop' && !has.workshop
                  ? 'not there yet'
                  : undefined,
          }))}
        />
        {since && <Text as="small">{`Since ${dateAndTime(since.at)}, ${since.by}`}</Text>}
        {points.length >= 2 && (
          <Checked points={points} unit={tables.unitOut ?? ''} unitIn={tables.unitIn ?? ''} />
        )}
      </Row>
    </Card>
  );
}

/** Course, largest step, and what is said beyond the ends. */
function Checked({ points, unit, unitIn }: { points: readonly TablePoint[]; unit: string; unitIn: string }) {
  const { course, turnsAt, largestStep, sag } = checkTable(points);
  const { from, to } = largestStep;
  const span = Math.abs(lastOf(points).out - nth(points, 0).out);
  return (
    <View className="gap-1">
      {course === 'turns' ? (
        <Text as="fail">{`It turns round at ${written(sure(turnsAt).in)} ${unitIn}: one value stands for several signals. Check that point.`}</Text>
      ) : (
        <Text as="body">{`${course === 'rising' ? 'Rising' : 'Falling'} all the way, ${points.length} points.`}</Text>
      )}
      <Text as="body">{`Largest step ${written(Math.abs(to.out - from.out), 4)} ${unit}, from ${written(from.in)} to ${written(to.in)} ${unitIn}.`}</Text>
      {sag > 0.001 * span && (
        <Text as="small">{`Between points a smooth curve may lie up to ${written(sag, 2)} ${unit} off the straight pieces.`}</Text>
      )}
      <Text as="small">{`Below ${written(nth(points, 0).in)} and above ${written(lastOf(points).in)} ${unitIn} the last pieces go on: a guess.`}</Text>
    </View>
  );
}

/** The value that a table has at a signal; nothing where there is no table. */
const valueAt = (points: readonly TablePoint[], signal: number): number | undefined =>
  unlessRefused(() => tableOf(points).at(signal));

function BesideCard({
  tables: { workshop, field },
  units: { unitIn, unitOut },
  onVoid,
}: {
  tables: CalibrationTables;
  units: Units;
  onVoid: (id: string, reason: string) => void;
}) {
  const [open, setOpen] = useState<string>();
  const rows = besideEachOther(workshop?.points ?? [], field, valueAt);
  if (!rows.length) return null;
  return (
    <Card title="Side by side" aside={<Text as="small">{`${unitIn}, ${unitOut}`}</Text>}>
      <Row first className="flex-row gap-2 py-2">
        {['Signal', 'Workshop ■', 'Field ○', 'Apart'].map((head) => (
          <Text key={head} as="small" className="flex-1 text-right">
            {head}
          </Text>
        ))}
      </Row>
      {rows.map((row) => {
        const own = field.find((point) => point.in === row.in);
        const measured = workshop?.points.some((point) => point.in === row.in);
        return (
          <View key={row.in} className="border-t border-line">
            <BesideRow
              row={row}
              own={own}
              measured={measured}
              unitIn={unitIn}
              onOpen={() => setOpen(open === own?.id ? undefined : own?.id)}
            />
            {own && open === own.id && (
              <TakeBack
                own={own}
                onVoid={(reason) => {
                  onVoid(own.id, reason);
                  setOpen(undefined);
                }}
              />
            )}
          </View>
        );
      })}
    </Card>
  );
}

const text = (value: number | undefined): string => (value === undefined ? '' : written(value, 4));

/** What was measured stands firm; what lies between is lighter. */
function BesideRow({
  row,
  own,
  measured,
  unitIn,
  onOpen,
}: {
  row: ReturnType<typeof besideEachOther>[number];
  own: FieldPoint | undefined;
  measured: boolean | undefined;
  unitIn: string;
  onOpen: () => void;
}) {
  return (
    <Pressable
      role={own ? 'button' : undefined}
      aria-label={own ? `Field point at ${written(row.in)} ${unitIn}` : undefined}
      disabled={!own}
      onPress={onOpen}
      className="min-h-[48px] flex-row items-center gap-2 px-4 py-2"
    >
      <Text as="number" className="flex-1 text-right">
        {written(row.in, 5)}
      </Text>
      <Text as={measured ? 'number' : 'mono'} className="flex-1 text-right">
        {text(row.workshop)}
      </Text>
      <Text as={own ? 'number' : 'mono'} className="flex-1 text-right">
        {text(row.field)}
      </Text>
      <Text as="mono" className="flex-1 text-right">
        {text(row.difference)}
      </Text>
    </Pressable>
  );
}

/** A field point that does not count any more, with the reason; it stays in the log. */
function TakeBack({ own, onVoid }: { own: FieldPoint; onVoid: (reason: string) => void }) {
  const [reason, setReason] = useState('');
  return (
    <View className="gap-3 bg-wash px-4 py-3">
      <Text as="small">{`${dayAndTime(own.at)} · ${own.by}${own.note ? ` · ${own.note}` : ''}`}</Text>
      <Field label="Why does it not count?" value={reason} onChange={setReason} maxLength={200} />
      <Button
        label="Take it back"
        kind="danger"
        disabled={reason.trim() === ''}
        onPress={() => onVoid(reason.trim())}
      />
    </View>
  );
}
