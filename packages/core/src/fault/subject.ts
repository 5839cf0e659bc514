import { oncePer } from '../lists/index.ts';
import { analyse, expectedStatesOf, netsIn } from '../analysis/index.ts';
import type { Analysis, ExpectedState, Nets, OwnInput } from '../analysis/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { JobIndex } from '../job/index.ts';
import type { JobContent } from '../model/index.ts';
import { unlessRefused } from '../model/index.ts';
import { contextOf } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';

/** A point as its circuits are looked at. */
export interface Subject {
  readonly context: PointContext;
  /** The digital input that the program reads it at. */
  readonly input: OwnInput | undefined;
  /** What has to be on or off by it. */
  readonly listeners: readonly Pick<ExpectedState, 'id' | 'on'>[];
  /** With all its states solved, for what asks for more. */
  readonly analysis: () => Analysis;
}

/** A point that was solved. */
export const subjectOf = oncePer((analysis: Analysis): Subject =>
  lookedAt(analysis.context, analysis.present.netlist, () => analysis),
);

/** A point as it is in another job, and its circuits, none of them solved yet; nothing where it cannot be so. */
export const subjectIn = (
  job: JobContent,
  pointId: string,
): { readonly as: Subject; readonly nets: Nets } | undefined =>
  unlessRefused(() => {
    const index = new JobIndex(job);
    const context = contextOf(index, pointId);
    const nets = netsIn(context);
    let solved: Analysis | undefined;
    const analysis = (): Analysis => (solved ??= analyse(index, pointId, 'nominal'));
    return { nets, as: lookedAt(context, nets.present, analysis) };
  });

function lookedAt(context: PointContext, { elements }: Netlist, analysis: Subject['analysis']): Subject {
  const detectors = new Set(elements.flatMap(({ kind, id }) => (kind === 'detector' ? [id] : [])));
  const input = context.ports.find(({ port }) => port.kind === 'digital');
  return {
    context,
    input: input as OwnInput | undefined,
    listeners: expectedStatesOf(context).filter(({ id }) => detectors.has(id)),
    analysis,
  };
}
