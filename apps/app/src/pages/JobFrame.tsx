import { useLastDone } from '../data/lastDone';
import { JobShell } from '../job/JobShell';
import { useJobId } from '../job/useJobId';
import { page } from './page';

const UndoBar = page('UndoBar', null);

/** The frame of a job with the way back from what was stored last. */
export function JobFrame() {
  const jobId = useJobId();
  const done = useLastDone(jobId);
  return <JobShell foot={done && <UndoBar jobId={jobId} />} />;
}
