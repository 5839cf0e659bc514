import { safetyTarget } from '@keypost/core/analysis';
import { JobIndex } from '@keypost/core/job';
import { oncePer } from '@keypost/core/lists';
import { codeOfRound, MAX_SEED } from '@keypost/core/fault';
import type { Level } from '@keypost/core/fault';
import type { FaultSort, JobContent, Point } from '@keypost/core/model';
import { contextOf } from '@keypost/core/network';

/** Points in which something can be hidden: where their parts are wired to something that is looked at. */
export const searchable = oncePer((content: JobContent): Point[] => {
  const index = new JobIndex(content);
  return content.points.filter(({ id, range }) => {
    const context = contextOf(index, id);
    const { output, ports, helpers } = context;
    const on = ports[0]?.port.kind;
    switch (output.drivenBy) {
      case 'target':
        return on === 'digital' || helpers.length > 0;
      case 'value':
        // What its counts are is known with its range only.
        return on === 'analog' && range !== undefined;
      case 'pulses':
        return on === 'digital';
      case 'command':
      case 'communication':
        return on !== undefined;
      case 'guard':
        return safetyTarget(context) !== undefined;
      default:
        return false;
    }
  });
});

const anyOf = (count: number): number => Math.floor(Math.random() * count);

/** The code of a new round; any point where none is said. */
export function newRound(
  content: JobContent,
  { level, sort, pointId }: { level: Level; sort: FaultSort | undefined; pointId: string | undefined },
): string {
  const points = searchable(content);
  const id = pointId ?? points[anyOf(points.length)]?.id;
  const point = content.points.findIndex((one) => one.id === id);
  return codeOfRound(
    { level, sort, point, seed: anyOf(MAX_SEED) },
    content.points.map(({ tag }) => tag),
  );
}

/** Said of a code that was made from another list of faults. */
export const OLDER_ROUND =
  'This code is from an earlier version of Key Post: today it would hide something else. Ask whoever gave it for a new one.';

/** Rounds that come with the demo. */
export const SHIPPED: readonly { tag: string; level: Level; sort: undefined; seed: number }[] = [
  { tag: 'LX-107', level: 'easy', sort: undefined, seed: 11 },
  { tag: 'PX-112', level: 'easy', sort: undefined, seed: 12 },
  { tag: 'ZS-110', level: 'usual', sort: undefined, seed: 23 },
  { tag: 'PX-115', level: 'hard', sort: undefined, seed: 7 },
  { tag: 'LX-215', level: 'mean', sort: undefined, seed: 3 },
];
