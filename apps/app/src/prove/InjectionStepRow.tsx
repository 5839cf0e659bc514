import { textOf } from '@keypost/core/messages';
import { digitsOf, expectedWords, judgeCheck } from '@keypost/core/proving';
import { fixed } from '@keypost/core/units';
import type { Check, PlannedStep } from '@keypost/core/proving';
import type { Instrument, Result } from '@keypost/core/model';
import { Pressable, View } from 'react-native';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Mark } from '../ui/Mark';
import { Words } from '../ui/Words';
import { lastWords, YesNo } from './ProofForm';
import type { useBench } from './useBench';
import { valueOf } from './useEntries';
import type { useEntries } from './useEntries';

interface StepParts {
  readonly planned: PlannedStep;
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
    last && { pass: last.pass, words: `${last.pass ? 'Passed' : 'Failed'}: ${lastWords(last)}, ${last.by}` }
  );
}

/** One step of an injection: closed it tells how it stands, open it takes what was read. */
export function InjectionStepRow(
  parts: StepParts & { open: boolean; onOpen: () => void; onNext: (() => void) | undefined },
) {
  const { planned, checks, bench, open, onOpen, onNext } = parts;
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
        aria-label={`Inject ${amount}, ${textOf(step.words)}`}
        aria-expanded={open}
        onPress={onOpen}
        className={`min-h-[56px] flex-row items-center gap-3 px-4 py-2 active:bg-wash ${open ? 'bg-wash' : ''}`}
      >
        <Mark kind={mark} size={22} />
        <Words as="number" className="flex-1">
          {amount}
        </Words>
        <Words as="small">{textOf(step.words)}</Words>
      </Pressable>
      {open && (
        <View className="gap-3 bg-wash px-4 pb-4">
          {given && (
            <Words as="small">{`The source gives ${fixed(given.injected, digitsOf(unit) + 1)} ${unit}; the limits are for that.`}</Words>
          )}
          {checks.map((check, i) => (
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
  const place = textOf(label).split(', ')[0]!;
  return (
    <View className="gap-1.5">
      <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
        <Words as="strong">{place}</Words>
        <Words as="mono" className="text-ink" aria-label={`${textOf(label)}, expected`}>
          {textOf(expectedWords(expected))}
        </Words>
      </View>
      {expected.kind === 'yesno' ? (
        <>
          <Words as="small">{textOf(check.detail)}</Words>
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
          unit={expected.kind === 'value' ? expected.unit : 'V'}
          placeholder="read there"
          mono
          problem={
            typeof entry === 'string' && valueOf(check, entry) === undefined
              ? `“${entry}” is not a number. Enter one such as 12.5.`
              : undefined
          }
        />
      )}
      {verdict && <Words as={verdict.pass ? 'small' : 'fail'}>{verdict.words}</Words>}
    </View>
  );
}
