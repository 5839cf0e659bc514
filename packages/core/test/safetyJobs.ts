import { sure } from '../src/lists/index.ts';
import type { JobContent } from '../src/model/collections.ts';
import { chainJob, driveStopJob, guardJob, inputs } from './families.ts';
import { after, withHelper, withModule, withPoint, withWires } from './jobs.ts';

export const wireAt = (job: JobContent, ref: string) =>
  sure(job.wires.find(({ from, to }) => from === ref || to === ref));

/** The wire on a terminal led from there to another one. */
export function moved(job: JobContent, ref: string, to: string): JobContent {
  const wire = wireAt(job, ref);
  return after(job, { kind: 'moveWire', wireId: wire.id, [wire.from === ref ? 'to' : 'from']: to });
}

/** The wires on these terminals taken away. */
export const without = (job: JobContent, ...refs: string[]): JobContent =>
  refs.reduce((next, ref) => after(next, { kind: 'removeWire', wireId: wireAt(next, ref).id }), job);

/** A guard on a safety relay with two contactors, each on a safe contact of its own, and both mirrors in the feedback. */
export function twoContactors(settings: Record<string, string> = {}, typeId = 'guard-2c'): JobContent {
  const job = withHelper(
    without(guardJob(settings, typeId), 'km:22'),
    'px-1',
    { id: 'km2', typeId: 'contactor-24dc', settings: { suppressor: 'diode', duty: 'present' } },
    [
      ['A1', 's:24'],
      ['A2', 'g1:-'],
      ['21', 'km:22'],
      ['22', 's:FB'],
    ],
  );
  return withWires(job, ['s:23', 'g1:+']);
}

/** A guard on a safety relay whose safe contacts feed the two safe-stop inputs of a drive. */
export function relayOnDrive(): JobContent {
  let job = withModule(without(guardJob(), 'km:A1', 'km:22'), 'd', 'drive', ['-', '-', '-'], 40);
  job = after(job, { kind: 'removeHelper', id: 'km' });
  return withWires(
    job,
    ['s:23', 'g1:+'],
    ['s:14', 'd:S1'],
    ['s:24', 'd:S2'],
    ['d:SC', 'g1:-'],
    ['s:T1', 's:FB'],
  );
}

/** A valve instead of a contactor. */
export const withValve = (): JobContent => {
  const job = without(guardJob(), 'km:A1', 'km:A2', 'km:21', 'km:22');
  const bare = after(job, { kind: 'removeHelper', id: 'km' });
  return withWires(
    withHelper(bare, 'px-1', { id: 'y1', typeId: 'valve-24', settings: { duty: 'present' } }, [
      ['1', 's:14'],
      ['2', 'g1:-'],
    ]),
    ['s:T1', 's:FB'],
  );
};

/** The safe contact in the return of the coil instead of in its feed. */
export const inTheReturn = (): JobContent => {
  const job = without(guardJob(), 's:13', 'km:A1', 'km:A2');
  return withWires(job, ['km:A1', 'g1:+'], ['km:A2', 's:13'], ['s:14', 'g1:-']);
};

/** Two guards on one safety relay, each on an input of its own. */
export function twoGuards(): JobContent {
  return withPoint(guardJob({ selector: 'both' }), {
    tag: 'GS-2',
    typeId: 'guard-transistor',
    output: 'pnp',
    logic: 'nc',
    at: ['s', 1],
  });
}

/** An output of a controller beside the safety relay. */
export const withOutputs = (job: JobContent): JobContent => withModule(job, 'o', 'do8-high', [], 60);

/** A lamp of the point that nothing is wired to yet. */
export const withLamp = (job: JobContent): JobContent =>
  withHelper(job, 'px-1', { id: 'h1', typeId: 'lamp-filament-24' }, []);

/** The point says that it stops a part. */
export const stopping = (job: JobContent, id: string): JobContent =>
  after(job, { kind: 'editPoint', id: 'px-1', patch: { stops: [id] } });

const guardAlone = (): JobContent =>
  withPoint(inputs(), { typeId: 'guard-2c', output: 'contact', logic: 'nc', at: null });

export const guardOnNothing = guardAlone;

/** A guard whose two channels lead to normal inputs. */
export const guardOnInput = (): JobContent =>
  withWires(
    guardAlone(),
    ['px-1-b:11', 'g1:+'],
    ['px-1-b:12', 'm:I0'],
    ['px-1-b:21', 'g1:+'],
    ['px-1-b:22', 'm:I1'],
  );

export { chainJob, driveStopJob, guardJob };

/** A reset button that is always closed. */
export const bridgedReset = (): JobContent => withWires(twoContactors(), ['reset:13', 'reset:14']);
