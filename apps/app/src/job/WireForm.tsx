import type { JobView } from '@keypost/api';
import { colourTo, JobIndex, refText } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { COLOURS, JobProblem, splitRef } from '@keypost/core/model';
import type { Wire, WireColour } from '@keypost/core/model';
import { effectsOf } from '@keypost/core/verdict';
import type { Effects, VerdictStatus } from '@keypost/core/verdict';
import { useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { SaveNotice } from '../data/SaveNotice';
import { expecting, useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Select } from '../ui/Select';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import { jobTerminals } from './jobTerminals';
import { readSize, SizeTexts, usualSize, WireSizeFields } from './WireSizeFields';

const Ends = z.object({ from: z.string(), to: z.string(), size: SizeTexts.optional() });

/** A wire between any two terminals of a job: a new one, or one that is led elsewhere or taken away. */
export function WireForm({
  view,
  wire,
  start,
  near,
  onDone,
}: {
  view: JobView;
  /** The wire that is changed; a new one where none is given. */
  wire?: Wire;
  /** Where a new one begins and ends, where that was shown already. */
  start?: { readonly from: string; readonly to: string };
  /** The parts whose terminals are offered first. */
  near?: readonly string[];
  onDone: () => void;
}) {
  const index = useMemo(() => new JobIndex(view.content), [view]);
  const planned: z.infer<typeof Ends> = {
    from: wire?.from ?? start?.from ?? '',
    to: wire?.to ?? start?.to ?? '',
  };
  const [ends, setEnds] = useDraftState(
    `${view.id}.ends.${wire?.id ?? (start ? `${start.from} ${start.to}` : 'new')}`,
    Ends,
    planned,
  );
  const leave = () => {
    setEnds(planned);
    onDone();
  };
  const size = ends.size ?? usualSize(index);
  const [colour, setColour] = useState<WireColour | ''>(wire?.colour ?? '');
  const [removing, setRemoving] = useState(false);
  const [id] = useState(() => uuid());
  const options = useMemo(() => jobTerminals(index, near), [index, near]);
  const shown = colour === '' ? colourFor(index, ends) : colour;
  const change = useMemo(
    () => (removing && wire ? removal(wire) : changeOf(index, wire, ends, shown, id)),
    [removing, index, wire, ends, shown, id],
  );
  return (
    <View className="gap-4" role="group" aria-label={wire ? `Wire ${wire.number}` : 'New wire'}>
      {!removing && (
        <>
          <Select
            label="From"
            value={ends.from}
            options={options}
            onChange={(from) => setEnds({ ...ends, from })}
          />
          <Select label="To" value={ends.to} options={options} onChange={(to) => setEnds({ ...ends, to })} />
          <ColourField value={shown} onChange={setColour} />
          {!wire && <WireSizeFields texts={size} onChange={(next) => setEnds({ ...ends, size: next })} />}
        </>
      )}
      {change && <WhatItDoes view={view} change={change} />}
      <StoreWire view={view} wire={wire} change={change} removing={removing} onDone={leave}>
        {wire && !removing && <Button label="Take it away" kind="danger" onPress={() => setRemoving(true)} />}
        <Button label="Cancel" onPress={removing ? () => setRemoving(false) : leave} />
      </StoreWire>
    </View>
  );
}

const ColourField = ({ value, onChange }: { value: WireColour; onChange: (colour: WireColour) => void }) => (
  <Select
    label="Colour"
    value={value}
    options={COLOURS.map((colour) => ({ value: colour, label: colour }))}
    onChange={(next) => onChange(next as WireColour)}
  />
);

function StoreWire({
  view,
  wire,
  change,
  removing,
  onDone,
  children,
}: {
  view: JobView;
  wire?: Wire;
  change: Change | undefined;
  removing: boolean;
  onDone: () => void;
  children: ReactNode;
}) {
  const saver = useSave(view);
  const [seen] = useState(() => (wire ? expecting(view, 'wires', wire.id) : []));
  return (
    <>
      <SaveNotice saver={saver} />
      <View className="flex-row flex-wrap gap-3">
        <Button
          label={removing ? 'Take it away' : wire ? 'Lead it there' : 'Add the wire'}
          kind={removing ? 'danger' : 'main'}
          disabled={!change}
          waiting={saver.saving}
          onPress={() => change && void saver.save(change, { expects: seen, then: onDone })}
        />
        {children}
      </View>
    </>
  );
}

const removal = ({ id }: Wire): Change => ({ kind: 'removeWire', wireId: id });

/** The change that was answered so far; nothing while an end is missing or nothing differs. */
function changeOf(
  index: JobIndex,
  wire: Wire | undefined,
  { from, to, size = usualSize(index) }: z.infer<typeof Ends>,
  colour: WireColour,
  id: string,
): Change | undefined {
  if (from === '' || to === '' || from === to) return undefined;
  if (!wire) {
    const read = readSize(size);
    return read && { kind: 'addWire', wire: { id, from, to, colour, ...read } };
  }
  const moved: Change = { kind: 'moveWire', wireId: wire.id, from, to };
  const isMoved = from !== wire.from || to !== wire.to;
  const recoloured: Change = { kind: 'editWire', wireId: wire.id, patch: { colour } };
  if (colour === wire.colour) return isMoved ? moved : undefined;
  return isMoved ? { kind: 'batch', changes: [moved, recoloured] } : recoloured;
}

/** By the end that is a rail, if one is. */
const colourFor = (index: JobIndex, { from, to }: { from: string; to: string }): WireColour =>
  colourTo(index.job, [to, from].find((ref) => index.supply(splitRef(ref).item)) ?? to);

/** What the wire does, worked out before it is stored: rails that it joins, points that it turns. */
function WhatItDoes({ view, change }: { view: JobView; change: Change }) {
  const effects = useMemo((): Effects | { readonly problem: string } => {
    try {
      return effectsOf(view.content, change);
    } catch (error) {
      if (error instanceof JobProblem) return { problem: textOf(error.first) };
      throw error;
    }
  }, [view, change]);
  if ('problem' in effects) return <Notice>{effects.problem}</Notice>;
  const { joins, crowded, turned, unmoved } = effects;
  return (
    <View role="status" aria-label="What it does" className="gap-2 rounded-plate border-fine border-edge p-3">
      {joins.map((sentence) => (
        <Line key={textOf(sentence)} kind="cannot" text={textOf(sentence)} />
      ))}
      {alike(turned).map(({ tags, after, text }) => (
        <Line key={text} kind={after === 'works' ? 'proven' : after} text={`${listed(tags)}: ${text}`} />
      ))}
      {crowded.map((sentence) => (
        <Line key={textOf(sentence)} kind="doubtful" text={textOf(sentence)} />
      ))}
      {joins.length + turned.length === 0 && (
        <Text as="soft">
          {unmoved.length
            ? `No verdict turns. It stands in the circuit of ${listed(unmoved)}.`
            : 'It is in the circuit of no point.'}
        </Text>
      )}
    </View>
  );
}

/** Points of which the same is to be said. */
function alike(turned: Effects['turned']): { tags: string[]; after: VerdictStatus; text: string }[] {
  const groups = new Map<string, { tags: string[]; after: VerdictStatus; text: string }>();
  for (const { tag, after, sentence } of turned) {
    const text = textOf(sentence);
    const group = groups.get(text);
    if (group) group.tags.push(tag);
    else groups.set(text, { tags: [tag], after, text });
  }
  return [...groups.values()];
}

/** So many tags are told. */
const MOST_TOLD = 6;

const listed = (tags: readonly string[]): string =>
  tags.length > MOST_TOLD
    ? `${tags.slice(0, MOST_TOLD).join(', ')} and ${tags.length - MOST_TOLD} more`
    : tags.join(', ');

function Line({ kind, text }: { kind: Parameters<typeof StatusIcon>[0]['kind']; text: string }) {
  return (
    <View className="flex-row gap-2">
      <StatusIcon kind={kind} size={22} />
      <Text as="body" className="min-w-0 flex-1">
        {text}
      </Text>
    </View>
  );
}

/** A wire's ends in words. */
export const wireText = (index: JobIndex, { from, to }: Pick<Wire, 'from' | 'to'>): string =>
  `${refText(index, from)} to ${refText(index, to)}`;
