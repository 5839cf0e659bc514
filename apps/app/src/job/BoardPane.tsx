import { Plus } from '../ui/icons';
import type { BoardRow } from '@keypost/api';
import { say } from '@keypost/core/messages';
import { openFaults } from '@keypost/core/model/light';
import type { JobContent } from '@keypost/core/model';
import { Suspense, useEffect, useMemo, useState } from 'react';
import type { ComponentType, ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { useJob, useKeptBoard } from '../data/jobs';
import { useWords } from '../data/words';
import { Loaded } from '../data/Loaded';
import { ButtonLink } from '../ui/ButtonLink';
import { LongList } from '../ui/LongList';
import { useKeptScroll } from '../ui/keptScroll';
import { usePageTitle } from '../ui/pageTitle';
import { useTokens } from '../ui/theme';
import { Text } from '../ui/Text';
import { useProgress } from '../workers/useProgress';
import { PointRow } from './PointRow';
import type { BoardItem } from './boardFilter';
import { inOrder, Tally } from './Tally';

/** All points of a job and how far each is, those that are stopped first. */
export function BoardPane({
  jobId,
  chosen,
  full = false,
  notice,
  finder,
  onShown,
}: {
  jobId: string;
  chosen?: string;
  full?: boolean;
  /** What is wrong with the panel as a whole. */
  notice?: ReactNode;
  /** How points are found; it needs the solver, so the board does not wait for it. */
  finder: Finder | undefined;
  /** Called once its points are there. */
  onShown?: () => unknown;
}) {
  const job = useJob(jobId);
  const workedOut = useProgress(job.data);
  const kept = useKeptBoard(jobId, job.data?.revision);
  // What the server knows of this very state is shown at once; the worker's own answer takes its place.
  const progress: readonly BoardRow[] | undefined = workedOut ?? kept;
  const worded = useWords();
  const scroll = useKeptScroll(`board.${jobId}`);
  usePageTitle(full && job.data ? `Board, ${job.data.content.name}` : undefined);
  const shown = progress !== undefined;
  useEffect(() => void (shown && onShown?.()), [shown, onShown]);
  return (
    <ScrollView {...scroll} className="prints" contentContainerClassName="prints pb-6">
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the board">
        {({ content }) => (
          <View className="gap-4">
            <View className={`gap-3 px-4 pt-3 ${full ? 'pt-5' : ''}`}>
              <JobName content={content} />
              {progress && <Tally progress={progress} narrow={!full} />}
              {notice}
            </View>
            {content.points.length === 0 ? (
              <Text as="soft" className="px-4">
                No points yet. Add modules in Panel, then the first point.
              </Text>
            ) : (
              <Points
                jobId={jobId}
                content={content}
                rows={progress ? said(progress, worded) : pending(content)}
                chosen={chosen}
                full={full}
                finder={finder}
              />
            )}
            <Ways jobId={jobId} content={content} />
          </View>
        )}
      </Loaded>
    </ScrollView>
  );
}

const JobName = ({ content: { site, name } }: { content: JobContent }) => (
  <View>
    <Text as="soft">{site || 'Job'}</Text>
    <Text as="title">{name}</Text>
  </View>
);

/** The ways from the board: to the faults of the job, and to a new point. */
function Ways({ jobId, content }: { jobId: string; content: JobContent }) {
  const { ink } = useTokens();
  return (
    <View className="gap-3 px-4">
      <ButtonLink label={faultsText(content)} to={`/job/${jobId}/faults`} />
      <ButtonLink label="Add a point" icon={<Plus size={20} color={ink} />} to={`/job/${jobId}/new-point`} />
    </View>
  );
}

/** Faults of the job, with how many are open. */
function faultsText(content: JobContent): string {
  const open = openFaults(content.faults);
  return open ? `It does not work (${open} open)` : 'It does not work';
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

/** What is known of the points, its sentences left out until the words for them are there. */
const said = (rows: readonly BoardRow[], worded: boolean): readonly BoardRow[] =>
  worded ? rows : rows.map((row) => ({ ...row, line: say('proof.working-out') }));

type PendingRow = BoardRow & { readonly pending?: boolean };

type Finder = ComponentType<{
  jobId: string;
  content: JobContent;
  rows: readonly PendingRow[];
  narrow: boolean;
  onFound: (items: BoardItem<PendingRow>[]) => void;
}>;

/** With fewer points than this nobody needs to find one. */
const FEW = 4;

/** The points that are asked for; how they are asked for comes once the first of them are there. */
function Points({
  jobId,
  content,
  rows,
  chosen,
  full,
  finder: Finder,
}: {
  jobId: string;
  content: JobContent;
  rows: readonly PendingRow[];
  chosen: string | undefined;
  full: boolean;
  finder: Finder | undefined;
}) {
  const sorted = useMemo(() => inOrder(rows), [rows]);
  const all = useMemo(() => sorted.map((row): BoardItem<PendingRow> => ({ is: 'row', row })), [sorted]);
  const [found, setFound] = useState<readonly BoardItem<PendingRow>[]>();
  return (
    <>
      {Finder && rows.length > FEW && (
        <View className="px-4">
          <Suspense fallback={<View className="h-[48px]" />}>
            <Finder jobId={jobId} content={content} rows={sorted} narrow={!full} onFound={setFound} />
          </Suspense>
        </View>
      )}
      <LongList
        label="Points"
        items={found ?? all}
        keyOf={(item) => (item.is === 'row' ? item.row.pointId : `group ${item.name}`)}
        height={84}
        className="border-y-[1.5px] border-edge bg-plate"
        row={(item, first) =>
          item.is === 'group' ? (
            <View
              className="min-h-[40px] flex-row items-center justify-between bg-bone px-4"
              role="heading"
              aria-level={2}
            >
              <Text as="strong">{item.name}</Text>
              <Text as="number">{String(item.count)}</Text>
            </View>
          ) : (
            <PointRow
              row={item.row}
              jobId={jobId}
              first={first}
              chosen={item.row.pointId === chosen}
              wide={!full}
            />
          )
        }
      />
    </>
  );
}
