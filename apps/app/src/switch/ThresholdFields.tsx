import { watchedUnit } from '@keypost/core/switching';
import type { PointChain } from '@keypost/core/scaling';
import { useState } from 'react';
import { View } from 'react-native';
import { linkText } from '../chain/chainText';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';
import { LogicField, ModeFields } from './ModeFields';
import type { ThresholdTexts } from './thresholdDraft';

interface Of {
  readonly texts: ThresholdTexts;
  readonly problems: Readonly<Record<string, string>>;
  readonly change: (patch: Partial<ThresholdTexts>) => void;
}

/** What a threshold compares, at which values, and who decides it. */
export function ThresholdFields({ made, ...of }: Of & { made: PointChain }) {
  const { texts, problems, change } = of;
  const words = linkText(made);
  const [open, setOpen] = useState(false);
  const keys = (['value', 'signal', 'counts', 'engineering'] as const).filter(
    (key, i, all) => all.findIndex((other) => words[other].label === words[key].label) === i,
  );
  const hidden = REST.some((name) => problems[name] !== undefined);
  return (
    <Card title="Where it switches">
      <Row first className="gap-4">
        <Field
          label="Name"
          value={texts.name}
          onChange={(name) => change({ name })}
          problem={problems.name}
          maxLength={24}
        />
        <RadioGroup
          label="Compares"
          value={texts.watches}
          onChange={(watches) => change({ watches })}
          options={keys.map((key) => ({
            value: key,
            label: words[key].label,
            hint: `in ${watchedUnit(made, key) || 'counts'}`,
          }))}
        />
        <ModeFields
          texts={texts}
          unit={watchedUnit(made, texts.watches)}
          problems={problems}
          change={change}
        />
        <Text as="small">A set point below its reset point switches on falling.</Text>
        <Decided {...of} canRelay={!made.data} />
        {(open || hidden) && <Rest {...of} />}
        <Button
          label={open ? 'Less' : 'Output, delays, faults'}
          aria-expanded={open}
          onPress={() => setOpen(!open)}
        />
      </Row>
    </Card>
  );
}

/** Who decides it; a relay watches the signal, and has an accuracy of its own. */
function Decided({ texts, problems, change, canRelay }: Of & { canRelay: boolean }) {
  return (
    <>
      <RadioGroup
        label="Decided"
        value={texts.decidedBy}
        onChange={(decidedBy) =>
          change({ decidedBy, ...(decidedBy === 'relay' && { watches: 'signal' as const }) })
        }
        options={[
          { value: 'controller', label: 'In the controller' },
          ...(canRelay
            ? [{ value: 'relay' as const, label: 'By a relay', hint: 'that watches the signal' }]
            : []),
        ]}
      />
      {texts.decidedBy === 'relay' && (
        <Field
          label="Accuracy of the relay"
          value={texts.accuracy}
          onChange={(accuracy) => change({ accuracy })}
          problem={problems.accuracyPercent}
          hint="of the span of its signal, by its data sheet"
          unit="%"
          mono
          inputMode="decimal"
        />
      )}
    </>
  );
}

/** Fields that are seldom other than usual. */
const REST = ['damping', 'onDelay', 'offDelay', 'startUp', 'leastPulse'] as const;

const TIMES: Readonly<Record<(typeof REST)[number], string>> = {
  onDelay: 'On after',
  offDelay: 'Off after',
  damping: 'Damping',
  startUp: 'Waits after the start',
  leastPulse: 'On at least',
};

const FAULTS = [
  ['break', 'On a break'],
  ['short', 'On a short'],
  ['invalid', 'On a value that is not valid'],
] as const;

function Rest(of: Of) {
  const { texts, problems, change } = of;
  return (
    <>
      <LogicField value={texts.logic} onChange={(logic) => change({ logic })} />
      <View className="flex-row flex-wrap gap-3">
        {(Object.keys(TIMES) as (keyof typeof TIMES)[]).map((name) => (
          <View key={name} className="min-w-[44%] flex-1">
            <Field
              label={TIMES[name]}
              value={texts[name]}
              onChange={(text) => change({ [name]: text })}
              problem={problems[name]}
              unit="s"
              mono
              inputMode="decimal"
            />
          </View>
        ))}
      </View>
      <Ending {...of} />
    </>
  );
}

/** Who resets it, what it does without a signal, and which of its states protects. */
function Ending({ texts, change }: Of) {
  return (
    <>
      <RadioGroup
        label="Once on"
        value={texts.clearedBy}
        onChange={(clearedBy) => change({ clearedBy })}
        options={[
          { value: 'itself', label: 'Goes by itself' },
          { value: 'anyone', label: 'Until anyone resets it' },
          { value: 'operator', label: 'Until an operator does' },
          { value: 'key', label: 'Until the key is turned' },
        ]}
      />
      {FAULTS.map(([name, label]) => (
        <RadioGroup
          key={name}
          label={label}
          value={texts[name]}
          onChange={(does) => change({ [name]: does })}
          options={[
            { value: 'on', label: 'As if called' },
            { value: 'off', label: 'As if not' },
            { value: 'hold', label: 'Stays as it is' },
          ]}
        />
      ))}
      <RadioGroup
        label="What protects"
        value={texts.safeSide}
        onChange={(safeSide) => change({ safeSide })}
        options={[
          { value: 'none', label: 'Nothing hangs on it' },
          { value: 'off', label: 'Its output off' },
          { value: 'on', label: 'Its output on' },
        ]}
      />
    </>
  );
}
