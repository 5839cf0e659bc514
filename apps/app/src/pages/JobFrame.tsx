import { useEffect, useState } from 'react';
import { useLastDone } from '../data/lastDone';
import { SCRATCH } from '../data/server';
import { JobShell } from '../job/JobShell';
import { useJobId } from '../job/useJobId';
import { GoTo } from '../ui/GoTo';
import { Text } from '../ui/Text';
import { beside } from './page';

const DamageNotice = beside('DamageNotice');
const UndoBar = beside('UndoBar');
const Shortcuts = beside('Shortcuts');

/** The frame of a job with the way back from what was stored last. */
export function JobFrame() {
  const jobId = useJobId();
  const done = useLastDone(jobId);
  const foot = jobId === SCRATCH ? <OnlyTried /> : done && <UndoBar jobId={jobId} />;
  const first = useFirstKey();
  return (
    <JobShell
      damage={DamageNotice}
      foot={
        <>
          {foot}
          {first && <Shortcuts first={first} />}
        </>
      }
    />
  );
}

/** The first key that was pressed on a page of a job: whoever has none does not wait for what keys do. */
function useFirstKey(): KeyboardEvent | undefined {
  const [first, setFirst] = useState<KeyboardEvent>();
  useEffect(() => {
    document.addEventListener('keydown', setFirst, { capture: true, once: true });
    return () => document.removeEventListener('keydown', setFirst, true);
  }, []);
  return first;
}

/** Says on every page of what is only tried that it stands in no job, and leads to where it is kept. */
function OnlyTried() {
  return (
    <GoTo
      label="Only tried, in no job yet. Back to it"
      to="/try"
      className="min-h-[48px] flex-row items-center justify-between border-t-[1.5px] border-edge bg-wash px-4"
    >
      <Text as="body">Only tried, in no job yet</Text>
      <Text as="strong" className="text-accent">
        Back to it
      </Text>
    </GoTo>
  );
}
