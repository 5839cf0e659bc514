import { sure } from '@keypost/core/lists';
import type { Href } from 'expo-router';
import { textOf } from '@keypost/core/messages';
import { analyse } from '@keypost/core/analysis';
import { chainOf } from '@keypost/core/scaling';
import { changesAt, resultText } from '@keypost/core/tools';
import { JobIndex } from '@keypost/core/job';
import type { SingleChange } from '@keypost/core/job';
import type { Tool, ToolResult, ToolValues } from '@keypost/core/tools';
import { useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { useJob, useJobs } from '../data/jobs';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { GoTo } from '../ui/GoTo';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';

/** What is done to a point when a result is sent to it: what fits it is set, and the result stays there as a note. */
export function sendChanges(
  tool: Tool,
  values: ToolValues,
  result: ToolResult,
  index: JobIndex,
  pointId: string,
): SingleChange[] {
  const note: SingleChange = {
    kind: 'calibrate',
    calibrations: [
      {
        id: uuid(),
        pointId,
        body: {
          kind: 'note',
          tool: tool.id,
          title: `${textOf(tool.name)}: ${textOf(result.title)}`.replaceAll('\u00a0', ' ').slice(0, 80),
          text: resultText(tool, values, result).slice(0, 1000),
        },
      },
    ],
  };
  return [...changesAt(tool, values, index, index.point(pointId)), note];
}

/** Hands a result to a point of a job. */
export function SendToPoint({
  tool,
  values,
  result,
}: {
  tool: Tool;
  values: ToolValues;
  result: ToolResult;
}) {
  const jobs = useJobs();
  const [chosen, setChosen] = useState<string>();
  const jobId = chosen ?? jobs.data?.[0]?.id;
  return (
    <Card title="Send it to a point">
      <Row first className="gap-3">
        {jobs.data?.length === 0 && <Text as="soft">There is no job yet. Begin one on the first page.</Text>}
        {jobs.data && jobs.data.length > 0 && (
          <Select
            label="Job"
            value={jobId ?? ''}
            options={jobs.data.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setChosen}
          />
        )}
        {jobId && <ToPoint key={jobId} jobId={jobId} tool={tool} values={values} result={result} />}
      </Row>
    </Card>
  );
}

function ToPoint({
  jobId,
  tool,
  values,
  result,
}: {
  jobId: string;
  tool: Tool;
  values: ToolValues;
  result: ToolResult;
}) {
  const job = useJob(jobId);
  const saver = useSave(job.data);
  const [chosen, setChosen] = useState<string>();
  const [done, setDone] = useState<{ tag: string; to: Href }>();
  const points = job.data?.content.points ?? [];
  const point = points.find(({ id }) => id === chosen) ?? points[0];
  if (!point) return <Text as="soft">{job.data ? 'This job has no point yet.' : 'Reading the job…'}</Text>;
  const send = () => {
    const index = new JobIndex(sure(job.data).content);
    // Where there is no chain to see it at, the point's log has it.
    const page = chainOf(analyse(index, point.id)) ? 'scale' : 'log';
    const to = `/job/${jobId}/point/${point.id}/${page}` as const;
    const changes = sendChanges(tool, values, result, index, point.id);
    void saver.save({ kind: 'batch', changes }, { then: () => setDone({ tag: point.tag, to }) });
  };
  return (
    <View className="gap-3">
      <Select
        label="Point"
        value={point.id}
        options={points.map(({ id, tag, name }) => ({ value: id, label: `${tag}  ${name}` }))}
        onChange={setChosen}
      />
      <SaveNotice saver={saver} />
      <Button label={`Send to ${point.tag}`} kind="main" waiting={saver.saving} onPress={send} />
      {done && (
        <GoTo label={`Open ${done.tag}`} to={done.to} className="min-h-[48px] justify-center">
          <Text as="strong" className="text-accent underline">{`It is at ${done.tag}. Open it`}</Text>
        </GoTo>
      )}
    </View>
  );
}
