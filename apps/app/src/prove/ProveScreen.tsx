import { textOf } from '@keypost/core/messages';
import { latestResults, statesPlan, takesInjection } from '@keypost/core/proving';
import { useMemo } from 'react';
import { PointFrame, PointPage } from '../point/PointFrame';
import type { OpenPoint } from '../point/usePoint';
import { ButtonLink } from '../ui/ButtonLink';
import { Notice } from '../ui/Notice';
import { ErrorChart } from './ErrorChart';
import { InjectionForm } from './InjectionForm';
import { Results } from './Results';
import { ProofForm } from './ProofForm';

/** Prove: what was seen and measured in both states, against what the circuit predicts. */
export function ProveScreen() {
  return <PointFrame>{(point) => <Prove point={point} />}</PointFrame>;
}

function Prove({ point }: { point: OpenPoint }) {
  const plan = useMemo(() => statesPlan(point.analysis), [point.analysis]);
  const latest = latestResults(point.view.content, point.analysis.context.point.id);
  const main = plan.blocked ? (
    <Notice actions={<ButtonLink label="Go to Land" kind="main" to={point.base} />}>
      {textOf(plan.blocked)}
    </Notice>
  ) : (
    <>
      <ProofForm point={point} plan={plan} latest={latest} />
      {takesInjection(point.analysis) && <InjectionForm point={point} latest={latest} />}
    </>
  );
  return (
    <PointPage
      point={point}
      page="prove"
      main={main}
      aside={
        <>
          <ErrorChart point={point} />
          <Results point={point} />
        </>
      }
    />
  );
}
