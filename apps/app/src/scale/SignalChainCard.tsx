import { capital } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { bandText, budgetAt, LINKS } from '@keypost/core/scaling';
import { unlessRefused } from '@keypost/core/model';
import { hasTwoUnits } from '@keypost/core/units';
import type { LinkKey } from '@keypost/core/scaling';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Card } from '../ui/Card';
import { useShownUnits } from '../ui/shownUnits';
import { Text } from '../ui/Text';
import { UnitSwitch } from '../ui/UnitSwitch';
import { linkNumber, linkShown, linkText, spreadShown } from '../chain/chainText';
import type { LinkText } from '../chain/chainText';
import type { ChainMoment } from '../chain/useChain';

/** The chain link by link. Each can be moved; the others follow, forwards and backwards. */
export function SignalChainCard({ point, moment }: { point: OpenPoint; moment: ChainMoment }) {
  const [open, setOpen] = useState<LinkKey>();
  const { made, state } = moment;
  const system = useShownUnits();
  const words = useMemo(() => linkText(made), [made]);
  const value = state.rows.value.value;
  const spread = useMemo(() => plusMinus(point, moment), [point, moment]);
  return (
    <Card
      title="Chain"
      aside={
        <View className="flex-row items-center gap-2">
          <Text as="small">touch a value</Text>
          {hasTwoUnits(words.value.unit) && <UnitSwitch unit={words.value.unit} />}
        </View>
      }
    >
      {LINKS.map((key, i) => (
        <View key={key} className={i === 0 ? '' : 'border-t border-line'}>
          <LinkRow
            {...linkShown(key, words[key], state.rows[key].value, system)}
            moved={moment.moved === key}
            band={
              state.band !== 'range' && key !== 'value' && key !== 'signal'
                ? textOf(bandText(state.band, made.chain.input))
                : undefined
            }
            note={textOf(state.rows[key].note)}
            spread={spreadShown(spread[key], words[key].unit, system)}
            onPress={() => setOpen(open === key ? undefined : key)}
          />
          {open === key && (
            <LinkEntry
              key={`${key}-${value}`}
              words={words[key]}
              first={linkNumber(key, state.rows[key].value, words[key].digits)}
              onMove={(text) => {
                const problem = moment.move(key, text);
                if (problem === undefined) setOpen(undefined);
                return problem;
              }}
            />
          )}
        </View>
      ))}
    </Card>
  );
}

/** Worst case beside the links that have one. */
function plusMinus({ analysis }: OpenPoint, { made, state }: ChainMoment): Partial<Record<LinkKey, number>> {
  // Beyond what the sensor's function holds there is no error to be told.
  return (
    unlessRefused(() => {
      const { min, max } = made.chain.loop.at(state.rows.signal.value);
      const { worst } = budgetAt(analysis, made, state.rows.value.value);
      return { ...(!made.data && { input: (max - min) / 2 }), engineering: worst };
    }) ?? {}
  );
}

function LinkRow({
  words: { label, unit, range, digits },
  number,
  moved,
  band,
  note,
  spread,
  onPress,
}: {
  words: LinkText;
  number: string;
  moved: boolean;
  band: string | undefined;
  note: string | undefined;
  spread: number | undefined;
  onPress: () => void;
}) {
  return (
    <Pressable
      role="button"
      aria-label={`${label}: ${number} ${unit}${band ? `, ${band}` : ''}${note ? `, ${note}` : ''}`}
      onPress={onPress}
      className={`min-h-[56px] justify-center border-l-[5px] px-3 py-2 active:bg-wash ${moved ? 'border-l-accent' : 'border-l-transparent'}`}
    >
      <View className="flex-row items-center gap-2">
        <Text as="body" className="w-[98px]">
          {label}
        </Text>
        <View className="min-w-0 flex-1 flex-row flex-wrap items-baseline justify-end gap-x-1.5">
          <Text as="number" className={`text-[1.4375rem] leading-[1.75rem] ${band ? 'text-fail' : ''}`}>
            {number}
          </Text>
          <Text as="mono" className="min-w-[26px] whitespace-nowrap">
            {unit}
          </Text>
        </View>
        <View className="w-[98px] items-end">
          <Text as="small" className="text-right font-figure">
            {range}
          </Text>
          {spread !== undefined && (
            <Text as="small" className="font-figure">{`± ${spread.toFixed(Math.max(digits, 2))}`}</Text>
          )}
        </View>
      </View>
      {band && <Text as="fail">{`${band}: this is no measurement`}</Text>}
      {note && <Text as="fail">{capital(note)}</Text>}
    </Pressable>
  );
}

function LinkEntry({
  words,
  first,
  onMove,
}: {
  words: LinkText;
  first: string;
  onMove: (text: string) => string | undefined;
}) {
  const [text, setText] = useState(first.replace('−', '-'));
  const [problem, setProblem] = useState<string>();
  const move = () => setProblem(onMove(text));
  return (
    <View className="gap-2 bg-wash px-4 py-3" role="group" aria-label={`Change ${words.label}`}>
      <Field
        label={words.label}
        bare
        value={text}
        onChange={setText}
        unit={words.unit}
        problem={problem}
        inputMode="decimal"
        mono
        autoFocus
        selectTextOnFocus
        onSubmitEditing={move}
      />
      <Button label={`Move ${words.label}`} kind="main" onPress={move} />
    </View>
  );
}
