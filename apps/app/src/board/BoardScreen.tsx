import { View } from 'react-native';
import { useJob } from '../data/jobs';
import { useJobId } from '../job/useJobId';
import { LandPoint } from '../land/LandScreen';
import { useWide } from '../ui/useWide';
import { useProgress } from '../workers/useProgress';
import { BoardPane } from './BoardPane';
import { inOrder } from './Tally';

/** The board; where there is room, the first point that needs somebody stands open beside it. */
export function BoardScreen() {
  const jobId = useJobId();
  const wide = useWide();
  const job = useJob(jobId);
  const progress = useProgress(wide ? job.data?.content : undefined);
  const first = progress && inOrder(progress)[0];
  if (wide && first) return <LandPoint pointId={first.pointId} />;
  return (
    <View className="min-h-0 flex-1">
      <BoardPane jobId={jobId} full />
    </View>
  );
}
