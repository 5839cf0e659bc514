import { oncePer } from '../lists/index.ts';
import { analyse, expectedStatesOf, netsIn } from '../analysis/index.ts';
import type { Analysis, ExpectedState, Nets, OwnInput } from '../analysis/index.ts';
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
export const subjectOf = oncePer((analysis: Analysis): Subject => ({
  context: analysis.context,
  input: analysis.present.inputs[0]?.own,
  listeners: analysis.present.loads.map(({ expected }) => expected),
  analysis: () => analysis,
}));

/** A point as it is in another job, and its circuits, none of them solved yet; nothing where it cannot be so. */
export const subjectIn = (
  job: JobContent,
  pointId: string,
): { readonly as: Subject; readonly nets: Nets } | undefined =>
  unlessRefused(() => {
    const index = new JobIndex(job);
    const context = contextOf(index, pointId);
    const nets = netsIn(context);
    const detectors = new Set(
      nets.present.elements.flatMap(({ kind, id }) => (kind === 'detector' ? [id] : [])),
    );
    let solved: Analysis | undefined;
    const input = context.ports.find(({ port }) => port.kind === 'digital');
    return {
      nets,
      as: {
        context,
        input: input as OwnInput | undefined,
        listeners: expectedStatesOf(context).filter(({ id }) => detectors.has(id)),
        analysis: () => (solved ??= analyse(index, pointId, 'nominal')),
      },
    };
  });
