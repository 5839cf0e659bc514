import { Plus } from '../ui/icons';
import type { BoardRow } from '@keypost/api';
import { say } from '@keypost/core/messages';
import type { JobContent } from '@keypost/core/model';
import { useEffect, useMemo } from 'react';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { useJob, useKeptBoard } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { ButtonLink } from '../ui/ButtonLink';
import { LongList } from '../ui/LongList';
import { useTokens } from '../ui/theme';
import { Text } from '../ui/Text';
import { useProgress } from '../workers/useProgress';
import { PointRow } from './PointRow';
import { inOrder, Tally } from './Tally';

/** All points of a job and how far each is, those that are stopped first. */
export function BoardPane({
  jobId,
  chosen,
  full = false,
  notice,
  onShown,
}: {
  jobId: string;
  chosen?: string;
  full?: boolean;
  /** What is wrong with the panel as a whole. */
  notice?: ReactNode;
  /** Called once its points are there. */
  onShown?: () => unknown;
}) {
  const job = useJob(jobId);
  const { ink } = useTokens();
  const workedOut = useProgress(job.data?.content);
  const kept = useKeptBoard(jobId, job.data?.revision);
  // What the server knows of this very state is shown at once; the worker's own answer takes its place.
  const progress: readonly BoardRow[] | undefined = workedOut ?? kept;
  const shown = progress !== undefined;
  useEffect(() => void (shown && onShown?.()), [shown, onShown]);
  return (
    <ScrollView contentContainerClassName="pb-6">
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the board">
        {({ content }) => (
          <View className="gap-4">
            <View className={`gap-3 px-4 pt-3 ${full ? 'pt-5' : ''}`}>
              <View>
                <Text as="soft">{content.site || 'Job'}</Text>
                <Text as="title">{content.name}</Text>
              </View>
              {progress && <Tally progress={progress} narrow={!full} />}
              {notice}
            </View>
            {content.points.length === 0 ? (
              <Text as="soft" className="px-4">
                No points yet. Add modules in Panel, then the first point.
              </Text>
            ) : (
              <Rows rows={progress ?? pending(content)} jobId={jobId} chosen={chosen} wide={!full} />
            )}
            <View className="px-4">
              <ButtonLink
                label="Add a point"
                icon={<Plus size={20} color={ink} />}
                to={`/job/${jobId}/new-point`}
              />
            </View>
          </View>
        )}
      </Loaded>
    </ScrollView>
  );
}

/** The points alone, while nobody has worked out how far they are: none is said to be anything. */
const pending = ({ points }: JobContent): (BoardRow & { pending: true })[] =>
  points.map(({ id, tag, name }) => ({
    pointId: id,
    tag,
    name,
    overall: 'open',
    stages: [],
    line: say('proof.working-out'),
    pending: true,
  }));

function Rows({
  rows,
  jobId,
  chosen,
  wide,
}: {
  rows: readonly (BoardRow & { readonly pending?: boolean })[];
  jobId: string;
  chosen: string | undefined;
  wide: boolean;
}) {
  const sorted = useMemo(() => inOrder(rows), [rows]);
  return (
    <LongList
      label="Points"
      items={sorted}
      keyOf={({ pointId }) => pointId}
      height={84}
      className="border-y-[1.5px] border-edge bg-plate"
      row={(row, first) => (
        <PointRow row={row} jobId={jobId} first={first} chosen={row.pointId === chosen} wide={wide} />
      )}
    />
  );
}
