import { sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import type { JobIndex } from '@keypost/core/job';
import type { ReactNode } from 'react';
import { useJob } from '../data/jobs';
import { useIndex } from '../data/useIndex';
import { Loaded } from '../data/Loaded';
import { useJobId, usePointId } from '../job/useJobId';
import { Notice } from '../ui/Notice';
import { PageHead, Screen } from '../ui/Screen';
import { usePoint } from './usePoint';
import type { OpenPoint } from './usePoint';

/** A page that belongs to a point and leads back to it. */
export function PointSubPage({
  title,
  of = '',
  pair = false,
  children,
}: {
  title: string;
  /** The stage that it belongs to, as its address has it; none leads back to the point itself. */
  of?: string;
  /** It has two columns where there is room. */
  pair?: boolean;
  children: (point: OpenPoint) => ReactNode;
}) {
  const jobId = useJobId();
  const pointId = usePointId();
  const job = useJob(jobId);
  const index = useIndex(job.data);
  const point = job.data?.content.points.find(({ id }) => id === pointId);
  return (
    <Screen
      narrow
      pair={pair}
      head={
        <PageHead
          title={title}
          over={point ? `${point.tag}  ${point.name}` : ''}
          back={`/job/${jobId}/point/${pointId}${of && `/${of}`}`}
        />
      }
    >
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the point">
        {(view) => <Found view={view} index={sure(index)} pointId={pointId} render={children} />}
      </Loaded>
    </Screen>
  );
}

function Found({
  view,
  index,
  pointId,
  render,
}: {
  view: JobView;
  index: JobIndex;
  pointId: string;
  render: (point: OpenPoint) => ReactNode;
}) {
  const point = usePoint(view, index, pointId);
  if (!point) return <Notice>This point is not in the job any more.</Notice>;
  return <>{render(point)}</>;
}
