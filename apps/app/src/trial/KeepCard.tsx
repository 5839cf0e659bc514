import type { ApiProblem } from '@keypost/api';
import { partTypesOf } from '@keypost/core/catalog';
import { freeTag, proposeModule } from '@keypost/core/job';
import { Point } from '@keypost/core/model';
import type { JobContent } from '@keypost/core/model';
import { keepChanges } from '@keypost/core/planning';
import type { Trial, TrialNames } from '@keypost/core/planning';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { mutate } from 'swr';
import { v4 as uuid } from 'uuid';
import { asProblem } from '../data/asProblem';
import { keys, useJobs } from '../data/jobs';
import { now } from '../data/now';
import { notStored } from '../data/SaveNotice';
import { server } from '../data/server';
import { whoActs } from '../data/who';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { Notice } from '../ui/Notice';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { day } from '../ui/dates';

const NEW = 'new';

const newIds = () => ({
  job: uuid(),
  change: uuid(),
  point: uuid(),
  device: uuid(),
  part: uuid(),
});

/** Stores what was tried in a job, or in a new one, and opens it there. */
function useKeep(trial: Trial, tried: JobContent) {
  const router = useRouter();
  const [waiting, setWaiting] = useState(false);
  const [problem, setProblem] = useState<ApiProblem>();
  // Sent twice, it is stored once.
  const [ids, setIds] = useState(newIds);
  const keep = async (jobId: string, tag: string, name: string) => {
    const by = await whoActs();
    if (by === undefined) return;
    setWaiting(true);
    setProblem(undefined);
    try {
      const job =
        jobId === NEW
          ? await server('createJob', { body: { id: ids.job, name: `Tried ${day(now())}`, site: '', by } })
          : await server('getJob', { params: { jobId } });
      const names = namesIn(job.content, trial, ids, tag, name);
      const change = { kind: 'batch' as const, changes: keepChanges(job.content, tried, trial, names) };
      await server('changeJob', { params: { jobId: job.id }, body: { changeId: ids.change, by, change } });
      void mutate(keys.jobs);
      await mutate(keys.job(job.id));
      // What is kept after this is another point.
      setIds(newIds());
      router.navigate(`/job/${job.id}/point/${ids.point}`);
    } catch (error) {
      setProblem(asProblem(error));
    } finally {
      setWaiting(false);
    }
  };
  return { keep, waiting, problem, dismiss: () => setProblem(undefined) };
}

/** Makes what was tried a point of a job: nothing of it is typed again. */
export function KeepCard({ trial, tried }: { trial: Trial; tried: JobContent }) {
  const jobs = useJobs();
  const { keep, waiting, problem, dismiss } = useKeep(trial, tried);
  const [chosen, setChosen] = useState<string>();
  const [tag, setTag] = useState('');
  const [name, setName] = useState('');
  const jobId = chosen ?? jobs.data?.[0]?.id ?? NEW;
  const isNamed = [Point.shape.tag.safeParse(tag), Point.shape.name.safeParse(name)].every(
    ({ success }) => success,
  );
  return (
    <Card title="Keep it">
      <Row first className="gap-4">
        <Select
          label="In which job"
          value={jobId}
          onChange={setChosen}
          options={[
            ...(jobs.data ?? []).map((job) => ({ value: job.id, label: job.name })),
            { value: NEW, label: 'a new job' },
          ]}
        />
        <Field
          label="Tag"
          hint="As on the label, such as PX-116"
          value={tag}
          onChange={setTag}
          autoCapitalize="characters"
          maxLength={24}
        />
        <Field
          label="What it is for"
          hint="Such as Tray at infeed"
          value={name}
          onChange={setName}
          maxLength={60}
        />
        {tried.results.length > 0 && (
          <Text as="small">
            What was proven on the bench is not taken along: where it is landed, it is proven anew.
          </Text>
        )}
        {problem && (
          <Notice actions={<Button label="Close" onPress={dismiss} />}>{notStored(problem)}</Notice>
        )}
        <Button
          label="Keep it"
          kind="main"
          disabled={!isNamed}
          waiting={waiting}
          onPress={() => void keep(jobId, tag.trim(), name.trim())}
        />
      </Row>
    </Card>
  );
}

/** Ids and tags under which it stands in a job, beside what is there. */
function namesIn(
  job: JobContent,
  trial: Trial,
  ids: { point: string; device: string; part: string },
  tag: string,
  name: string,
): TrialNames {
  const module = partTypesOf(job).findModule({ typeId: trial.target });
  return {
    point: ids.point,
    device: ids.device,
    module: ids.part,
    load: ids.part,
    tag,
    name,
    moduleTag: module ? proposeModule(job, module).tag : '',
    loadTag: freeTag(job, 'K'),
  };
}
