import { landSteps, stampedSteps } from '@keypost/core/presentation';
import { useMemo } from 'react';
import { useSave } from '../data/useSave';
import { PointFrame, PointPage } from '../point/PointFrame';
import type { OpenPoint } from '../point/usePoint';
import { LoopBudgetCard } from './LoopBudgetCard';
import { ArcChainCard } from './ArcChainCard';
import { ChannelCard } from './ChannelCard';
import { FiveStates } from './FiveStates';
import { NextStep, StampSteps } from '../point/StampSteps';
import { Loop } from './Loop';
import { MoreCard } from './MoreCard';
import { RuleCard } from './RuleCard';
import { StopsCard } from './StopsCard';
import { VerdictText } from '../point/VerdictText';

export function LandScreen() {
  return <LandPoint />;
}

/** Land: the loop with its verdict, the meter, and the steps that bring it to the terminals. */
export function LandPoint({ pointId }: { pointId?: string }) {
  return <PointFrame pointId={pointId}>{(point) => <Land point={point} />}</PointFrame>;
}

function Land({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const { analysis, view } = point;
  const steps = useMemo(
    () => stampedSteps(view.content, analysis.context.point.id, landSteps(analysis)),
    [view, analysis],
  );
  return (
    <PointPage
      point={point}
      page="land"
      main={
        <>
          <VerdictText point={point} saver={saver} />
          <Loop point={point} />
        </>
      }
      aside={
        <>
          <StopsCard point={point} saver={saver} />
          <StampSteps point={point} steps={steps} title="Steps" label="Steps of landing" saver={saver} />
          <LoopBudgetCard analysis={analysis} />
          <ArcChainCard point={point} />
          <MoreCard point={point} />
          {point.verdict.status !== 'open' && <FiveStates analysis={analysis} />}
          <ChannelCard point={point} saver={saver} />
          <RuleCard point={point} />
        </>
      }
      dock={<NextStep point={point} steps={steps} saver={saver} />}
    />
  );
}
