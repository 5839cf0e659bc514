import { OUTPUT_TEXT, LOGIC_TEXT } from '@keypost/core/network';
import { takesRange } from '@keypost/core/catalog';
import { plateQuestions } from '@keypost/core/planning';
import { useState } from 'react';
import { View } from 'react-native';
import { SCRATCH } from '../data/server';
import { deviceRefusal, DEVICE_SIGHTS, pointKinds } from '../job/kindOptions';
import { Card, Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { MoreRow } from '../ui/MoreRow';
import { RadioGroup } from '../ui/RadioGroup';
import { Select } from '../ui/Select';
import type { TrialForm } from './useTrial';

/** What is in the hand: the device, and how its output works. */
export function HandCard({ form }: { form: TrialForm }) {
  const { answers, types, type, output, change, takeDevice, takeOutput } = form;
  return (
    <Card title="In your hand">
      <Row first className="gap-4">
        <Select
          label="Device"
          value={type.id}
          options={pointKinds(types)}
          onChange={takeDevice}
          sights={DEVICE_SIGHTS}
          refusal={deviceRefusal}
          foot={() => (
            <MoreRow
              first={false}
              to={`/job/${SCRATCH}/kinds`}
              label="Not in the list"
              hint="a device of your own, from its datasheet"
            />
          )}
        />
        {type.outputs.length > 1 && (
          <RadioGroup
            label="Signal"
            value={output?.id ?? ''}
            onChange={takeOutput}
            options={type.outputs.map(({ id, label }) => ({ value: id, label }))}
          />
        )}
        {output && output.kinds.length > 1 && (
          <RadioGroup
            label="Output"
            value={answers.kind}
            onChange={(kind) => change({ kind })}
            options={output.kinds.map((value) => ({ value, label: OUTPUT_TEXT[value] }))}
          />
        )}
        {output && output.logics.length > 1 && (
          <RadioGroup
            label="Logic"
            value={answers.logic}
            onChange={(logic) => change({ logic })}
            options={output.logics.map((value) => ({ value, label: LOGIC_TEXT[value] }))}
          />
        )}
        {plateQuestions(type).map(({ key, label, from = '', choices = [] }) => (
          <RadioGroup
            key={key}
            label={label}
            value={answers.plate[from.replace('plate.', '')] ?? ''}
            onChange={(value) => change({ plate: { ...answers.plate, [from.replace('plate.', '')]: value } })}
            options={choices.filter(({ value }) => value !== 'none')}
          />
        ))}
        {takesRange(type) && <RangeFields form={form} />}
      </Row>
    </Card>
  );
}

function RangeFields({ form: { answers, change, trial } }: { form: TrialForm }) {
  return (
    <View className="flex-row gap-3">
      <View className="flex-1">
        <Field
          label="Range from"
          mono
          inputMode="decimal"
          value={answers.low}
          onChange={(low) => change({ low })}
        />
      </View>
      <View className="flex-1">
        <Field
          label="to"
          mono
          inputMode="decimal"
          value={answers.high}
          onChange={(high) => change({ high })}
          problem={trial ? undefined : 'Two different numbers.'}
        />
      </View>
      <View className="w-[92px]">
        <Field label="Unit" value={answers.unit} onChange={(unit) => change({ unit })} maxLength={12} />
      </View>
    </View>
  );
}

/** So many places to go stand in sight; the others are found in a list. */
const IN_SIGHT = 4;
const OTHER = '…';

/** What it goes to, and how the common of that sits. */
export function TargetCard({ form: { answers, targets, target, change } }: { form: TrialForm }) {
  const [more, setMore] = useState(false);
  const sighted = targets.slice(0, IN_SIGHT);
  const isOther = more || !sighted.some(({ id }) => id === target?.id);
  return (
    <Card title="It goes to">
      <Row first className="gap-4">
        <RadioGroup
          value={isOther ? OTHER : (target?.id ?? '')}
          onChange={(id) => {
            setMore(id === OTHER);
            if (id !== OTHER) change({ target: id });
          }}
          options={[
            ...sighted.map(({ id, name }) => ({ value: id, label: name })),
            ...(targets.length > IN_SIGHT ? [{ value: OTHER, label: 'Something else' }] : []),
          ]}
        />
        {isOther && targets.length > IN_SIGHT && (
          <Select
            label="Which"
            value={target?.id ?? ''}
            options={targets.map(({ id, name, is }) => ({
              value: id,
              label: name,
              group: { module: 'Inputs and controllers', load: 'Loads and relays', bench: 'On the bench' }[
                is
              ],
            }))}
            onChange={(id) => change({ target: id })}
          />
        )}
        {target?.hasCommon && (
          <RadioGroup
            label="Its common"
            value={answers.rail}
            onChange={(rail) => change({ rail })}
            options={[
              { value: '-', label: 'On 0 V' },
              { value: '+', label: 'On +24 V' },
              { value: 'open', label: 'On nothing' },
            ]}
          />
        )}
      </Row>
    </Card>
  );
}
