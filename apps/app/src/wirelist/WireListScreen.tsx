import { fileName, sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { JobIndex, partsOf, refText } from '@keypost/core/job';
import { JobProblem } from '@keypost/core/model';
import { readWireList, terminalSheet, wireList, writeWireList } from '@keypost/core/planning';
import type { Change } from '@keypost/core/job';
import type { ListedWire } from '@keypost/core/planning';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { WireSwatch } from '../asfound/WireRow';
import { pickFile, saveFile } from '../data/saveFile';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { JobPage } from '../job/JobPage';
import { AddWire } from '../job/AddWire';
import { WireForm, wireText } from '../job/WireForm';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { FileUp } from '../ui/icons';
import { Download, Printer } from '../ui/laterIcons';
import { useShownUnits, wireSize } from '../ui/shownUnits';
import { UnitSwitch } from '../ui/UnitSwitch';
import { useTokens } from '../ui/theme';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { printSheet } from './printSheet';

/** Every wire by its terminal; out as CSV, in again after it was edited, and the terminal sheet on paper. */
export function WireListScreen() {
  return (
    <JobPage pair title="Wire list" back="/panel" aside={<UnitSwitch unit="mm²" />} what="the wires">
      {(view) => (
        <Beside
          left={
            <>
              <Files view={view} />
              <AddWire view={view} kind="main" />
            </>
          }
          right={<List view={view} />}
        />
      )}
    </JobPage>
  );
}

/** What a list that was read would change, or why it cannot be taken. */
type Read =
  | { readonly kind: 'same' }
  | { readonly kind: 'change'; readonly change: Change }
  | { readonly kind: 'refused'; readonly lines: readonly string[] };

function Files({ view }: { view: JobView }) {
  const { ink } = useTokens();
  const [read, setRead] = useState<Read>();
  const { name } = view.content;
  const out = () =>
    saveFile(fileName(`${name} wires`, 'csv'), 'text/csv;charset=utf-8', writeWireList(view.content));
  const take = async () => {
    const text = await pickFile('.csv,text/csv');
    if (text !== undefined) setRead(readIn(view, text));
  };
  return (
    <Card title="Take it away and bring it back">
      <Row first className="gap-3">
        <Button label="Save the list as CSV" icon={<Download size={20} color={ink} />} onPress={out} />
        <Button label="Read a list" icon={<FileUp size={20} color={ink} />} onPress={() => void take()} />
        <Button
          label="Print the terminal sheet"
          icon={<Printer size={20} color={ink} />}
          onPress={() => printSheet(`${name}, terminals`, terminalSheet(view.content))}
        />
        {read && <ReadIn view={view} read={read} onDone={() => setRead(undefined)} />}
      </Row>
    </Card>
  );
}

function readIn(view: JobView, text: string): Read {
  try {
    const change = readWireList(view.content, text);
    return change ? { kind: 'change', change } : { kind: 'same' };
  } catch (error) {
    if (!(error instanceof JobProblem)) throw error;
    return {
      kind: 'refused',
      lines: error.problems.map(({ path, message }) => `${path}: ${textOf(message)}`),
    };
  }
}

/** The change that a list would make, to be accepted; or every line that is wrong with it. */
function ReadIn({ view, read, onDone }: { view: JobView; read: Read; onDone: () => void }) {
  const saver = useSave(view);
  if (read.kind === 'same') return <Text as="body">The list says what the job says. Nothing to change.</Text>;
  if (read.kind === 'refused')
    return (
      <Notice actions={<Button label="Close" onPress={onDone} />}>
        {`The list was not taken, and nothing was changed.\n${read.lines.join('\n')}`}
      </Notice>
    );
  const parts = partsOf(read.change);
  return (
    <View
      className="gap-3 rounded-plate border-fine border-accent bg-wash p-4"
      role="group"
      aria-label="Changes read"
    >
      <Text as="strong">{`${parts.length} ${parts.length === 1 ? 'wire changes' : 'wires change'}`}</Text>
      {parts.slice(0, 12).map((part) => (
        <Text as="small" key={part.kind === 'editWire' ? part.wireId : part.kind}>
          {changeText(view, part)}
        </Text>
      ))}
      {parts.length > 12 && <Text as="small">{`and ${parts.length - 12} more`}</Text>}
      <SaveNotice saver={saver} />
      <View className="flex-row gap-3">
        <Button
          label="Take the changes"
          kind="main"
          grow
          waiting={saver.saving}
          onPress={() => void saver.save(read.change, { then: onDone })}
        />
        <Button label="Leave it" onPress={onDone} />
      </View>
    </View>
  );
}

function changeText({ content }: JobView, change: Change): string {
  if (change.kind !== 'editWire') return '';
  const wire = sure(content.wires.find(({ id }) => id === change.wireId));
  const parts = Object.entries(change.patch).map(
    ([key, value]) => `${NAMES[key] ?? key} ${String(wire[key as 'colour'] ?? 'none')} to ${String(value)}`,
  );
  return `Wire ${wire.number}: ${parts.join(', ')}`;
}

const NAMES: Readonly<Record<string, string>> = { lengthM: 'length', mm2: 'section' };

/** So many wires are drawn before one asks for more. */
const PAGE = 60;

function List({ view }: { view: JobView }) {
  const [sought, setSought] = useState('');
  const [shown, setShown] = useState(PAGE);
  const all = useMemo(() => wireList(view.content), [view]);
  const index = useMemo(() => new JobIndex(view.content), [view]);
  const text = sought.trim().toLowerCase();
  const found = all.filter((listed) => text === '' || wordsOf(listed).toLowerCase().includes(text));
  return (
    <Card title="By terminal" aside={<Text as="number">{String(found.length)}</Text>}>
      <Row first>
        <Field label="Find a tag, terminal, number or cable" value={sought} onChange={setSought} />
      </Row>
      {found.slice(0, shown).map((listed) => (
        <ListRow key={listed.wire.id} view={view} index={index} listed={listed} />
      ))}
      {found.length > shown && (
        <Row>
          <Button
            label={`Show ${Math.min(PAGE, found.length - shown)} more`}
            onPress={() => setShown(shown + PAGE)}
          />
        </Row>
      )}
    </Card>
  );
}

const wordsOf = ({ wire, from, to }: ListedWire): string =>
  [wire.number, from.item, from.terminal, to.item, to.terminal, wire.cable, wire.colour].join(' ');

function ListRow({ view, index, listed }: { view: JobView; index: JobIndex; listed: ListedWire }) {
  const [isOpen, setOpen] = useState(false);
  const { wire } = listed;
  return (
    <Row className="gap-3 py-0">
      <Pressable
        role="button"
        aria-label={`Wire ${wire.number}, ${wireText(index, wire)}`}
        aria-expanded={isOpen}
        onPress={() => setOpen(!isOpen)}
        className="min-h-[52px] justify-center active:bg-wash"
      >
        <ListedText index={index} listed={listed} />
      </Pressable>
      {isOpen && (
        <View className="pb-3">
          <WireForm view={view} wire={wire} onDone={() => setOpen(false)} />
        </View>
      )}
    </Row>
  );
}

function ListedText({ index, listed: { wire, from, to, found } }: { index: JobIndex; listed: ListedWire }) {
  const system = useShownUnits();
  const place = (ref: string, { where }: ListedWire['from']) =>
    `${refText(index, ref)}${where ? ` (${textOf(where)})` : ''}`;
  return (
    <View className="flex-row items-center gap-3 py-2">
      <WireSwatch colour={wire.colour} />
      <View className="min-w-0 flex-1">
        <Text as="strong">{`${place(wire.from, from)}  →  ${place(wire.to, to)}`}</Text>
        <Text as="small">
          {[
            `number ${wire.number}`,
            ...wireSize(wire, system),
            wire.cable && `cable ${wire.cable}`,
            wire.core && `core ${wire.core}`,
            wire.ferrule && `ferrule ${wire.ferrule}`,
          ]
            .filter(Boolean)
            .join(', ')}
        </Text>
        {found !== '' && (
          <Text as="small" className="font-wordsemi text-wait">
            {textOf(found)}
          </Text>
        )}
      </View>
    </View>
  );
}
