import type { JobView } from '@keypost/api';
import type { ReactNode } from 'react';
import { useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { PageHead, Screen } from '../ui/Screen';
import { useJobId } from './useJobId';

/** A page of a job under its head; drawn once the job is there, and what is read is named until then. */
export function JobPage({
  title,
  back = '',
  what,
  aside,
  children,
  ...width
}: {
  title: string;
  /** Page of the job to which it leads back, such as `/panel`; the board where nothing is said. */
  back?: string;
  what: string;
  aside?: ReactNode;
  /** As those of `Screen`. */
  narrow?: boolean;
  pair?: boolean;
  children: (view: JobView) => ReactNode;
}) {
  const jobId = useJobId();
  const job = useJob(jobId);
  return (
    <Screen
      {...width}
      head={
        <PageHead
          title={title}
          over={job.data?.content.name ?? ''}
          back={`/job/${jobId}${back}`}
          aside={aside}
        />
      }
    >
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what={what}>
        {children}
      </Loaded>
    </Screen>
  );
}
