import { outputOfType, partTypesOf } from '../catalog/index.ts';
import type { DeviceOutput } from '../catalog/index.ts';
import { say } from '../messages/index.ts';
import type { JobContent, Point, Problem, Program } from '../model/index.ts';

function outputOf(job: JobContent, { deviceId, outputId }: Point): DeviceOutput | undefined {
  const device = job.devices.find(({ id }) => id === deviceId);
  const type = device && partTypesOf(job).findDevice(device);
  return type && outputOfType(type, outputId);
}

/** Whether a program reads one bit of a point that is about this output: it switches, and no program switches it. */
export const givesBit = (output: DeviceOutput | undefined): boolean => output?.landsOn === 'switched';

/** Whether a program can switch what such a point is about. */
export const takesProgram = (output: DeviceOutput | undefined): boolean => output?.landsOn === 'load';

/** Points that a program names, in its order. */
const inputsOf = ({ of, until }: Program): string[] => [
  ...of.map(({ pointId }) => pointId),
  ...(until === undefined ? [] : [until]),
];

/** What of the programs of a job cannot be: of a point that is no load, or by a point that gives no bit. */
export function checkPrograms(job: JobContent): Problem[] {
  const points = new Map(job.points.map((point) => [point.id, point]));
  return job.points.flatMap((point, i): Problem[] => {
    const { program, tag } = point;
    if (!program) return [];
    const path = `points[${i}].program`;
    const inputs = inputsOf(program);
    const twice = inputs.find((id, k) => inputs.indexOf(id) !== k);
    return [
      ...(takesProgram(outputOf(job, point))
        ? []
        : [{ path, message: say('job.program-of-no-load', { tag }) }]),
      ...(twice === undefined
        ? []
        : [
            {
              path,
              message: say('job.program-names-twice', { tag, twice: points.get(twice)?.tag ?? twice }),
            },
          ]),
      ...inputs.flatMap((id) => {
        const input = points.get(id);
        return input && givesBit(outputOf(job, input))
          ? []
          : [{ path, message: say('job.program-needs-bit', { tag, input: input?.tag ?? id }) }];
      }),
    ];
  });
}

/** Points of which none is switched by one that leaves; a program without inputs goes with it. */
export const withoutInput = (points: readonly Point[], pointId: string): Point[] =>
  points.map((point) => {
    const { program, ...rest } = point;
    if (!program || !inputsOf(program).includes(pointId)) return point;
    const of = program.of.filter((input) => input.pointId !== pointId);
    const { until, ...left } = program;
    const kept = until === undefined || until === pointId ? left : { ...left, until };
    return of.length ? { ...rest, program: { ...kept, of } } : rest;
  });
