import type { JobView } from '@keypost/api';
import { writeKindFile } from '@keypost/core/job';
import { View } from 'react-native';
import { fileName } from '@keypost/core/lists';
import { saveFile } from '../data/saveFile';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { keepInLibrary, removeFromLibrary, useLibrary } from './library';
import type { LibraryKind } from './library';

const nameOf = ({ description, id }: LibraryKind): string =>
  typeof description.name === 'string' ? description.name : id;

const save = (kind: LibraryKind): void =>
  saveFile(
    fileName(nameOf(kind), 'json'),
    'application/json',
    writeKindFile(kind.collection, kind.description),
  );

/** A kind of the job: changed, saved as a file, kept in the library, or taken out where nothing is of it. */
export function KindRow({
  view,
  kind,
  first,
  onEdit,
}: {
  view: JobView;
  kind: LibraryKind;
  first: boolean;
  onEdit: () => void;
}) {
  const saver = useSave(view);
  const kept = useLibrary().some(
    (other) => other.id === kind.id && JSON.stringify(other.description) === JSON.stringify(kind.description),
  );
  const { collection, id } = kind;
  const used = [...view.content.devices, ...view.content.modules].filter(({ typeId }) => typeId === id);
  return (
    <Row first={first} className="gap-3">
      <View>
        <Text as="strong">{nameOf(kind)}</Text>
        <Text as="small">
          {used.length ? `used by ${used.map(({ tag }) => tag).join(', ')}` : 'not used yet'}
        </Text>
      </View>
      <SaveNotice saver={saver} />
      <View className="flex-row flex-wrap gap-3">
        <Button label="Change" onPress={onEdit} />
        <Button label="Save as a file" onPress={() => save(kind)} />
        {kept ? (
          <Text as="small" className="self-center">
            in your library
          </Text>
        ) : (
          <Button label="Keep in your library" onPress={() => keepInLibrary(kind)} />
        )}
        {used.length === 0 && (
          <Button
            label="Take it out"
            kind="danger"
            waiting={saver.saving}
            onPress={() => void saver.save({ kind: 'removeOwnKind', collection, id })}
          />
        )}
      </View>
    </Row>
  );
}

/** A kind of the library: into this job, or out of the library. */
export function LibraryRow({ view, kind, first }: { view: JobView; kind: LibraryKind; first: boolean }) {
  const saver = useSave(view);
  const { collection, id, description } = kind;
  const here = view.content[collection].some((own) => own.id === id);
  const take = () => void saver.save({ kind: 'setOwnKind', collection, own: { id, description } });
  return (
    <Row first={first} className="gap-3">
      <Text as="strong">{nameOf(kind)}</Text>
      <SaveNotice saver={saver} />
      <View className="flex-row flex-wrap gap-3">
        {here ? (
          <Text as="small" className="self-center">
            in this job
          </Text>
        ) : (
          <Button label="Take it into this job" kind="main" waiting={saver.saving} onPress={take} />
        )}
        <Button label="Save as a file" onPress={() => save(kind)} />
        <Button label="Remove" kind="bare" onPress={() => removeFromLibrary(kind)} />
      </View>
    </Row>
  );
}
