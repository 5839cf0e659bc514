import { ACTIONS } from '@keypost/core/model';
import { textOf } from '@keypost/core/messages';
import { actionText } from '@keypost/core/switching';
import type { Ladder } from '@keypost/core/switching';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Chips } from '../ui/Chips';
import { Field } from '../ui/Field';
import { RadioGroup } from '../ui/RadioGroup';
import { Slider } from '../ui/Slider';
import { typedIn } from '../ui/typedNumbers';
import type { LevelTexts, Problems } from './ladderDraft';

const DOES = ACTIONS.map((value) => ({ value, label: textOf(actionText(value)) }));

/** One level: its limit, hysteresis and delay in sight, everything else a tap away. */
export function LevelFields({
  level,
  place,
  unit,
  range,
  problems,
  onChange,
  onRemove,
}: {
  level: LevelTexts;
  /** Its place among the levels. */
  place: number;
  unit: string;
  range: Ladder['range'];
  problems: Problems;
  onChange: (patch: Partial<LevelTexts>) => void;
  onRemove?: () => void;
}) {
  const [open, setOpen] = useState(false);
  const wrong = (name: string): string | undefined => problems[`levels.${place}.${name}`];
  const number = (name: 'limit' | 'hysteresis' | 'delay', label: string, of: string) => (
    <View className="min-w-0 flex-1">
      <Field
        label={label}
        value={level[name]}
        onChange={(text) => onChange({ [name]: text })}
        problem={wrong(name)}
        unit={of}
        mono
        inputMode="decimal"
      />
    </View>
  );
  return (
    <Card title={level.name || `Level ${place + 1}`}>
      <Row first className="gap-3">
        {number('limit', level.direction === 'above' ? 'Above' : 'Below', unit)}
        <LimitSlider level={level} unit={unit} range={range} onChange={(limit) => onChange({ limit })} />
        <View className="flex-row gap-3">
          {number('hysteresis', 'Hysteresis', unit)}
          {number('delay', 'Delay', 's')}
        </View>
        {(open || wrong('rhythm.lit') !== undefined || wrong('name') !== undefined) && (
          <Rest level={level} wrong={wrong} onChange={onChange} onRemove={onRemove} />
        )}
        <Button
          label={open ? 'Less' : 'What it does, who clears it'}
          aria-expanded={open}
          onPress={() => setOpen(!open)}
        />
      </Row>
    </Card>
  );
}

/** Moves a limit with a thumb or with the keys. */
function LimitSlider({
  level,
  unit,
  range: { low, high },
  onChange,
}: {
  level: LevelTexts;
  unit: string;
  range: Ladder['range'];
  onChange: (limit: string) => void;
}) {
  const value = typedIn(level.limit, unit);
  return (
    <Slider
      label={`Move the limit of ${level.name}`}
      low={low}
      high={high}
      value={Number.isFinite(value) ? value : low}
      onChange={(limit) => onChange(String(Number(limit.toPrecision(4))))}
    />
  );
}

function Rest({
  level,
  wrong,
  onChange,
  onRemove,
}: {
  level: LevelTexts;
  wrong: (name: string) => string | undefined;
  onChange: (patch: Partial<LevelTexts>) => void;
  onRemove?: () => void;
}) {
  return (
    <>
      <Field
        label="Name"
        value={level.name}
        onChange={(name) => onChange({ name })}
        problem={wrong('name')}
        maxLength={24}
      />
      <RadioGroup
        label="Comes"
        value={level.direction}
        onChange={(direction) => onChange({ direction })}
        options={[
          { value: 'above', label: 'Above its limit' },
          { value: 'below', label: 'Below its limit' },
        ]}
      />
      <Chips
        label="What it does"
        options={DOES}
        chosen={DOES.flatMap(({ value }) => (level.does.includes(value) ? [value] : []))}
        onChange={(does) => onChange({ does })}
      />
      {level.does.includes('flash') && (
        <View className="flex-row gap-3">
          {(['lit', 'dark'] as const).map((name) => (
            <View key={name} className="min-w-0 flex-1">
              <Field
                label={name === 'lit' ? 'Lit for' : 'Dark for'}
                value={level[name]}
                onChange={(text) => onChange({ [name]: text })}
                problem={wrong(`rhythm.${name}`)}
                unit="s"
                mono
                inputMode="decimal"
              />
            </View>
          ))}
        </View>
      )}
      <Ending level={level} onChange={onChange} />
      {onRemove && <Button label="Remove this level" kind="danger" onPress={onRemove} />}
    </>
  );
}

/** Who ends it, and what a break and a power cut make of it. */
function Ending({ level, onChange }: { level: LevelTexts; onChange: (patch: Partial<LevelTexts>) => void }) {
  return (
    <>
      <RadioGroup
        label="Who clears it"
        value={level.clearedBy}
        onChange={(clearedBy) =>
          onChange({ clearedBy, ...(clearedBy === 'key' && { kept: 'yes' as const }) })
        }
        options={[
          { value: 'itself', label: 'Goes by itself' },
          { value: 'anyone', label: 'Anyone' },
          { value: 'operator', label: 'An operator' },
          { value: 'key', label: 'The key' },
        ]}
      />
      <RadioGroup
        label="On a break or short"
        value={level.onFault}
        onChange={(onFault) => onChange({ onFault })}
        options={[
          { value: 'acts', label: 'It comes' },
          { value: 'holds', label: 'It stays as it is' },
          { value: 'rests', label: 'It does nothing' },
        ]}
      />
      {level.clearedBy !== 'itself' && (
        <RadioGroup
          label="After a power cut"
          value={level.kept}
          onChange={(kept) => onChange({ kept })}
          options={[
            { value: 'yes', label: 'It stands again' },
            { value: 'no', label: 'It is gone' },
          ]}
        />
      )}
    </>
  );
}
