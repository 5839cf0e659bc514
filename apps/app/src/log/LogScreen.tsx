import { useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { useEvents } from '../data/useEvents';
import { useJobId } from '../job/useJobId';
import { PageHead, Screen } from '../ui/Screen';
import { EventList } from './EventList';

/** What was done to a job. */
export function LogScreen() {
  const jobId = useJobId();
  const { events, error, retry, older } = useEvents(jobId);
  const job = useJob(jobId);
  return (
    <Screen pair head={<PageHead title="Log" over={job.data?.content.name ?? ''} />}>
      <Loaded data={events} error={error} retry={retry} what="the log">
        {(list) => (
          <EventList events={list} older={older} title="Newest first" jobId={jobId} job={job.data?.content} />
        )}
      </Loaded>
    </Screen>
  );
}
