import { keptPhotos } from '@keypost/core/model';
import type { PhotoSubject } from '@keypost/core/model';
import { useState } from 'react';
import { useSave } from '../data/useSave';
import { SCRATCH } from '../data/server';
import { AddPhotoSheet } from '../photo/AddPhotoSheet';
import { counted, keyOf, photosOfPoint } from '../photo/photosOf';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Camera } from '../ui/laterIcons';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { PhotoRows, shownBy } from './PhotoRows';

/** Photos of a point, its steps, its results and its parts. */
export function PointPhotosScreen() {
  return <PointSubPage title="Photos">{(point) => <PointPhotos point={point} />}</PointSubPage>;
}

function PointPhotos({ point }: { point: OpenPoint }) {
  const { view, index, analysis } = point;
  const photos = photosOfPoint(view.content, analysis.context.point.id);
  const kept = keptPhotos(photos).length;
  return (
    <>
      {view.id !== SCRATCH && <NewPhoto point={point} />}
      <Card title="Photos" aside={<Text as="mono">{counted(kept)}</Text>}>
        {photos.length === 0 ? (
          <Row first>
            <Text as="soft">
              A photo of the device where it is mounted, its terminals or its name-plate saves the next way
              there.
            </Text>
          </Row>
        ) : (
          <PhotoRows view={view} index={index} photos={photos} />
        )}
      </Card>
    </>
  );
}

function NewPhoto({ point }: { point: OpenPoint }) {
  const { view, index, analysis } = point;
  const { point: row, device, helpers } = analysis.context;
  const saver = useSave(view);
  const { plate } = useTokens();
  const [adding, setAdding] = useState(false);
  const subjects: PhotoSubject[] = [
    { kind: 'point', pointId: row.id },
    ...[device, ...helpers].map(({ id }) => ({ kind: 'part', itemId: id }) as const),
  ];
  const [key, setKey] = useState(() => keyOf({ kind: 'point', pointId: row.id }));
  const subject = subjects.find((one) => keyOf(one) === key) ?? { kind: 'point', pointId: row.id };
  return (
    <Card title="Add one">
      <Row first className="gap-3">
        <Select
          label="Of"
          value={key}
          onChange={setKey}
          options={subjects.map((one) => ({
            value: keyOf(one),
            label: one.kind === 'part' ? `part ${shownBy(index, one)}` : `${row.tag}, where it stands`,
          }))}
        />
        <Button
          label="Add a photo"
          kind="main"
          icon={<Camera size={20} color={plate} />}
          onPress={() => setAdding(true)}
        />
        <Text as="small">A photo of a step or of a result is added where that stands.</Text>
      </Row>
      {adding && (
        <AddPhotoSheet
          view={view}
          subject={subject}
          name={shownBy(index, subject)}
          saver={saver}
          onClose={() => setAdding(false)}
        />
      )}
    </Card>
  );
}
