import type { JobView } from '@keypost/api';
import { keptPhotos, MAX_PHOTOS_BYTES } from '@keypost/core/model';
import { useState } from 'react';
import { useIndex } from '../data/useIndex';
import { JobPage } from '../job/JobPage';
import { counted } from '../photo/photosOf';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { PhotoRows, shownBy } from './PhotoRows';

/** All photos of a job. */
export function JobPhotosScreen() {
  return (
    <JobPage narrow title="Photos" back="/about" what="the photos">
      {(view) => <JobPhotos view={view} />}
    </JobPage>
  );
}

const ORDERS = [
  { value: 'newest', label: 'newest first' },
  { value: 'oldest', label: 'oldest first' },
  { value: 'subject', label: 'by what they show' },
] as const;
type Order = (typeof ORDERS)[number]['value'];

const megabytes = (bytes: number): string => `${(bytes / 1024 / 1024).toFixed(1)} MB`;

function JobPhotos({ view }: { view: JobView }) {
  const index = useIndex(view);
  const [order, setOrder] = useState<Order>('newest');
  const { photos } = view.content;
  const kept = keptPhotos(photos);
  const bytes = kept.reduce((sum, photo) => sum + photo.bytes, 0);
  const name = ({ subject }: (typeof photos)[number]) => shownBy(index, subject);
  const sorted =
    order === 'oldest'
      ? photos
      : order === 'newest'
        ? photos.toReversed()
        : photos.toSorted((a, b) => name(a).localeCompare(name(b), undefined, { numeric: true }));
  return (
    <Card title="Photos" aside={<Text as="mono">{counted(kept.length)}</Text>}>
      <Row first className="gap-3">
        <Text as="small">
          {`${megabytes(bytes)} of ${megabytes(MAX_PHOTOS_BYTES)} that the photos of a job may fill. They go with the job’s file.`}
        </Text>
        {photos.length > 1 && (
          <Select
            label="Sorted"
            value={order}
            onChange={(value) => setOrder(value as Order)}
            options={ORDERS}
          />
        )}
      </Row>
      {photos.length === 0 ? (
        <Row>
          <Text as="soft">None yet. They are added at a point, a part, a step or a result.</Text>
        </Row>
      ) : (
        <PhotoRows view={view} index={index} photos={sorted} />
      )}
    </Card>
  );
}
