import { problemText } from '@keypost/core/model/light';
import { textOf } from '@keypost/core/messages';
import { useRouter } from 'expo-router';
import { FileUp, Plus } from '../ui/icons';
import { onceWorded } from '../data/words';
import { useTokens } from '../ui/theme';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { mutate } from 'swr';
import { keys, useJobs } from '../data/jobs';
import { notStored } from '../data/SaveNotice';
import { Loaded } from '../data/Loaded';
import { whoActs } from '../data/who';
import { asProblem } from '../data/asProblem';
import { newId } from './newId';
import { textIn } from '../data/saveFile';
import { server } from '../data/server';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { MoreRow } from '../ui/MoreRow';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { PageHead, Screen } from '../ui/Screen';
import { Text } from '../ui/Text';
import { oneOf, whole } from '../data/plain';
import { readStored, store } from '../data/stored';
import { page } from '../pages/page';
import { PlainSelect } from '../ui/PlainSelect';
import type { ApiProblem, JobSummary } from '@keypost/api';
import { dateAndTime } from '../ui/dates';
import { GoTo } from '../ui/GoTo';

const NewJob = page('NewJob');

/** The first page: every job of this server, a new one, or one from a file. */
export function JobsScreen() {
  const jobs = useJobs();
  const { ink, plate } = useTokens();
  const [making, setMaking] = useState(false);
  const [count] = useState(() => readStored(COUNT_KEY, whole));
  // Where nothing is known of how long the list will be, what stands below it waits for it, and need not move.
  const hasRoom = count !== undefined || jobs.data !== undefined || jobs.error !== undefined;
  return (
    <Screen pair head={<PageHead title="Key Post" over="Wire it, prove it, know why" />}>
      <Beside
        left={
          <Card title="Jobs" aside={<Text as="mono">{String(jobs.data?.length ?? '')}</Text>}>
            <Loaded
              data={jobs.data}
              error={jobs.error}
              retry={() => void jobs.mutate()}
              what="the jobs"
              room={roomOf(count ?? 1)}
            >
              {(list) => <JobList jobs={list} />}
            </Loaded>
          </Card>
        }
        right={
          hasRoom && (
            <>
              <Card>
                <MoreRow
                  first
                  to="/try"
                  label="Will it work together?"
                  hint="a device in the hand, and what it goes to: no job needed"
                />
                <MoreRow
                  first={false}
                  to="/tools"
                  label="Tools"
                  hint="signal, counts, temperatures, pulses, loop, contacts, units: no job needed"
                />
              </Card>
              {making ? (
                <NewJob onCancel={() => setMaking(false)} />
              ) : (
                <View className="gap-3">
                  <Button
                    label="New job"
                    kind="main"
                    icon={<Plus size={20} color={plate} />}
                    onPress={() => setMaking(true)}
                  />
                  <BringFile ink={ink} />
                </View>
              )}
            </>
          )
        }
      />
    </Screen>
  );
}

const ORDERS = [
  { value: 'changed', label: 'last changed' },
  { value: 'name', label: 'name' },
  { value: 'points', label: 'most points' },
] as const;
type Order = (typeof ORDERS)[number]['value'];
const ORDER_KEY = 'keypost.jobs.order';
/** How many there were the last time: room is kept for as many while they are read. */
const COUNT_KEY = 'keypost.jobs.count';
const roomOf = (count: number): number => (count > 1 ? 102 : 0) + 91 * Math.min(Math.max(count, 1), 8);

const BY: Readonly<Record<Order, (a: JobSummary, b: JobSummary) => number>> = {
  changed: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  name: (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }) || a.site.localeCompare(b.site),
  points: (a, b) => b.points - a.points,
};

