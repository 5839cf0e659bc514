import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { JobView } from '@keypost/api';
import type { JobIndex } from '@keypost/core/job';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { fileName } from '@keypost/core/lists';
import { saveFile } from '../data/saveFile';
import { useIndex } from '../data/useIndex';
import { useJobId } from '../job/useJobId';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { Download, Printer } from '../ui/laterIcons';
import { RadioGroup } from '../ui/RadioGroup';
import { PageHead, Screen } from '../ui/Screen';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { LABEL_SIZES, labelPages } from './labelSheet';
import type { Label } from './labelSheet';

/** Labels for the points of a job: tag, name, and a code that opens the point in whoever's phone looks at it. */
export function LabelsScreen() {
  const jobId = useJobId();
  const job = useJob(jobId);
  return (
    <Screen
      narrow
      head={
        <View className="no-print">
          <PageHead title="Labels" over={job.data?.content.name ?? ''} back={`/job/${jobId}/about`} />
        </View>
      }
    >
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the points">
        {(view) => <Labels view={view} />}
      </Loaded>
    </Screen>
  );
}

const ALL = '';
const isHere = (host: string): boolean => /^(localhost|127\.|\[::1\])/.test(host);

/** Why an address cannot stand on a label; nothing where it can. */
function wrongWith(address: string): string | undefined {
  const url = URL.canParse(address) ? new URL(address) : undefined;
  return url && /^https?:$/.test(url.protocol) && url.host !== ''
    ? undefined
    : 'An address begins with http:// or https:// and names the machine, such as http://192.168.10.5:4100.';
}

/** What is asked of a sheet of labels. */
function useQuestions(view: JobView) {
  const [address, setAddress] = useDraftState(`${view.id}.labels`, z.string(), window.location.origin);
  const [moduleId, setModuleId] = useState(ALL);
  const [size, setSize] = useState<keyof typeof LABEL_SIZES>('large');
  return { address, setAddress, moduleId, setModuleId, size, setSize, problem: wrongWith(address) };
}

function Labels({ view }: { view: JobView }) {
  const { ink, plate } = useTokens();
  const of = useQuestions(view);
  const index = useIndex(view);
  const { address, moduleId, size, problem } = of;
  const origin = problem === undefined ? new URL(address).origin : undefined;
  const labels = useMemo(
    () => (origin && index ? labelsOf(view.id, index, origin, moduleId) : []),
    [view.id, index, origin, moduleId],
  );
  const pages = useMemo(() => labelPages(labels, LABEL_SIZES[size]), [labels, size]);
  const save = () =>
    pages.forEach((page, i) =>
      saveFile(fileName(`labels ${view.content.name} ${i + 1}`, 'svg'), 'image/svg+xml', page),
    );
  return (
    <>
      <View className="no-print">
        <Card title="What stands on them">
          <Row first className="gap-4">
            <Questions view={view} of={of} />
            <View className="flex-row flex-wrap gap-3">
              <Button
                label={`Print ${labels.length}`}
                kind="main"
                icon={<Printer size={20} color={plate} />}
                disabled={labels.length === 0}
                onPress={() => window.print()}
                grow
              />
              <Button
                label={pages.length > 1 ? `Save ${pages.length} SVG files` : 'Save as SVG'}
                icon={<Download size={20} color={ink} />}
                disabled={labels.length === 0}
                onPress={save}
              />
            </View>
          </Row>
        </Card>
      </View>
      {labels.length === 0 && problem === undefined && <Text as="soft">No point is on it.</Text>}
      {pages.map((page, i) => (
        <img
          key={i}
          className="label-page"
          alt={`Page ${i + 1} of ${pages.length} of the labels`}
          src={`data:image/svg+xml,${encodeURIComponent(page)}`}
          style={{ width: '100%' }}
        />
      ))}
    </>
  );
}

function Questions({
  view,
  of: { address, setAddress, moduleId, setModuleId, size, setSize, problem },
}: {
  view: JobView;
  of: ReturnType<typeof useQuestions>;
}) {
  return (
    <>
      <Field
        label="Address of this server"
        hint={
          problem === undefined && isHere(new URL(address).host)
            ? 'No other machine finds this one under it: enter the address that a phone opens Key Post under.'
            : 'A phone that is in the same network opens the point when its camera looks at the code.'
        }
        value={address}
        onChange={setAddress}
        problem={problem}
        inputMode="url"
        autoCapitalize="none"
      />
      <Select
        label="Points"
        value={moduleId}
        onChange={setModuleId}
        options={[
          { value: ALL, label: `all ${view.content.points.length}` },
          ...view.content.modules.map(({ id, tag }) => ({ value: id, label: `those on ${tag}` })),
        ]}
      />
      <RadioGroup
        label="Size"
        value={size}
        onChange={setSize}
        options={[
          { value: 'small', label: 'Small', hint: '60 × 22 mm' },
          { value: 'large', label: 'Large', hint: '90 × 38 mm' },
        ]}
      />
    </>
  );
}

function labelsOf(jobId: string, index: JobIndex, origin: string, moduleId: string): Label[] {
  return index.job.points
    .filter((point) => moduleId === ALL || index.placeOf(point)?.moduleId === moduleId)
    .map(({ id, tag, name }) => ({ tag, name, address: `${origin}/job/${jobId}/point/${id}` }));
}
