import type { BoardRow } from '@keypost/api';
import { JobIndex } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { readStored, store } from '../data/stored';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Select } from '../ui/Select';
import { MARK_TEXT } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import { ASK_ALL, askedRows, BoardAsk, factsOf, valuesOf } from './boardFilter';
import type { BoardItem, PointFacts } from './boardFilter';
import { STAGE_NAMES } from './stageNames';

/** Finds, filters, sorts and groups the points of a board; what is asked is kept for the job. */
export function BoardFinder<Row extends BoardRow>({
  jobId,
  content,
  rows,
  narrow,
  onFound,
}: {
  jobId: string;
  content: JobContent;
  rows: readonly Row[];
  narrow: boolean;
  /** Told what is to be shown whenever that changes. */
  onFound: (items: BoardItem<Row>[]) => void;
}) {
  const key = `keypost.board.${jobId}`;
  const [ask, setAsk] = useState<BoardAsk>(() => readStored(key, BoardAsk) ?? ASK_ALL);
  const [isOpen, setOpen] = useState(false);
  const facts = useMemo(() => factsOf(new JobIndex(content)), [content]);
  const items = useMemo(() => askedRows(rows, facts, ask), [rows, facts, ask]);
  useEffect(() => onFound(items), [items, onFound]);
  const change = (patch: Partial<BoardAsk>): void => {
    const next = { ...ask, ...patch };
    setAsk(next);
    store(key, next);
  };
  const filters = FILTERS.filter((name) => ask[name] !== ASK_ALL[name]).length;
  const shown = items.filter(({ is }) => is === 'row').length;
  const isAsked = filters > 0 || ask.text !== '';
  return (
    <View className="no-print gap-2" role="group" aria-label="Find points">
      <View className="flex-row items-end gap-2">
        <View className="min-w-0 flex-1">
          <Field
            label="Find a point"
            bare
            value={ask.text}
            onChange={(text) => change({ text })}
            placeholder="Find: tag, name, kind, module"
            inputMode="search"
            testID="find"
          />
        </View>
        <Button
          label={isOpen ? 'Close' : filters ? `Filter, ${filters}` : 'Filter'}
          onPress={() => setOpen(!isOpen)}
        />
      </View>
      {isOpen && <Filters ask={ask} facts={facts} narrow={narrow} change={change} />}
      {isAsked && (
        <View className="flex-row items-center justify-between gap-3">
          <Text as="small">{`${shown} of ${rows.length} points`}</Text>
          <Button label="Show all" kind="bare" onPress={() => change(ASK_ALL)} />
        </View>
      )}
    </View>
  );
}

const FILTERS = ['state', 'stage', 'area', 'module', 'kind', 'sort', 'group'] as const;

const named = (names: Readonly<Record<string, string>>): { value: string; label: string }[] =>
  Object.entries(names).map(([value, label]) => ({ value, label }));

function Filters({
  ask,
  facts,
  narrow,
  change,
}: {
  ask: BoardAsk;
  facts: ReadonlyMap<string, PointFacts>;
  narrow: boolean;
  change: (patch: Partial<BoardAsk>) => void;
}) {
  const asked = (
    label: string,
    name: (typeof FILTERS)[number],
    options: readonly { value: string; label: string }[],
  ) => (
    <View className={narrow ? 'w-full' : 'min-w-[150px] flex-1'}>
      <Select
        label={label}
        value={ask[name]}
        options={options}
        onChange={(value) => change({ [name]: value })}
      />
    </View>
  );
  const orAny = (options: readonly { value: string; label: string }[]) => [
    { value: '', label: 'any' },
    ...options,
  ];
  return (
    <View className="flex-row flex-wrap gap-3 rounded-plate border-fine border-edge bg-plate p-3">
      {asked('State', 'state', orAny(named(MARK_TEXT)))}
      {asked('Stage it is in', 'stage', orAny(named(STAGE_NAMES)))}
      {asked('Area', 'area', orAny(valuesOf(facts, 'area')))}
      {asked('Module', 'module', orAny(valuesOf(facts, 'module')))}
      {asked('Kind', 'kind', orAny(valuesOf(facts, 'kind')))}
      {asked(
        'In order of',
        'sort',
        named({ need: 'need', tag: 'tag', name: 'name', area: 'area', module: 'module' }),
      )}
      {asked('In groups by', 'group', named({ none: 'none', area: 'area', module: 'module' }))}
    </View>
  );
}
