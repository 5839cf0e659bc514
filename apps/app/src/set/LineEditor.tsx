import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { allowedText, readValue } from '@keypost/core/catalog';
import { lineText } from '@keypost/core/setting';
import type { SheetLine } from '@keypost/core/setting';
import { useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { typedStyle } from '../ui/typedNumbers';
import { useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Caution } from '../ui/Notice';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { dayAndTime } from '../ui/dates';

/** What is done at one parameter: what was seen there, what was set, and what is required otherwise, with a reason. */
export function LineEditor({
  view,
  itemId,
  line,
  onDone,
}: {
  view: JobView;
  itemId: string;
  line: SheetLine;
  onDone: () => void;
}) {
  const saver = useSave(view);
  const { parameter, required, unit } = line;
  const [otherwise, setOtherwise] = useState(false);
  const enter = (side: 'found' | 'left', value: string) =>
    void saver.save(
      {
        kind: 'enter',
        entries: [{ id: uuid(), itemId, side, how: 'typed', values: { [parameter.key]: value } }],
      },
      { then: onDone },
    );
  const follow = () =>
    void saver.save({ kind: 'require', itemId, key: parameter.key, override: null }, { then: onDone });
  const allowed = allowedText(parameter, unit);
  return (
    <View
      className="gap-3 border-t border-line bg-wash px-4 py-3"
      role="group"
      aria-label={`At ${parameter.label}`}
    >
      {parameter.caution && <Caution>{parameter.caution}</Caution>}
      {allowed !== '' && (
        <Text as="small">{`Allowed: ${textOf(allowed)}${parameter.factory ? `; factory ${lineText(line, parameter.factory)}` : ''}`}</Text>
      )}
      <Seen line={line} />
      <SaveNotice saver={saver} />
      {otherwise ? (
        <Otherwise line={line} itemId={itemId} saver={saver} onDone={onDone} />
      ) : (
        <>
          <SetAsRequired line={line} waiting={saver.saving} onSet={enter} />
          <ValueEntry line={line} onEnter={enter} />
          <View className="flex-row flex-wrap gap-3">
            {!parameter.readOnly && <Button label="Require otherwise" onPress={() => setOtherwise(true)} />}
            {required?.override && <Button label="Let it follow from the job" onPress={follow} />}
          </View>
        </>
      )}
    </View>
  );
}

/** The one thing that is usually done: it now stands as required. */
function SetAsRequired({
  line,
  waiting,
  onSet,
}: {
  line: SheetLine;
  waiting: boolean;
  onSet: (side: 'left', value: string) => void;
}) {
  const { required, state, parameter } = line;
  if (!required || state === 'done' || parameter.readOnly) return null;
  return (
    <Button
      label={`Set to ${lineText(line, required.value)}`}
      kind="main"
      waiting={waiting}
      onPress={() => onSet('left', required.value)}
    />
  );
}

function Seen({ line }: { line: SheetLine }) {
  const rows = [
    ['Found', line.found],
    ['Left', line.left],
  ] as const;
  return (
    <>
      {rows.map(
        ([words, seen]) =>
          seen && (
            <Text as="small" key={words}>
              {`${words} ${lineText(line, seen.value)}${seen.how === 'read' ? ', read from the device' : ''}${seen.at ? ` · ${dayAndTime(seen.at)} · ${seen.by}` : ''}`}
            </Text>
          ),
      )}
    </>
  );
}

/** A value as it is typed or chosen for a parameter. */
function ValueField({
  line: { parameter, unit, required, present },
  label,
  value,
  onChange,
  problem,
}: {
  line: SheetLine;
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: string;
}) {
  // A menu that takes any text offers the one that is wanted, or stands there.
  const own = parameter.free ? [required?.value, present?.value] : [];
  const more = [...new Set(own)].flatMap((text) =>
    text === undefined || parameter.choices?.some((choice) => choice.value === text)
      ? []
      : [{ value: text, label: text }],
  );
  return parameter.choices ? (
    <Select
      label={label}
      value={value}
      options={[{ value: '', label: 'choose …' }, ...parameter.choices, ...more]}
      onChange={onChange}
      problem={problem}
    />
  ) : (
    <Field
      label={label}
      value={value}
      onChange={onChange}
      problem={problem}
      unit={unit}
      mono={parameter.kind === 'number'}
      inputMode={parameter.kind === 'number' ? 'decimal' : 'text'}
      maxLength={60}
    />
  );
}

function ValueEntry({
  line,
  onEnter,
}: {
  line: SheetLine;
  onEnter: (side: 'found' | 'left', value: string) => void;
}) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const { parameter, unit } = line;
  const take = (side: 'found' | 'left') => {
    const loose = side === 'found' ? { ...parameter, min: undefined, max: undefined } : parameter;
    const read = readValue(loose, text, unit, typedStyle());
    if (read.ok) onEnter(side, read.value);
    else setProblem(textOf(read.problem));
  };
  return (
    <View className="gap-3">
      <ValueField
        line={line}
        label="What it shows"
        value={text}
        onChange={(next) => {
          setText(next);
          setProblem(undefined);
        }}
        problem={problem}
      />
      <View className="flex-row gap-3">
        <Button label="Found so" grow disabled={text === ''} onPress={() => take('found')} />
        {!parameter.readOnly && (
          <Button label="Left so" grow disabled={text === ''} onPress={() => take('left')} />
        )}
      </View>
    </View>
  );
}

function Otherwise({
  line,
  itemId,
  saver,
  onDone,
}: {
  line: SheetLine;
  itemId: string;
  saver: Saver;
  onDone: () => void;
}) {
  const [value, setValue] = useState(line.required?.value ?? '');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<{ value?: string; reason?: string }>({});
  const { parameter, unit } = line;
  const store = () => {
    const read = readValue(parameter, value, unit, typedStyle());
    const wrong = {
      ...(!read.ok && { value: textOf(read.problem) }),
      ...(reason.trim() === '' && { reason: 'Say why it is to be otherwise.' }),
    };
    setProblem(wrong);
    if (!read.ok || wrong.reason) return;
    void saver.save(
      { kind: 'require', itemId, key: parameter.key, override: { value: read.value, reason: reason.trim() } },
      { then: onDone },
    );
  };
  return (
    <View className="gap-3">
      <ValueField line={line} label="Required" value={value} onChange={setValue} problem={problem.value} />
      <Field label="Why" value={reason} onChange={setReason} problem={problem.reason} maxLength={200} />
      <View className="flex-row gap-3">
        <Button label="Require it" kind="main" grow waiting={saver.saving} onPress={store} />
        <Button label="Cancel" onPress={onDone} />
      </View>
    </View>
  );
}
