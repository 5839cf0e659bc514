import { useId, useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { vars } from 'nativewind';
import { Button } from './Button';
import { Field } from './Field';
import { Check, ChevronRight, X } from './icons';
import { Notice } from './Notice';
import { OptionTile } from './OptionTile';
import { filtered, found, wordsOf } from './choices';
import type { Choice, Filters } from './choices';
import { recentOf, rememberChosen } from './recent';
import { Text } from './Text';
import { useScheme, useTokens } from './theme';
import { variables } from './tokens';

/** A kind of sight by which one chooses, with its word. */
export interface Sight {
  readonly kind: string;
  readonly label: string;
}

interface Chosen {
  readonly label: string;
  readonly value: string;
  readonly options: readonly Choice[];
  readonly onChange: (value: string) => void;
  /** By what is seen of it. */
  readonly sights?: readonly Sight[];
  /** Why what is sought is not offered here at all. */
  readonly refusal?: (sought: string) => string | undefined;
  /** Stands under the list, for what is not in it. */
  readonly foot?: (close: () => void) => ReactNode;
}

/** One of many: what is chosen, and a page over this one in which it is found. */
export function ChooserField({ problem, hint, ...chosen }: Chosen & { problem?: string; hint?: string }) {
  const [isOpen, setOpen] = useState(false);
  const { soft } = useTokens();
  const id = useId();
  const { label, value, options } = chosen;
  const now = options.find((option) => option.value === value);
  return (
    <View className="gap-1.5">
      <Text as="strong">{label}</Text>
      <Pressable
        role="combobox"
        aria-label={label}
        aria-expanded={isOpen}
        aria-invalid={problem !== undefined}
        aria-describedby={`${id}-now`}
        onPress={() => setOpen(true)}
        className={`min-h-[48px] flex-row items-center gap-2 rounded-plate border-fine bg-plate px-4 py-2 ${problem ? 'border-fail' : 'border-rim'}`}
      >
        <Text as="body" nativeID={`${id}-now`} className="min-w-0 flex-1">
          {now?.label ?? 'choose …'}
        </Text>
        <ChevronRight size={20} color={soft} />
      </Pressable>
      {problem ? <Text as="fail">{problem}</Text> : hint && <Text as="small">{hint}</Text>}
      {isOpen && <Chooser {...chosen} onClose={() => setOpen(false)} />}
    </View>
  );
}

/** The page in which one of many is found: by search, by what is seen of it, by what was chosen last. */
function Chooser({
  label,
  value,
  options,
  onChange,
  sights = [],
  refusal,
  foot,
  onClose,
}: Chosen & { onClose: () => void }) {
  const [sought, setSought] = useState('');
  const [filters, setFilters] = useState<Filters>({});
  const choose = (next: string) => {
    rememberChosen(label, next);
    onChange(next);
    onClose();
  };
  const seen = useMemo(() => filtered(options, filters), [options, filters]);
  const hits = found(seen, sought);
  const isFiltered = Object.keys(filters).length > 0;
  const isSought = sought.trim() !== '';
  const last = isSought || isFiltered ? [] : recentOf(label);
  const refused = refusal?.(sought);
  return (
    <OverAll label={label} onClose={onClose}>
      <View className="gap-3 px-4 pb-3">
        <Field
          label="Search"
          bare
          placeholder="Search by name or word"
          value={sought}
          onChange={setSought}
          onSubmitEditing={() => refused === undefined && hits[0] && choose(hits[0].value)}
        />
        <Sights options={options} sights={sights} filters={filters} onChange={setFilters} />
      </View>
      <ScrollView className="flex-1 border-t border-line bg-plate" contentContainerClassName="grow pb-6">
        {refused === undefined ? (
          <>
            {hits.length === 0 && <NoHit onAll={isFiltered ? () => setFilters({}) : undefined} />}
            <Hits
              label={label}
              groups={isSought ? [{ name: '', items: hits }] : groupsOf(hits, last)}
              value={value}
              onChoose={choose}
            />
            {foot?.(onClose)}
          </>
        ) : (
          <View className="px-4 py-4">
            <Notice>{refused}</Notice>
          </View>
        )}
      </ScrollView>
    </OverAll>
  );
}

function NoHit({ onAll }: { onAll: (() => void) | undefined }) {
  return (
    <View className="items-start gap-3 px-4 py-4">
      <Text as="soft">Nothing of this kind is here.</Text>
      {onAll && <Button label="Look among all" onPress={onAll} />}
    </View>
  );
}

/** A page over the whole of this one, with its name and the way out. */
function OverAll({ label, onClose, children }: { label: string; onClose: () => void; children: ReactNode }) {
  const scheme = useScheme();
  const { ink } = useTokens();
  return (
    <Modal visible transparent onRequestClose={onClose}>
      <View style={vars(variables(scheme))} className="flex-1 items-center bg-bone">
        <View className="min-h-0 w-full max-w-[680px] flex-1">
          <View className="flex-row items-center gap-3 px-4 py-2">
            <Text as="title" className="min-w-0 flex-1">
              {label}
            </Text>
            <Pressable
              role="button"
              aria-label="Close"
              onPress={onClose}
              className="-mr-3 h-[48px] w-[48px] items-center justify-center"
            >
              <X size={28} color={ink} />
            </Pressable>
          </View>
          {children}
        </View>
      </View>
    </Modal>
  );
}

interface Group {
  readonly name: string;
  readonly items: readonly Choice[];
}

function Hits({
  label,
  groups,
  value,
  onChoose,
}: {
  label: string;
  groups: readonly Group[];
  value: string;
  onChoose: (value: string) => void;
}) {
  return (
    <View role="radiogroup" aria-label={label}>
      {groups.map(({ name, items }) => (
        <View key={name}>
          {name !== '' && (
            <Text as="small" className="bg-bone px-4 pb-1 pt-3 font-wordbold">
              {name}
            </Text>
          )}
          {items.map((choice) => (
            <ChoiceRow
              key={choice.value}
              choice={choice}
              isChosen={choice.value === value}
              onPress={() => onChoose(choice.value)}
            />
          ))}
        </View>
      ))}
    </View>
  );
}

function ChoiceRow({
  choice: { value, label, hint },
  isChosen,
  onPress,
}: {
  choice: Choice;
  isChosen: boolean;
  onPress: () => void;
}) {
  const { accent } = useTokens();
  return (
    <Pressable
      role="radio"
      aria-checked={isChosen}
      aria-label={label}
      testID={value}
      tabIndex={0}
      onPress={onPress}
      className="min-h-[52px] flex-row items-center gap-3 border-b border-line px-4 py-2 active:bg-wash"
    >
      <View className="min-w-0 flex-1">
        <Text as="body">{label}</Text>
        {hint !== undefined && hint !== '' && <Text as="small">{hint}</Text>}
      </View>
      {isChosen && <Check size={22} color={accent} />}
    </Pressable>
  );
}

/** What somebody sees of it: one kind of sight is open at a time. */
function Sights({
  options,
  sights,
  filters,
  onChange,
}: {
  options: readonly Choice[];
  sights: readonly Sight[];
  filters: Filters;
  onChange: (filters: Filters) => void;
}) {
  const [open, setOpen] = useState<string>();
  if (sights.length === 0) return null;
  const pick = (kind: string, word: string) => {
    const { [kind]: was, ...others } = filters;
    onChange(was === word ? others : { ...filters, [kind]: word });
    setOpen(undefined);
  };
  return (
    <View className="gap-2" role="group" aria-label="By what you see">
      <View className="flex-row flex-wrap gap-2">
        {sights.map(({ kind, label }) => (
          <Pressable
            key={kind}
            role="button"
            aria-label={label}
            aria-expanded={open === kind}
            onPress={() => setOpen(open === kind ? undefined : kind)}
            className={`min-h-[48px] justify-center rounded-plate border-fine px-3 py-1 ${filters[kind] !== undefined ? 'border-accent bg-wash' : open === kind ? 'border-ink bg-plate' : 'border-rim bg-plate'}`}
          >
            <Text as="strong">{filters[kind] ?? label}</Text>
          </Pressable>
        ))}
      </View>
      {open !== undefined && (
        <View className="flex-row flex-wrap gap-2">
          {wordsOf(options, filters, open).map((word) => (
            <OptionTile
              key={word}
              label={word}
              isOn={filters[open] === word}
              onPress={() => pick(open, word)}
            />
          ))}
        </View>
      )}
    </View>
  );
}

/** Choices under their headings in the order in which these come; before them what was chosen last. */
function groupsOf(choices: readonly Choice[], recent: readonly string[]): Group[] {
  const last = recent.flatMap((value) => choices.find((choice) => choice.value === value) ?? []);
  const names = [...new Set(choices.map(({ group = '' }) => group))];
  return [
    ...(last.length ? [{ name: 'Chosen last', items: last }] : []),
    ...names.map((name) => ({ name, items: choices.filter(({ group = '' }) => group === name) })),
  ];
}
