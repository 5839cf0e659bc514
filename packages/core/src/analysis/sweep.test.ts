import { nth, sure } from '../lists/index.ts';
import fc from 'fast-check';
import { bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { DEVICE_TYPES, MODULE_TYPES } from '../catalog/catalog.ts';
import type { ModuleType } from '../catalog/moduleType.ts';
import { compile } from '../circuit/compile.ts';
import { Solver } from '../circuit/solve.ts';
import type { Sense } from '../circuit/netlist.ts';
import { checkJob } from '../proving/checkJob.ts';
import { analyse } from './analysis.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { judge } from '../verdict/judge.ts';
import { verdictOf } from '../verdict/verdict.ts';

// One seed, so that every run tries the same jobs; change it to look further.
fc.configureGlobal({ seed: 20261125, endOnFailure: true });

const ACTOR = { by: 'TT', at: '2026-01-02T03:04:05.000Z' };

/** The rule of thumb, written down apart from any circuit: which kinds suit a group whose common sits on a rail. */
function suits(output: string, sense: string, rail: '+' | '-' | null): boolean {
  if (rail === null) return false;
  const sinks = rail === '-' && sense !== 'source';
  const sources = rail === '+' && sense !== 'sink';
  if (output === 'pnp') return sinks;
  if (output === 'npn') return sources;
  return sinks || sources;
}

const senseOfType = (module: ModuleType): Sense => {
  const [port] = module.ports({});
  return port?.kind === 'digital' ? port.sense : 'both';
};

/** Sensors and contacts with one switching output of a kind that the rule of thumb knows. */
const SENSORS = DEVICE_TYPES.flatMap((type) => {
  const [output] = type.outputs;
  return output?.drivenBy === 'target' &&
    output.landsOn === 'switched' &&
    !type.description.safety &&
    !output.kinds.includes('twowire')
    ? [{ type, output }]
    : [];
});

describe.each(SENSORS.map(({ type, output }) => [type.id, type, output] as const))('%s', (_, type, own) => {
  test('works in a solved circuit exactly where the rule of thumb lets it, in every logic', () => {
    for (const module of MODULE_TYPES.filter((m) => m.description.allocates && m.groups.length === 1))
      for (const rail of ['+', '-', null] as const)
        for (const output of own.kinds)
          for (const logic of own.logics) {
            const empty = withModule(bareJob(), 'm', module.id, [rail]);
            const job = withPoint(empty, { typeId: type.id, output, logic });
            const { status } = judge(analyse(new JobIndex(job), 'px-1'));
            const at = `${output} ${logic} on ${module.id}, common on ${rail}`;
            expect([at, status === 'works']).toEqual([at, suits(output, senseOfType(module), rail)]);
          }
  });
});

/** A small random job: some points on some channels of a module, its commons anywhere. */
const job = fc
  .record({
    commons: fc.tuple(
      fc.constantFrom('+' as const, '-' as const, null),
      fc.constantFrom('+' as const, '-' as const, null),
    ),
    points: fc.array(
      fc.record({
        kind: fc.nat(SENSORS.length - 1),
        output: fc.nat(2),
        logic: fc.nat(1),
        channel: fc.nat(7),
      }),
      { minLength: 1, maxLength: 5 },
    ),
  })
  .map(({ commons, points }) => {
    const taken = new Set<number>();
    return points.reduce(
      (j, { kind, output, logic, channel }, n) => {
        if (taken.has(channel)) return j;
        taken.add(channel);
        const { type, output: own } = nth(SENSORS, kind);
        return withPoint(j, {
          tag: `P-${n}`,
          typeId: type.id,
          output: own.kinds[output % own.kinds.length],
          logic: own.logics[logic % own.logics.length],
          at: ['m', channel],
        });
      },
      withModule(bareJob(), 'm', 'di8-both-4-4', commons),
    );
  });

test('every way out of a random job can be done, and then the point works', () => {
  fc.assert(
    fc.property(job, (j) => {
      const index = new JobIndex(j);
      for (const { id } of j.points)
        for (const { change } of verdictOf(analyse(index, id)).remedies) {
          const next = new JobIndex(applyChange(j, change, ACTOR));
          expect(judge(analyse(next, id)).status).toBe('works');
        }
    }),
    { numRuns: 40 },
  );
});

test('a point that works reads as it should at random values within all tolerances', () => {
  const share = fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true }));
  fc.assert(
    fc.property(job, share, (j, shares) => {
      const index = new JobIndex(j);
      for (const { id } of j.points) {
        const analysis = analyse(index, id);
        if (judge(analysis).status !== 'works') continue;
        for (const state of analysis.states) {
          const c = compile(state.netlist);
          const solver = new Solver(c);
          const params = c.nominal.map(
            (_, i) => nth(c.min, i) + (nth(c.max, i) - nth(c.min, i)) * (shares.next().value as number),
          );
          solver.run(params);
          const { moduleId, channel } = sure(analysis.context.place);
          const amps = Math.abs(solver.branchAmps(`${moduleId}/I${channel}`, params));
          if (state.input === 'on') expect(amps).toBeGreaterThanOrEqual(0.002);
          else expect(amps).toBeLessThanOrEqual(0.0005);
        }
      }
    }),
    { numRuns: 40 },
  );
});

test('the same job is checked to the same words, however its rows are ordered', () => {
  fc.assert(
    fc.property(job, (j) => {
      const turned = { ...j, wires: [...j.wires].reverse(), devices: [...j.devices].reverse() };
      const words = (list: ReturnType<typeof checkJob>) =>
        list.map(({ progress, place }) => [progress.tag, place, progress.verdict.status]);
      expect(words(checkJob(turned))).toEqual(words(checkJob(j)));
    }),
    { numRuns: 25 },
  );
});
