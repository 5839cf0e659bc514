import { expectedWords, judgeCheck, parseQuantity, resultOf } from '@keypost/core';
import type { Check, CheckGroup, Instrument, ProofPlan, Result } from '@keypost/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Mark } from '../ui/Mark';
import { Caution } from '../ui/Notice';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { InstrumentFields, useInstrument } from './InstrumentFields';

/** What was entered and is not stored yet: a text for a voltage, a choice for a lamp or bit. */
type Entries = Readonly<Record<string, string | boolean>>;

/** The checks with a place to enter each; judged as they are entered, stored together. */
export function ProofForm({
  point,
  plan,
  latest,
}: {
  point: OpenPoint;
  plan: ProofPlan;
  latest: ReadonlyMap<string, Result>;
}) {
  const saver = useSave(point.view);
  const known = useKnown();
  const [entries, setEntries] = useState<Entries>({});
  const [asked, setAsked] = useState(false);
  const { instrument, fields, problem } = useInstrument();
  const checks = plan.groups.flatMap((group) => group.checks);
  const wrong = checks.some(
    (check) => typeof entries[check.key] === 'string' && valueOf(entries[check.key]) === undefined,
  );
  const count = Object.keys(entries).length;
  const store = () => {
    if (!known) return setAsked(true);
    const pointId = point.analysis.context.point.id;
    const results = checks.flatMap((check) => {
      const value = valueOf(entries[check.key]);
      return value === undefined || !instrument ? [] : [resultOf(uuid(), pointId, check, value, instrument)];
    });
    if (results.length) void saver.save({ kind: 'record', results }, { then: () => setEntries({}) });
  };
  const enter = (key: string, value: string | boolean) =>
    setEntries((before) => {
      const { [key]: _, ...rest } = before;
      return value === '' || before[key] === value ? rest : { ...rest, [key]: value };
    });
  return (
    <>
      {plan.groups.map((group) => (
        <GroupPlate
          key={group.key}
          group={group}
          entries={entries}
          latest={latest}
          instrument={instrument}
          onEnter={enter}
        />
      ))}
      <InstrumentFields {...fields} problem={problem} />
      {asked && !known && <WhoAmI />}
      <SaveNotice saver={saver} />
      <Button
        label={count === 0 ? 'Store what was entered' : `Store ${count} ${count === 1 ? 'entry' : 'entries'}`}
        kind="main"
        waiting={saver.saving}
        disabled={count === 0 || wrong || !instrument}
        onPress={store}
      />
    </>
  );
}

function valueOf(entry: string | boolean | undefined): number | boolean | undefined {
  if (typeof entry !== 'string') return entry;
  const parsed = parseQuantity(entry, 'volts', 'V');
  return parsed.ok ? parsed.value : undefined;
}

function GroupPlate({
  group,
  entries,
  latest,
  instrument,
  onEnter,
}: {
  group: CheckGroup;
  entries: Entries;
  latest: ReadonlyMap<string, Result>;
  instrument: Instrument | undefined;
  onEnter: (key: string, value: string | boolean) => void;
}) {
  return (
    <Plate title={group.title}>
      {(group.how ?? group.caution) && (
        <Row first className="gap-1.5">
          {group.how && <Words as="soft">{group.how}</Words>}
          {group.caution && <Caution>{group.caution}</Caution>}
        </Row>
      )}
      {group.checks.map((check, i) => (
        <Row key={check.key} first={i === 0 && !group.how && !group.caution}>
          <CheckRow
            name={`${group.title}: ${check.label}`}
            check={check}
            entry={entries[check.key]}
            last={latest.get(check.key)}
            instrument={instrument}
            onEnter={(value) => onEnter(check.key, value)}
          />
        </Row>
      ))}
    </Plate>
  );
}

function CheckRow({
  name,
  check,
  entry,
  last,
  instrument,
  onEnter,
}: {
  name: string;
  check: Check;
  entry: string | boolean | undefined;
  last: Result | undefined;
  instrument: Instrument | undefined;
  onEnter: (value: string | boolean) => void;
}) {
  const parsed = typeof entry === 'string' ? parseQuantity(entry, 'volts', 'V') : undefined;
  const value = valueOf(entry);
  const outcome =
    value !== undefined && instrument ? judgeCheck(check.expected, value, instrument) : undefined;
  return (
    <View className="gap-2">
      <View className="flex-row items-start gap-3">
        <Mark kind={markOf(outcome?.pass ?? last?.pass)} size={22} />
        <View className="min-w-0 flex-1">
          <Words as="strong">{check.label}</Words>
          <Words as="small">{check.detail}</Words>
        </View>
        <Words as="mono" className="text-ink" aria-label={`${name}, expected`}>
          {expectedWords(check.expected)}
        </Words>
      </View>
      {check.expected.kind === 'volts' ? (
        <Field
          label={name}
          value={typeof entry === 'string' ? entry : ''}
          onChange={onEnter}
          inputMode="decimal"
          unit="V"
          mono
          placeholder="measured"
          problem={parsed && !parsed.ok ? parsed.problem : undefined}
          bare
        />
      ) : (
        <YesNo
          name={name}
          expected={check.expected}
          value={typeof entry === 'boolean' ? entry : undefined}
          onChange={onEnter}
        />
      )}
      <Outcome outcome={outcome} last={last} />
    </View>
  );
}

function Outcome({
  outcome,
  last,
}: {
  outcome: ReturnType<typeof judgeCheck> | undefined;
  last: Result | undefined;
}) {
  if (outcome)
    return (
      <Words as={outcome.pass ? 'small' : 'fail'}>
        {`${outcome.pass ? 'Pass' : 'Fail'}: ${outcome.sentence}`}
      </Words>
    );
  if (!last) return null;
  return (
    <Words as={last.pass ? 'small' : 'fail'}>
      {`${last.pass ? 'Passed' : 'Failed'} by ${last.by}: ${lastWords(last)}`}
    </Words>
  );
}

function lastWords({ measured, difference, expected }: Result): string {
  if (typeof measured === 'boolean') return measured ? 'on' : 'off';
  const off =
    difference === 0
      ? ''
      : `, ${Math.abs(difference).toFixed(1)} V ${difference > 0 ? 'above' : 'below'} ${expected.text}`;
  return `${measured.toFixed(1)} V${off}`;
}

function markOf(pass: boolean | undefined) {
  return pass === undefined ? 'open' : pass ? 'proven' : 'failed';
}

function YesNo({
  name,
  expected,
  value,
  onChange,
}: {
  name: string;
  expected: { yes: string; no: string };
  value: boolean | undefined;
  onChange: (value: boolean) => void;
}) {
  return (
    <View role="radiogroup" aria-label={name} className="flex-row gap-2">
      {[true, false].map((choice) => {
        const chosen = value === choice;
        const label = choice ? expected.yes : expected.no;
        return (
          <Pressable
            key={label}
            role="radio"
            aria-checked={chosen}
            aria-label={`${name}: ${label}`}
            onPress={() => onChange(choice)}
            className={`min-h-[48px] flex-1 items-center justify-center rounded-plate border-fine ${chosen ? 'border-ink bg-ink' : 'border-edge bg-bone'}`}
          >
            <Words as="strong" className={chosen ? 'text-plate' : ''}>
              {label}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}
