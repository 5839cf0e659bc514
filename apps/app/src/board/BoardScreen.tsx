import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../data/jobs';
import { useJobId } from '../job/useJobId';
import { beside, fetchPages, page } from '../pages/page';

import { useWide } from '../ui/useWide';
import { useProgress } from '../workers/useProgress';
import { BoardPane } from '../job/BoardPane';
import { inOrder } from '../job/Tally';

const LandPoint = page('LandPoint');
const PanelFindings = beside('PanelFindings');
const BoardFinder = beside('BoardFinder');

/** The board; where there is room, the first point that needs somebody stands open beside it. */
export function BoardScreen() {
  const jobId = useJobId();
  const wide = useWide();
  const job = useJob(jobId);
  const [shown, setShown] = useState(false);
  // What opens from here is fetched once the board can be used.
  const go = useCallback(() => {
    setShown(true);
    void fetchPages().catch(() => undefined);
  }, []);
  const progress = useProgress(wide ? job.data : undefined);
  const first = progress && inOrder(progress)[0];
  if (wide && first) return <LandPoint pointId={first.pointId} />;
  return (
    <View className="min-h-0 flex-1">
      <BoardPane
        jobId={jobId}
        full
        onShown={go}
        notice={shown && <PanelFindings jobId={jobId} />}
        finder={shown ? BoardFinder : undefined}
      />
    </View>
  );
}
