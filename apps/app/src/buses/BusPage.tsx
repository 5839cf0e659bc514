import type { JobView } from '@keypost/api';
import type { JobIndex } from '@keypost/core/job';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useIndex } from '../data/useIndex';
import { JobPage } from '../job/JobPage';
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
  return (
    <JobPage title={title} back={back} what={title.toLowerCase()}>
      {(view) => <Inside view={view}>{children}</Inside>}
    </JobPage>
  );
}

function Inside({
  view,
  children,
}: {
  view: JobView;
  children: (view: JobView, index: JobIndex) => ReactNode;
}) {
  const index = useIndex(view);
  return <View className={`gap-4 ${useWide() ? 'max-w-[1400px]' : ''}`}>{children(view, index)}</View>;
}
