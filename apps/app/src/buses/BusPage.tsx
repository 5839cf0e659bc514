import { sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import type { JobIndex } from '@keypost/core/job';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useJob } from '../data/jobs';
import { useIndex } from '../data/useIndex';
import { Loaded } from '../data/Loaded';
import { useJobId } from '../job/useJobId';
import { PageHead, Screen } from '../ui/Screen';
import { useWide } from '../ui/useWide';

/** A page of the whole job under the Panel. */
export function BusPage({
  title,
  back,
  children,
}: {
  title: string;
  /** Page of the job to which it leads back. */
  back: string;
  children: (view: JobView, index: JobIndex) => ReactNode;
}) {
  const jobId = useJobId();
  const job = useJob(jobId);
  const index = useIndex(job.data);
  const wide = useWide();
  return (
    <Screen
      head={<PageHead title={title} over={job.data?.content.name ?? ''} back={`/job/${jobId}${back}`} />}
    >
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what={title.toLowerCase()}>
        {(view) => (
          <View className={`gap-4 ${wide ? 'max-w-[1400px]' : ''}`}>{children(view, sure(index))}</View>
        )}
      </Loaded>
    </Screen>
  );
}
