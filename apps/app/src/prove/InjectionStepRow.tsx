import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { digitsOf, expectedText, judgeCheck, unitOfExpected } from '@keypost/core/proving';
import { fixed } from '@keypost/core/units';
import type { Check, PlannedStep } from '@keypost/core/proving';
import type { Instrument, Result } from '@keypost/core/model';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { StatusIcon } from '../ui/StatusIcon';
import { parseTyped } from '../ui/typedNumbers';
import { Text } from '../ui/Text';
import { lastText, YesNo } from './ProofForm';
import type { useBench } from '../chain/useBench';
import { valueOf } from './useEntries';
import type { useEntries } from './useEntries';

interface StepParts {
  readonly planned: PlannedStep;
  /** The value is really there and measured, in place of a source. */
  readonly isReal: boolean;
  readonly checks: readonly Check[];
  readonly bench: ReturnType<typeof useBench>;
  readonly entered: ReturnType<typeof useEntries>;
  readonly latest: ReadonlyMap<string, Result>;
  readonly instrument: Instrument | undefined;
}

type Verdict = { readonly pass: boolean; readonly words: string } | undefined;

/** What is known of a check: what was just entered, else what was stored last. */
function verdictOf(check: Check, { entered, latest, instrument }: StepParts): Verdict {
  const value = valueOf(check, entered.entries[check.key]);
  if (value !== undefined && instrument) {
    const { pass, sentence } = judgeCheck(check.expected, value, instrument);
    return { pass, words: `${pass ? 'Pass' : 'Fail'}: ${textOf(sentence)}` };
  }
  const last = latest.get(check.key);
  return (
    last && { pass: last.pass, words: `${last.pass ? 'Passed' : 'Failed'}: ${lastText(last)}, ${last.by}` }
  );
}

/** One step of an injection: closed it tells how it stands, open it takes what was read. */
export function InjectionStepRow(
  parts: StepParts & { open: boolean; onOpen: () => void; onNext: (() => void) | undefined },
) {
  const { planned, checks, bench, isReal, open, onOpen, onNext } = parts;
  const { step, signal, unit } = planned;
  const given = bench.given[step.key];
  const amount = `${fixed(signal, digitsOf(unit))} ${unit}`;
  const verdicts = checks.map((check) => verdictOf(check, parts));
  const mark = verdicts.some((v) => v?.pass === false)
    ? 'failed'
    : verdicts.every((v) => v)
      ? 'proven'
      : 'open';
  return (
    <View className="border-t border-line">
      <Pressable
        role="button"
        aria-label={`${isReal ? 'Set about' : 'Inject'} ${amount}, ${textOf(step.words)}`}
        aria-expanded={open}
        onPress={onOpen}
        className={`min-h-[56px] flex-row items-center gap-3 px-4 py-2 active:bg-wash ${open ? 'bg-wash' : ''}`}
      >
        <StatusIcon kind={mark} size={22} />
        <Text as="number" className="flex-1">
          {amount}
        </Text>
        <Text as="small">{textOf(step.words)}</Text>
      </Pressable>
      {open && (
        <View className="gap-3 bg-wash px-4 pb-4">
          {isReal && <MeasuredField step={step.key} unit={unit} put={bench.put} />}
          {given && !isReal && (
            <Text as="small">{`The source gives ${fixed(given.injected, digitsOf(unit) + 1)} ${unit}; the limits are for that.`}</Text>
          )}
          {(given ?? !isReal) &&
            checks.map((check, i) => (
              <CheckEntry key={check.key} check={check} verdict={verdicts[i]} entered={parts.entered} />
            ))}
          <View className="flex-row flex-wrap gap-3">
            {bench.link !== undefined && (
              <Button
                label={`Give ${amount}`}
                waiting={bench.waiting === step.key}
                onPress={() => void bench.give(step.key, signal)}
              />
            )}
            {onNext && <Button label="Next step" kind="main" grow onPress={onNext} />}
          </View>
        </View>
      )}
    </View>
  );
}

/** What a tape or gauge says is there: the limits are for that. */
function MeasuredField({
  step,
  unit,
  put,
}: {
  step: string;
  unit: string;
  put: ReturnType<typeof useBench>['put'];
}) {
  const [text, setText] = useState('');
  const read = parseTyped(text, unit);
  const change = (typed: string): void => {
    setText(typed);
    const now = parseTyped(typed, unit);
    put(step, now.ok ? now.value : undefined);
  };
  return (
    <Field
      label="Measured with tape or gauge"
      value={text}
      onChange={change}
      unit={unit}
      inputMode="decimal"
      mono
      hint="The limits are worked out for this"
      problem={text !== '' && !read.ok ? textOf(read.problem) : undefined}
    />
  );
}

function CheckEntry({
  check,
  verdict,
  entered: { entries, enter },
}: {
  check: Check;
  verdict: Verdict;
  entered: ReturnType<typeof useEntries>;
}) {
  const { expected, key, label } = check;
  const entry = entries[key];
  const place = nth(textOf(label).split(', '), 0);
  return (
    <View className="gap-1.5">
      <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
        <Text as="strong">{place}</Text>
        <Text as="mono" className="text-ink" aria-label={`${textOf(label)}, expected`}>
          {textOf(expectedText(expected))}
        </Text>
      </View>
      {expected.kind === 'yesno' ? (
        <>
          <Text as="small">{textOf(check.detail)}</Text>
          <YesNo
            name={textOf(label)}
            expected={expected}
            value={typeof entry === 'boolean' ? entry : undefined}
            onChange={(value) => enter(key, value)}
          />
        </>
      ) : (
        <Field
          label={textOf(label)}
          bare
          value={typeof entry === 'string' ? entry : ''}
          onChange={(text) => enter(key, text)}
          inputMode="decimal"
          unit={unitOfExpected(expected)}
          placeholder="read there"
          mono
          problem={
            typeof entry === 'string' && valueOf(check, entry) === undefined
              ? `“${entry}” is not a number. Enter one such as 12.5.`
              : undefined
          }
        />
      )}
      {verdict && <Text as={verdict.pass ? 'small' : 'fail'}>{verdict.words}</Text>}
    </View>
  );
}
