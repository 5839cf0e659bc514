import type { JobView } from '@keypost/api';
import type { PhotoSubject } from '@keypost/core/model';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { SCRATCH } from '../data/server';
import { useSave } from '../data/useSave';
import { Camera } from '../ui/laterIcons';
import { useTokens } from '../ui/theme';
import { AddPhotoSheet } from './AddPhotoSheet';
import { photosOf } from './photosOf';
import { PhotoSheet } from './PhotoSheet';
import { SmallPicture } from './Picture';

interface Marked {
  readonly view: JobView;
  readonly subject: PhotoSubject;
  /** What they show. */
  readonly name: string;
}

/** The photos of something as small marks; a thumb on one shows it. Nothing where there are none. */
export function PhotoMarks({ view, subject, name }: Marked) {
  const saver = useSave(view);
  const [open, setOpen] = useState<string>();
  const photos = photosOf(view.content, subject);
  const shown = photos.find(({ id }) => id === open);
  if (photos.length === 0) return null;
  return (
    <View className="flex-row flex-wrap gap-2">
      {photos.map((photo, i) => (
        <Pressable
          key={photo.id}
          role="button"
          aria-label={`Photo ${i + 1} of ${name}${photo.caption && `: ${photo.caption}`}`}
          onPress={() => setOpen(photo.id)}
        >
          <SmallPicture jobId={view.id} photo={photo} />
        </Pressable>
      ))}
      {shown && (
        <PhotoSheet view={view} photo={shown} name={name} saver={saver} onClose={() => setOpen(undefined)} />
      )}
    </View>
  );
}

/** The sign that adds a photo. What is only tried has no place for one. */
export function AddPhoto({ view, subject, name, words }: Marked & { readonly words?: string }) {
  const saver = useSave(view);
  const [adding, setAdding] = useState(false);
  const { soft } = useTokens();
  if (view.id === SCRATCH) return null;
  return (
    <>
      <Pressable
        role="button"
        aria-label={`Add a photo of ${name}`}
        onPress={() => setAdding(true)}
        className="no-print -my-2 min-h-[48px] min-w-[48px] items-center justify-center active:opacity-70"
      >
        <Camera size={22} color={soft} />
      </Pressable>
      {adding && (
        <AddPhotoSheet
          view={view}
          subject={subject}
          name={name}
          words={words}
          saver={saver}
          onClose={() => setAdding(false)}
        />
      )}
    </>
  );
}
