import { say } from '../messages/index.ts';
import type { JobContent, Problem } from '../model/index.ts';

/** What cannot be among the calibrations of a job: tables that say two things of one signal, what refers to nothing. */
export function checkCalibrations({ calibrations }: JobContent): Problem[] {
  const pointOf = new Map(calibrations.map(({ id, pointId }) => [id, pointId]));
  return calibrations.flatMap(({ body, pointId }, i): Problem[] => {
    const path = `calibrations[${i}].body`;
    if (body.kind === 'void' && pointOf.get(body.of) !== pointId)
      return [{ path: `${path}.of`, message: say('job.point-holds-calibration', { of: body.of }) }];
    if (body.kind !== 'workshop') return [];
    const seen = new Set<number>();
    return body.points.flatMap((point, k) => {
      const twice = seen.has(point.in);
      seen.add(point.in);
      return twice
        ? [
            {
              path: `${path}.points[${k}]`,
              message: say('job.stands-table-twice-each', { inValue: point.in, unitIn: body.unitIn }),
            },
          ]
        : [];
    });
  });
}
