import { textOf } from '@keypost/core/messages';
import { takesProgram } from '@keypost/core/job';
import { latestResults, programText, statesPlan, takesInjection } from '@keypost/core/proving';
import { useMemo } from 'react';
import { PointFrame, PointPage } from '../point/PointFrame';
import type { OpenPoint } from '../point/usePoint';
import { ButtonLink } from '../ui/ButtonLink';
import { Card } from '../ui/Card';
import { MoreRow } from '../ui/MoreRow';
import { Notice } from '../ui/Notice';
import { ErrorChart } from './ErrorChart';
import { InjectionForm } from './InjectionForm';
import { Results } from './Results';
import { ProofForm } from './ProofForm';

/** Prove: what was seen and measured in both states, against what the circuit predicts. */
export function ProveScreen() {
  return <PointFrame>{(point) => <Prove point={point} />}</PointFrame>;
}

/** What switches an output that a program can switch, and the way to say it. */
function ProgramRow({ point: { view, analysis, base } }: { point: OpenPoint }) {
  const { point, port, output } = analysis.context;
  if (port?.kind !== 'output' || !takesProgram(output)) return null;
  return (
    <Card>
      <MoreRow
        first
        to={`${base}/program`}
        label="What switches it"
        hint={
          point.program
            ? textOf(programText(point.program, view.content.points))
            : 'not said; its wiring can be proven with it'
        }
      />
    </Card>
  );
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
          <ProgramRow point={point} />
          <ErrorChart point={point} />
          <Results point={point} />
        </>
      }
    />
  );
}
