import { textOf } from '@keypost/core/messages';
import type { Text as Said } from '@keypost/core/messages';
import { expectedText, judgeCheck, resultValues, unitOfExpected } from '@keypost/core/proving';
import { formatVolts, written } from '@keypost/core/units';
import { parseTyped } from '../ui/typedNumbers';
import type { Check, CheckGroup, ProofPlan } from '@keypost/core/proving';
import type { Instrument, Result } from '@keypost/core/model';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Field } from '../ui/Field';
import { Radio, Radios } from '../ui/Radios';
import { StatusIcon } from '../ui/StatusIcon';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { InstrumentFields, useInstrument } from './InstrumentFields';
import { StoreEntries } from './StoreEntries';
import { useEntries, valueOf } from './useEntries';
import type { Entries } from './useEntries';

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
  const { instrument, fields, problem } = useInstrument();
  const entered = useEntries(
    point,
    'states',
    plan.groups.flatMap((group) => group.checks),
    instrument,
  );
  return (
    <>
      {plan.groups.map((group) => (
        <GroupCard
          key={group.key}
          group={group}
          entries={entered.entries}
          latest={latest}
          instrument={instrument}
          onEnter={entered.enter}
        />
      ))}
      <InstrumentFields {...fields} problem={problem} />
      <StoreEntries of={entered} one="entry" many="entries" />
    </>
  );
}

function GroupCard({
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
    <Card title={textOf(group.title)}>
      {(group.how ?? group.caution) && (
        <Row first className="gap-1.5">
          {group.how && <Text as="soft">{textOf(group.how)}</Text>}
          {group.caution && <Caution>{textOf(group.caution)}</Caution>}
        </Row>
      )}
      {group.checks.map((check, i) => (
        <Row key={check.key} first={i === 0 && !group.how && !group.caution}>
          <CheckRow
            name={`${textOf(group.title)}: ${textOf(check.label)}`}
            check={check}
            entry={entries[check.key]}
            last={latest.get(check.key)}
            instrument={instrument}
            onEnter={(value) => onEnter(check.key, value)}
          />
        </Row>
      ))}
    </Card>
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
  const unit = unitOfExpected(check.expected);
  const parsed = typeof entry === 'string' ? parseTyped(entry, unit) : undefined;
  const value = valueOf(check, entry);
  const outcome =
    value !== undefined && instrument ? judgeCheck(check.expected, value, instrument) : undefined;
  return (
    <View className="gap-2">
      <View className="flex-row items-start gap-3">
        <StatusIcon kind={markOf(outcome?.pass ?? last?.pass)} size={22} />
        <View className="min-w-0 flex-1">
          <Text as="strong">{textOf(check.label)}</Text>
          <Text as="small">{textOf(check.detail)}</Text>
        </View>
        <Text as="mono" className="text-ink" aria-label={`${name}, expected`}>
          {textOf(expectedText(check.expected))}
        </Text>
      </View>
      {check.expected.kind !== 'yesno' ? (
        <Field
          label={name}
          value={typeof entry === 'string' ? entry : ''}
          onChange={onEnter}
          inputMode="decimal"
          unit={unit}
          mono
          placeholder="measured"
          problem={parsed && !parsed.ok ? textOf(parsed.problem) : undefined}
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
      <Text as={outcome.pass ? 'small' : 'fail'}>
        {`${outcome.pass ? 'Pass' : 'Fail'}: ${textOf(outcome.sentence)}`}
      </Text>
    );
  if (!last) return null;
  return (
    <Text as={last.pass ? 'small' : 'fail'}>
      {`${last.pass ? 'Passed' : 'Failed'} by ${last.by}: ${lastText(last)}`}
    </Text>
  );
}

/** What was seen when a check was stored last. */
export function lastText(result: Result): string {
  const { measured, expected } = resultValues(result);
  const { difference, unit } = result;
  if (typeof result.measured === 'boolean' || difference === 0) return textOf(measured);
  const off = Math.abs(difference);
  const by = unit === undefined ? formatVolts(off) : `${written(off, 5)} ${unit}`;
  return `${textOf(measured)}, ${by} ${difference > 0 ? 'above' : 'below'} ${textOf(expected)}`;
}

function markOf(pass: boolean | undefined) {
  return pass === undefined ? 'open' : pass ? 'proven' : 'failed';
}

/** One of two that were seen. */
export function YesNo({
  name,
  expected,
  value,
  onChange,
}: {
  name: string;
  expected: { yes: Said; no: Said };
  value: boolean | undefined;
  onChange: (value: boolean) => void;
}) {
  return (
    <Radios
      label={name}
      value={value === undefined ? '' : String(value)}
      onChange={(next) => onChange(next === 'true')}
      className="flex-row gap-2"
    >
      {[true, false].map((choice) => {
        const chosen = value === choice;
        const label = textOf(choice ? expected.yes : expected.no);
        return (
          <Radio
            key={label}
            value={String(choice)}
            label={`${name}: ${label}`}
            className={`min-h-[48px] flex-1 items-center justify-center rounded-plate border-fine ${chosen ? 'border-ink bg-ink' : 'border-rim bg-bone'}`}
          >
            <Text as="strong" className={chosen ? 'text-plate' : ''}>
              {label}
            </Text>
          </Radio>
        );
      })}
    </Radios>
  );
}
