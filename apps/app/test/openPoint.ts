import { analyse } from '@keypost/core/analysis';
import { applyChange, JobIndex } from '@keypost/core/job';
import { emptyJob } from '@keypost/core/model';
import { progressOf } from '@keypost/core/proving';
import { verdictOf } from '@keypost/core/verdict';
import type { Change } from '@keypost/core/job';
import type { JobContent, OutputKind } from '@keypost/core/model';
import type { JobView } from '@keypost/api';
import type { OpenPoint } from '../src/point/usePoint';

const ACTOR = { by: 'TT', at: '2026-01-01T00:00:00.000Z' };

/** A job with one module `m` whose common sits on a rail, and one inductive sensor `p` on its channel 0. */
export function smallJob(
  rail: '+' | '-' | null = '-',
  kind: OutputKind = 'pnp',
  more: Change[] = [],
): JobContent {
  const changes: Change[] = [
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
      commons: [rail],
    },
    {
      kind: 'addPoint',
      point: { id: 'p', tag: 'PX-1', name: 'Valve shut', deviceId: 'd', bit: 'direct' },
      device: { id: 'd', tag: 'PX-1', typeId: 'inductive-3w', outputs: { output: { kind, logic: 'no' } } },
      place: { moduleId: 'm', channel: 0 },
    },
    ...more,
  ];
  return changes.reduce<JobContent>((job, change) => applyChange(job, change, ACTOR), emptyJob('T', ''));
}

export function viewOf(content: JobContent): JobView {
  const rows = (['supplies', 'modules', 'devices', 'points', 'wires'] as const).flatMap((collection) =>
    content[collection].map(({ id }) => [`${collection}/${id}`, 1] as const),
  );
  return { id: 'j', revision: 1, content, revisions: Object.fromEntries(rows), damaged: [] };
}

/** A point of a job, solved, as its screens get it. */
export function openPoint(content: JobContent = smallJob(), pointId = 'p'): OpenPoint {
  const index = new JobIndex(content);
  const analysis = analyse(index, pointId);
  return {
    view: viewOf(content),
    index,
    analysis,
    verdict: verdictOf(analysis),
    progress: progressOf(content, analysis),
    type: analysis.context.type,
    base: `/job/j/point/${pointId}`,
  };
}
