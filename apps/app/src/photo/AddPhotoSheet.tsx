import type { JobView } from '@keypost/api';
import type { PhotoSubject } from '@keypost/core/model';
import { useState } from 'react';
import { Image, View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { dropDraft, useDraftState } from '../data/drafts';
import { SaveNotice } from '../data/SaveNotice';
import { pickPicture } from '../data/saveFile';
import type { Saver } from '../data/useSave';
import { Busy } from '../ui/Busy';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Camera, ImageUp } from '../ui/laterIcons';
import { Notice } from '../ui/Notice';
import { Sheet } from '../ui/Sheet';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { keyOf } from './photosOf';
import { reduced } from './reduced';
import type { Reduced } from './reduced';

const UNREADABLE = 'This browser cannot read that picture. Take a photo, or choose a JPEG or PNG.';

/** Takes or chooses a picture, makes it small on this device, and stores it with a few words. */
export function AddPhotoSheet({
  view,
  subject,
  name,
  words = '',
  saver,
  onClose,
}: {
  view: JobView;
  subject: PhotoSubject;
  /** What it will show. */
  name: string;
  /** What may stand under it. */
  words?: string;
  saver: Saver;
  onClose: () => void;
}) {
  const draft = `${view.id}.photo.${keyOf(subject)}`;
  const [caption, setCaption] = useDraftState(draft, z.string(), words.slice(0, 120));
  const [picture, setPicture] = useState<Reduced | 'reading' | 'unreadable'>();
  const choose = async (camera: boolean) => {
    const file = await pickPicture(camera);
    if (!file) return;
    setPicture('reading');
    setPicture((await reduced(file)) ?? 'unreadable');
  };
  const done = () => {
    dropDraft(draft);
    onClose();
  };
  const store = (ready: Reduced) =>
    void saver.addPhoto({ photo: { id: uuid(), subject, caption }, picture: ready.picture }, done);
  const { ink } = useTokens();
  const ready = typeof picture === 'object' ? picture : undefined;
  return (
    <Sheet title={`Photo of ${name}`} onClose={onClose}>
      {picture === 'reading' && <Busy label="Making it small" color={ink} />}
      {picture === 'unreadable' && <Notice>{UNREADABLE}</Notice>}
      {ready ? (
        <Ready
          ready={ready}
          caption={caption}
          onCaption={setCaption}
          saver={saver}
          onStore={() => store(ready)}
          onOther={() => setPicture(undefined)}
        />
      ) : (
        <Sources onChoose={(camera) => void choose(camera)} onClose={onClose} />
      )}
    </Sheet>
  );
}

/** The picture as it will be kept, and the words under it. */
function Ready({
  ready,
  caption,
  onCaption,
  saver,
  onStore,
  onOther,
}: {
  ready: Reduced;
  caption: string;
  onCaption: (text: string) => void;
  saver: Saver;
  onStore: () => void;
  onOther: () => void;
}) {
  return (
    <>
      <Image
        source={{ uri: ready.shown }}
        aria-label="The photo that is to be stored"
        resizeMode="contain"
        className="h-[240px] w-full bg-wash"
      />
      <Field
        label="What it shows"
        hint="Such as: bracket bent. May stay empty."
        value={caption}
        onChange={onCaption}
        maxLength={120}
        onSubmitEditing={onStore}
      />
      <SaveNotice saver={saver} />
      <View className="flex-row flex-wrap gap-3">
        <Button label="Store the photo" kind="main" waiting={saver.saving} onPress={onStore} grow />
        <Button label="Another" onPress={onOther} />
      </View>
    </>
  );
}

function Sources({ onChoose, onClose }: { onChoose: (camera: boolean) => void; onClose: () => void }) {
  const { ink, plate } = useTokens();
  return (
    <>
      <Text as="small">
        It is made small here; where and when the file says it was taken stays on this device. Mind faces and
        what must not leave the site.
      </Text>
      <View className="gap-3">
        <Button
          label="Take a photo"
          kind="main"
          icon={<Camera size={20} color={plate} />}
          onPress={() => onChoose(true)}
        />
        <Button
          label="Choose a picture"
          icon={<ImageUp size={20} color={ink} />}
          onPress={() => onChoose(false)}
        />
        <Button label="Leave it" onPress={onClose} />
      </View>
    </>
  );
}