/** All jobs; where there are several, in the order that this device asked for last. */
function JobList({ jobs }: { jobs: readonly JobSummary[] }) {
  const [order, setOrder] = useState(
    () => readStored(ORDER_KEY, oneOf(ORDERS.map(({ value }) => value))) ?? 'changed',
  );
  useEffect(() => store(COUNT_KEY, jobs.length), [jobs.length]);
  const choose = (value: string) => {
    const next = ORDERS.find((one) => one.value === value)?.value ?? 'changed';
    setOrder(next);
    store(ORDER_KEY, next);
  };
  return (
    <>
      {jobs.length === 0 && <NoJobYet />}
      {jobs.length > 1 && (
        <Row first>
          <PlainSelect label="In order of" value={order} onChange={choose} options={ORDERS} />
        </Row>
      )}
      {[...jobs].sort(BY[order]).map((job, i) => (
        <JobRow key={job.id} job={job} first={i === 0 && jobs.length === 1} />
      ))}
    </>
  );
}

/** What an empty store offers besides what stands below: a job to look around in. */
function NoJobYet() {
  const router = useRouter();
  const [id] = useState(newId);
  const [waiting, setWaiting] = useState(false);
  const [problem, setProblem] = useState<ApiProblem>();
  const open = async () => {
    setWaiting(true);
    setProblem(undefined);
    try {
      const job = await server('openDemo', { body: { id: await id } });
      await mutate(keys.jobs);
      router.navigate(`/job/${job.id}`);
    } catch (error) {
      setProblem(asProblem(error));
      setWaiting(false);
    }
  };
  return (
    <Row first className="gap-3">
      <Text as="soft">
        No job yet. Ask the question below without one, begin one, or look around in ours.
      </Text>
      <Button label="Look around in a made-up job" waiting={waiting} onPress={() => void open()} />
      {problem && <Notice>{notStored(problem)}</Notice>}
    </Row>
  );
}

function JobRow({ job, first }: { job: JobSummary; first: boolean }) {
  return (
    <GoTo
      label={`${job.name}, ${job.site}`}
      to={`/job/${job.id}`}
      className={`min-h-[64px] flex-row items-center gap-3 px-4 py-3 active:bg-wash ${first ? '' : 'border-t border-line'}`}
    >
      <View className="min-w-0 flex-1">
        <Text as="head">{job.name}</Text>
        {job.site !== '' && <Text as="soft">{job.site}</Text>}
        <Text as="small">{`Changed ${dateAndTime(job.updatedAt)}`}</Text>
      </View>
      <Text as="mono">{`${job.points} ${job.points === 1 ? 'point' : 'points'}`}</Text>
    </GoTo>
  );
}

/** Brings a job in from a file; says line or field when it is refused. */
function BringFile({ ink }: { ink: string }) {
  const input = useRef<HTMLInputElement>(null);
  const router = useRouter();
  const [waiting, setWaiting] = useState(false);
  const [problem, setProblem] = useState<ApiProblem>();
  const [last, setLast] = useState<{ file: File; id: string }>();
  const bring = async ({ file, id }: { file: File; id: string }) => {
    const by = await whoActs();
    if (by === undefined) return;
    setWaiting(true);
    setProblem(undefined);
    setLast({ file, id });
    try {
      const job = await server('importJob', { body: { id, by, file: await textIn(file) } });
      router.navigate(`/job/${job.id}`);
    } catch (error) {
      setProblem(asProblem(await onceWorded(error)));
    } finally {
      setWaiting(false);
    }
  };
  return (
    <View className="gap-3">
      <Button
        label="Bring a job from a file"
        icon={<FileUp size={20} color={ink} />}
        waiting={waiting}
        onPress={() => input.current?.click()}
      />
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Job file"
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void newId().then((id) => bring({ file, id }));
        }}
      />
      {problem && last && (
        <Notice
          actions={
            <>
              {problem.retryable && (
                <Button label="Try again" kind="main" waiting={waiting} onPress={() => void bring(last)} />
              )}
              <Button label="Close" onPress={() => setProblem(undefined)} />
            </>
          }
        >
          {`${last.file.name} ${problem.uncertain ? 'may not have been taken in.' : 'was not taken in; nothing was stored.'}\n${problemLines(problem)}`}
        </Notice>
      )}
    </View>
  );
}

function problemLines({ details }: ApiProblem): string {
  const lines = (details.problems ?? []).slice(0, 5).map(problemText);
  return lines.length ? lines.join('\n') : textOf(details.message);
}
