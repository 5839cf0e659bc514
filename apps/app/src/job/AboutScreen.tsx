import { textOf } from '@keypost/core/messages';
import type { JobView, ApiProblem } from '@keypost/api';
import { useRouter } from 'expo-router';
import { Download } from '../ui/laterIcons';
import { useState } from 'react';
import { View } from 'react-native';
import { mutate } from 'swr';
import { keys, useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { fileName } from '@keypost/core/lists';
import { saveFile } from '../data/saveFile';
import { changeSettings, useSettings } from '../data/settings';
import { whoActs } from '../data/who';
import { asProblem } from '../data/asProblem';
import { server } from '../data/server';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { useTokens } from '../ui/theme';
import { MoreRow } from '../ui/MoreRow';
import { Notice } from '../ui/Notice';
import { Beside } from '../ui/Beside';
import { Card, Row } from '../ui/Card';
import { PageHead, Screen } from '../ui/Screen';
import { Text } from '../ui/Text';
import { JobForm } from './JobForm';
import { useJobId } from './useJobId';

/** The job itself: its name, its supply, its file, and the look of this device. */
export function AboutScreen() {
  const jobId = useJobId();
  const job = useJob(jobId);
  return (
    <Screen pair head={<PageHead title="Job" over={job.data?.content.name ?? ''} back="/" />}>
      <Beside
        left={
          <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the job">
            {(view) => <JobForm view={view} />}
          </Loaded>
        }
        right={
          <>
            {job.data && <FileCard view={job.data} />}
            <Card>
              <MoreRow
                first
                to={`/job/${jobId}/kinds`}
                label="Not in the list"
                hint="devices and modules of your own"
              />
              <MoreRow
                first={false}
                to={`/job/${jobId}/code`}
                label="Code for the controller"
                hint="all points in one program"
              />
              <MoreRow
                first={false}
                to={`/job/${jobId}/photos`}
                label="Photos"
                hint="of points, parts, steps and results"
              />
              <MoreRow
                first={false}
                to={`/job/${jobId}/labels`}
                label="Labels with codes"
                hint="print or save them; a phone’s camera opens the point"
              />
              <MoreRow first={false} to="/tools" label="Tools" hint="calculators that need no job" />
            </Card>
            <DeviceCard />
            <Notices />
            {job.data && <RemoveCard view={job.data} />}
          </>
        }
      />
    </Screen>
  );
}

function FileCard({ view }: { view: JobView }) {
  const { ink } = useTokens();
  const [problem, setProblem] = useState<ApiProblem>();
  const take = async () => {
    setProblem(undefined);
    try {
      const text = await server('exportJob', { params: { jobId: view.id } });
      saveFile(fileName(view.content.name, 'keypost.json'), 'application/json', text);
    } catch (error) {
      setProblem(asProblem(error));
    }
  };
  return (
    <Card title="Take the job away">
      <Row first className="gap-3">
        <Button
          label="Save the job as a file"
          icon={<Download size={20} color={ink} />}
          onPress={() => void take()}
        />
        {problem && <Notice>{textOf(problem.details.message)}</Notice>}
      </Row>
    </Card>
  );
}

/** Where the licences of what others made are read. */
const Notices = () => (
  <a href="/notices.txt" target="_blank" rel="noreferrer" style={{ padding: '12px 16px' }}>
    <Text as="small" className="text-accent underline">
      Software and fonts of others in Key Post, with their licences
    </Text>
  </a>
);

function DeviceCard() {
  const { by, theme } = useSettings();
  return (
    <Card title="This device">
      <Row first className="gap-4">
        <Field
          label="Your initials"
          value={by}
          onChange={(text) => changeSettings({ by: text.trimStart().slice(0, 40) })}
        />
        <RadioGroup
          label="Look"
          value={theme}
          onChange={(value) => changeSettings({ theme: value })}
          options={[
            { value: 'system', label: 'As the device' },
            { value: 'light', label: 'Light' },
            { value: 'dark', label: 'Dark' },
          ]}
        />
      </Row>
    </Card>
  );
}

function RemoveCard({ view }: { view: JobView }) {
  const router = useRouter();
  const [asked, setAsked] = useState(false);
  const [problem, setProblem] = useState<ApiProblem>();
  const remove = async () => {
    const by = await whoActs();
    if (by === undefined) return;
    try {
      await server('removeJob', { params: { jobId: view.id }, query: { by } });
      await mutate(keys.jobs);
      router.navigate('/');
    } catch (error) {
      setProblem(asProblem(error));
    }
  };
  return (
    <View className="gap-3">
      {!asked ? (
        <Button label="Remove this job" kind="danger" onPress={() => setAsked(true)} />
      ) : (
        <Notice
          actions={
            <>
              <Button label={`Remove ${view.content.name}`} kind="danger" onPress={() => void remove()} />
              <Button label="Keep it" onPress={() => setAsked(false)} />
            </>
          }
        >
          {`This removes ${view.content.name} with ${view.content.points.length} points and ${view.content.results.length} results from this server. Save its file first if you may need it.`}
        </Notice>
      )}
      {problem && <Notice>{textOf(problem.details.message)}</Notice>}
    </View>
  );
}
