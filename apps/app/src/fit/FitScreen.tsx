import { fitSteps } from '@keypost/core/setting';
import { useMemo } from 'react';
import { useSave } from '../data/useSave';
import { PointFrame, PointPage } from '../point/PointFrame';
import { NextStep, StampSteps } from '../point/StampSteps';
import type { OpenPoint } from '../point/usePoint';
import { NamePlate } from './NamePlate';

/** Fit: what to look at before anything is wired, and what the name-plate says. */
export function FitScreen() {
  return <PointFrame>{(point) => <Fit point={point} />}</PointFrame>;
}

function Fit({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const { index, context } = { index: point.index, context: point.analysis.context };
  const steps = useMemo(() => fitSteps(index, context.point), [index, context]);
  return (
    <PointPage
      point={point}
      page="fit"
      main={
        <StampSteps
          point={point}
          steps={steps}
          title="Before it is wired"
          label="Checks of fitting"
          saver={saver}
        />
      }
      aside={<NamePlate point={point} />}
      dock={<NextStep point={point} steps={steps} saver={saver} />}
    />
  );
}
