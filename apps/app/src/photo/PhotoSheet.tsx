import type { JobView } from '@keypost/api';
import type { Photo } from '@keypost/core/model';
import { useState } from 'react';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import type { Saver } from '../data/useSave';
import { Button } from '../ui/Button';
import { dayAndTime } from '../ui/dates';
import { Field } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Text } from '../ui/Text';
import { forgetPicture, WholePicture } from './Picture';

/** A photo, large, with its words; from here it gets others, or is removed with a reason. */
export function PhotoSheet({
  view,
  photo,
  name,
  saver,
  onClose,
}: {
  view: JobView;
  photo: Photo;
  /** What it shows. */
  name: string;
  saver: Saver;
  onClose: () => void;
}) {
  const [act, setAct] = useState<'word' | 'remove'>();
  return (
    <Sheet title={name} onClose={onClose}>
      <WholePicture jobId={view.id} photo={photo} alt={photo.caption || name} />
      <View>
        {photo.caption !== '' && <Text as="body">{photo.caption}</Text>}
        <Text as="small">{`${dayAndTime(photo.at)} · ${photo.by}`}</Text>
      </View>
      <SaveNotice saver={saver} />
      {act === undefined ? (
        <View className="flex-row flex-wrap gap-3">
          <Button label="Close" kind="main" onPress={onClose} grow />
          <Button label="Change words" onPress={() => setAct('word')} />
          <Button label="Remove" kind="danger" onPress={() => setAct('remove')} />
        </View>
      ) : act === 'word' ? (
        <Words photo={photo} saver={saver} onDone={() => setAct(undefined)} />
      ) : (
        <Removal
          photo={photo}
          saver={saver}
          onKeep={() => setAct(undefined)}
          onGone={() => {
            forgetPicture(view.id, photo);
            onClose();
          }}
        />
      )}
    </Sheet>
  );
}

function Words({ photo, saver, onDone }: { photo: Photo; saver: Saver; onDone: () => void }) {
  const [caption, setCaption] = useState(photo.caption);
  const store = () => void saver.save({ kind: 'wordPhoto', id: photo.id, caption }, { then: onDone });
  return (
    <View className="gap-3">
      <Field
        label="What it shows"
        value={caption}
        onChange={setCaption}
        maxLength={120}
        autoFocus
        onSubmitEditing={store}
      />
      <View className="flex-row gap-3">
        <Button label="Store words" kind="main" waiting={saver.saving} onPress={store} grow />
        <Button label="Leave it" onPress={onDone} />
      </View>
    </View>
  );
}

function Removal({
  photo,
  saver,
  onKeep,
  onGone,
}: {
  photo: Photo;
  saver: Saver;
  onKeep: () => void;
  onGone: () => void;
}) {
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string>();
  const remove = () => {
    if (reason.trim() === '') setProblem('Say why, such as: shows a face.');
    else void saver.save({ kind: 'removePhoto', id: photo.id, reason }, { then: onGone });
  };
  return (
    <View className="gap-3">
      <Text as="body">
        The picture is deleted for good; a device that showed it may keep it for a week. Who removed it, when
        and why stays in the record.
      </Text>
      <Field
        label="Why is it removed?"
        value={reason}
        onChange={setReason}
        problem={problem}
        maxLength={200}
        autoFocus
        onSubmitEditing={remove}
      />
      <View className="flex-row gap-3">
        <Button label="Remove the photo" kind="danger" waiting={saver.saving} onPress={remove} grow />
        <Button label="Keep it" onPress={onKeep} />
      </View>
    </View>
  );
}
