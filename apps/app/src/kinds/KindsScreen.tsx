import type { JobView } from '@keypost/api';
import { partTypesOf, USUAL_MODULE } from '@keypost/core/catalog';
import { readKindFile } from '@keypost/core/job';
import { JobProblem, problemText } from '@keypost/core/model';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { deviceRefusal, deviceChoice, DEVICE_SIGHTS, moduleChoice } from '../job/kindOptions';
import { pickFile } from '../data/saveFile';
import { JobPage } from '../job/JobPage';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { KindForm } from './KindForm';
import type { Draft } from './KindForm';
import { KindRow, LibraryRow } from './KindRows';
import { useLibrary } from './library';

/** Not in the list: kinds of devices and modules of one's own, in this job and in one's library. */
export function KindsScreen() {
  return (
    <JobPage pair title="Not in the list" back="/about" what="the job">
      {(view) => <Kinds view={view} />}
    </JobPage>
  );
}

function Kinds({ view }: { view: JobView }) {
  const [draft, setDraft] = useState<Draft>();
  const done = () => setDraft(undefined);
  if (draft) return <KindForm view={view} draft={draft} onDone={done} />;
  return (
    <>
      <Text as="body">
        Start from the kind that comes nearest and change what its datasheet says otherwise: leads, outputs,
        channels, figures. It is solved like any other.
      </Text>
      <Beside
        left={<StartCard view={view} onDraft={setDraft} />}
        right={
          <>
            <JobCard view={view} onDraft={setDraft} />
            <LibraryCard view={view} />
          </>
        }
      />
    </>
  );
}

function StartCard({ view, onDraft }: { view: JobView; onDraft: (draft: Draft) => void }) {
  const { of } = useLocalSearchParams<{ of?: string }>();
  const types = partTypesOf(view.content);
  const [chosen, setChosen] = useState(
    of === 'module' ? `m:${USUAL_MODULE}` : `d:${types.devices[0]?.id ?? ''}`,
  );
  const [refused, setRefused] = useState<string>();
  const options = [
    ...types.devices.map((type) => ({ ...deviceChoice(type), value: `d:${type.id}` })),
    ...types.modules.map((type) => ({
      ...moduleChoice(type),
      value: `m:${type.id}`,
      group: `Module: ${type.group}`,
    })),
  ];
  const start = () => {
    const typeId = chosen.slice(2);
    const isModule = chosen.startsWith('m:');
    const like = isModule ? types.module({ typeId }) : types.device({ typeId });
    const description = { ...like.description, id: freeId(view, like.id), name: `${like.name}, own` };
    onDraft({ collection: isModule ? 'ownModules' : 'ownDevices', description, isNew: true });
  };
  const read = async () => {
    const text = await pickFile('.json,application/json');
    if (text === undefined) return;
    try {
      const { collection, own } = readKindFile(text);
      onDraft({ collection, description: own.description, isNew: true });
    } catch (error) {
      if (!(error instanceof JobProblem)) throw error;
      setRefused(said(error));
    }
  };
  return (
    <Card title="A kind of your own">
      <Row first className="gap-4">
        <Select
          label="Comes nearest to"
          value={chosen}
          options={options}
          onChange={setChosen}
          sights={DEVICE_SIGHTS}
          refusal={deviceRefusal}
        />
        <Button label="Start from it" kind="main" onPress={start} />
        <Button label="Read its file" onPress={() => void read()} />
        {refused && (
          <Notice actions={<Button label="Close" onPress={() => setRefused(undefined)} />}>{refused}</Notice>
        )}
      </Row>
    </Card>
  );
}

/** What is wrong with a description, a line each. */
const said = ({ problems }: JobProblem): string =>
  ['It was not taken, and nothing was changed.', ...problems.slice(0, 6).map(problemText)].join('\n');

/** An id that nothing has yet, after that of the kind that it is like. */
function freeId({ content }: JobView, like: string): string {
  const types = partTypesOf(content);
  const taken = new Set([...types.devices, ...types.modules].map(({ id }) => id));
  const base = like.replace(/-own\d*$/, '').slice(0, 40);
  for (let n = 1; ; n++) {
    const id = `${base}-own${n === 1 ? '' : n}`;
    if (!taken.has(id)) return id;
  }
}

function JobCard({ view, onDraft }: { view: JobView; onDraft: (draft: Draft) => void }) {
  const rows = (['ownDevices', 'ownModules'] as const).flatMap((collection) =>
    view.content[collection].map((own) => ({ collection, own })),
  );
  return (
    <Card title="In this job" aside={<Text as="mono">{String(rows.length)}</Text>}>
      {rows.length === 0 && (
        <Row first>
          <Text as="soft">None yet.</Text>
        </Row>
      )}
      {rows.map(({ collection, own }, i) => (
        <KindRow
          key={`${collection} ${own.id}`}
          view={view}
          kind={{ collection, ...own }}
          first={i === 0}
          onEdit={() => onDraft({ collection, description: own.description, isNew: false })}
        />
      ))}
    </Card>
  );
}

function LibraryCard({ view }: { view: JobView }) {
  const library = useLibrary();
  if (library.length === 0) return null;
  return (
    <Card title="In your library" aside={<Text as="mono">{String(library.length)}</Text>}>
      {library.map((kind, i) => (
        <LibraryRow key={`${kind.collection} ${kind.id}`} view={view} kind={kind} first={i === 0} />
      ))}
    </Card>
  );
}
