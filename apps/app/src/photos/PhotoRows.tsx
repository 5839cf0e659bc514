import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import type { JobIndex } from '@keypost/core/job';
import type { Photo, PhotoSubject } from '@keypost/core/model';
import { checkName } from '@keypost/core/proving';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useSave } from '../data/useSave';
import { PhotoSheet } from '../photo/PhotoSheet';
import { SmallPicture } from '../photo/Picture';
import { Row } from '../ui/Card';
import { dayAndTime } from '../ui/dates';
import { Text } from '../ui/Text';

/** What a photo shows, in words. */
export function shownBy(index: JobIndex, subject: PhotoSubject): string {
  const { job } = index;
  if (subject.kind === 'part') {
    const { itemId } = subject;
    const parts = [...job.devices, ...job.modules, ...job.supplies];
    return parts.find(({ id }) => id === itemId)?.tag ?? itemId;
  }
  const tag = job.points.find(({ id }) => id === subject.pointId)?.tag ?? subject.pointId;
  if (subject.kind === 'point') return tag;
  if (subject.kind === 'step') return `${tag}, a step`;
  const result = job.results.find(({ id }) => id === subject.resultId);
  return result ? `${tag}, ${textOf(checkName(result.check))}` : tag;
}

/** Photos, each a row: its mark, its words, what it shows and who took it; one that was removed says why. */
export function PhotoRows({
  view,
  index,
  photos,
}: {
  view: JobView;
  index: JobIndex;
  photos: readonly Photo[];
}) {
  const saver = useSave(view);
  const [open, setOpen] = useState<string>();
  const shown = photos.find(({ id, removed }) => id === open && !removed);
  return (
    <View role="list" aria-label="Photos">
      {photos.map((photo, i) => (
        <Row key={photo.id} first={i === 0} className="py-2">
          <PhotoRow
            view={view}
            photo={photo}
            name={shownBy(index, photo.subject)}
            onOpen={() => setOpen(photo.id)}
          />
        </Row>
      ))}
      {shown && (
        <PhotoSheet
          view={view}
          photo={shown}
          name={shownBy(index, shown.subject)}
          saver={saver}
          onClose={() => setOpen(undefined)}
        />
      )}
    </View>
  );
}

function PhotoRow({
  view,
  photo,
  name,
  onOpen,
}: {
  view: JobView;
  photo: Photo;
  name: string;
  onOpen: () => void;
}) {
  const { removed, caption } = photo;
  const words = (
    <View className="min-w-0 flex-1">
      <Text as="strong">{caption || name}</Text>
      <Text as="small">{`${caption ? `${name} · ` : ''}${dayAndTime(photo.at)} · ${photo.by}`}</Text>
      {removed && (
        <Text as="small" className="text-wait">
          {`Removed ${dayAndTime(removed.at)} by ${removed.by}: ${removed.reason}`}
        </Text>
      )}
    </View>
  );
  if (removed)
    return (
      <View role="listitem" className="flex-row items-center gap-3">
        {words}
      </View>
    );
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-label={`Open the photo: ${caption || name}`}
        onPress={onOpen}
        className="min-h-[56px] flex-row items-center gap-3 active:bg-wash"
      >
        <SmallPicture jobId={view.id} photo={photo} size={56} />
        {words}
      </Pressable>
    </View>
  );
}
