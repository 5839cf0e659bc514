import { Plus } from '../ui/icons';
import type { PointProgress } from '@keypost/core/proving';
import { useEffect, useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import { useGradually } from '../ui/useGradually';
import { useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { ButtonLink } from '../ui/ButtonLink';
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
  onShown,
}: {
  jobId: string;
  chosen?: string;
  full?: boolean;
  /** Called once its points are there. */
  onShown?: () => unknown;
}) {
  const job = useJob(jobId);
  const { ink } = useTokens();
  const progress = useProgress(job.data?.content);
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
            </View>
            <Loaded data={progress} error={undefined} retry={() => undefined} what="the circuits">
              {(rows) =>
                rows.length === 0 ? (
                  <Text as="soft" className="px-4">
                    No points yet. Add modules in Panel, then the first point.
                  </Text>
                ) : (
                  <Rows rows={rows} jobId={jobId} chosen={chosen} wide={!full} />
                )
              }
            </Loaded>
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

function Rows({
  rows,
  jobId,
  chosen,
  wide,
}: {
  rows: readonly PointProgress[];
  jobId: string;
  chosen: string | undefined;
  wide: boolean;
}) {
  const sorted = useMemo(() => inOrder(rows), [rows]);
  const drawn = useGradually(sorted.length);
  return (
    <View role="list" aria-label="Points" className="border-y-[1.5px] border-edge bg-plate">
      {sorted.slice(0, drawn).map((row, i) => (
        <PointRow
          key={row.pointId}
          row={row}
          jobId={jobId}
          first={i === 0}
          chosen={row.pointId === chosen}
          wide={wide}
        />
      ))}
    </View>
  );
}
