import { sure } from '@keypost/core/lists';
import { Pencil } from '../ui/laterIcons';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { BoardFinder } from '../job/BoardFinder';
import { BoardPane } from '../job/BoardPane';
import { PanelFindings } from '../job/PanelFindings';
import { useJob } from '../data/jobs';
import { useIndex } from '../data/useIndex';
import { Loaded } from '../data/Loaded';
import { useJobId, usePointId } from '../job/useJobId';
import { useTokens } from '../ui/theme';
import { AfterPaint } from '../ui/AfterPaint';
import { Notice } from '../ui/Notice';
import { StatusIcon } from '../ui/StatusIcon';
import { PageHead, Screen } from '../ui/Screen';
import { useWide } from '../ui/useWide';
import { PAGE_NAMES, StageStrip } from './StageStrip';
import type { Page } from './StageStrip';
import { usePoint } from './usePoint';
import type { OpenPoint } from './usePoint';
import { GoTo } from '../ui/GoTo';

interface Parts {
  readonly main: ReactNode;
  /** Stands beside the main part where there is room, below it on a phone. */
  readonly aside?: ReactNode;
  /** Stays in reach of the thumb. */
  readonly dock?: ReactNode;
}

/** A page of a point: its head and stages, and on a wide screen the board at the left. */
export function PointFrame({
  pointId,
  children,
}: {
  pointId?: string;
  children: (point: OpenPoint) => ReactNode;
}) {
  const jobId = useJobId();
  const fromAddress = usePointId();
  const job = useJob(jobId);
  const index = useIndex(job.data);
  const wide = useWide();
  const id = pointId ?? fromAddress;
  return (
    <View className="beside min-h-0 flex-1 flex-row">
      {wide && (
        <View className="no-print w-[320px] border-r-[1.5px] border-edge">
          <BoardPane
            jobId={jobId}
            chosen={id}
            notice={<PanelFindings jobId={jobId} />}
            finder={BoardFinder}
          />
        </View>
      )}
      <View className="min-h-0 min-w-0 flex-1">
        <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the point">
          {(view) => <PointBody key={id} id={id} view={view} index={sure(index)} render={children} />}
        </Loaded>
      </View>
    </View>
  );
}

function PointBody({
  id,
  view,
  index,
  render,
}: {
  id: string;
  view: OpenPoint['view'];
  index: OpenPoint['index'];
  render: (point: OpenPoint) => ReactNode;
}) {
  const point = usePoint(view, index, id);
  if (!point)
    return (
      <View className="p-4">
        <Notice>This point is not in the job. It may have been removed; go back to the Board.</Notice>
      </View>
    );
  return <>{render(point)}</>;
}

/** Lays out the parts of a point's page. */
export function PointPage({ point, page, main, aside, dock }: Parts & { point: OpenPoint; page: Page }) {
  const wide = useWide();
  const head = (
    <>
      <PointHead point={point} page={page} wide={wide} />
      <StageStrip base={point.base} here={page} progress={point.progress} />
    </>
  );
  if (!wide)
    return (
      <Screen head={head} dock={dock}>
        {main}
        <AfterPaint>{aside}</AfterPaint>
      </Screen>
    );
  return (
    <View className="beside min-h-0 flex-1 flex-row">
      <View className="min-w-0 flex-1">
        <Screen head={head}>{main}</Screen>
      </View>
      {(aside !== undefined || dock !== undefined) && (
        <View className="paper-wide w-[370px] border-l-[1.5px] border-edge">
          <ScrollView tabIndex={0} className="prints" contentContainerClassName="prints gap-4 p-4">
            <AfterPaint>{aside}</AfterPaint>
          </ScrollView>
          {dock}
        </View>
      )}
    </View>
  );
}

function PointHead({ point, page, wide }: { point: OpenPoint; page: Page; wide: boolean }) {
  const { soft } = useTokens();
  const { tag, name } = point.analysis.context.point;
  return (
    <PageHead
      title={tag}
      beside={name}
      titled={`${tag} ${PAGE_NAMES[page]}, ${name}`}
      back={wide ? undefined : `/job/${point.view.id}`}
      aside={
        <View className="flex-row items-center">
          <GoTo
            label={`Edit ${tag}`}
            to={`${point.base}/edit`}
            className="h-[48px] w-[48px] items-center justify-center"
          >
            <Pencil size={22} color={soft} />
          </GoTo>
          <StatusIcon kind={point.progress.overall} size={32} />
        </View>
      }
    />
  );
}
