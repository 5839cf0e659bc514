import { sure } from '../lists/index.ts';
import { FAMILIES, withMains } from '../../test/families.ts';
import { ACTOR, after, bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { twoContactors, without } from '../../test/safetyJobs.ts';
import { analyse } from '../analysis/analysis.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import { planRelay } from '../planning/relayPlan/planRelay.ts';
import { chainOf } from '../scaling/pointChain.ts';
import { parseIn } from '../units/index.ts';
import { verdictOf } from './verdict.ts';

/** What a job that somebody typed from empty ends in: it works, or its first cause, and what the first way out makes of it. */
function ends(job: JobContent): string[] {
  const { status, reasons, remedies } = verdictOf(analyse(new JobIndex(job), 'px-1'));
  if (status === 'works') return [status];
  const mended = applyChange(job, sure(remedies[0]).change, ACTOR);
  return [sure(reasons[0]).code, verdictOf(analyse(new JobIndex(mended), 'px-1')).status];
}

const load = (tag: string, typeId: string, on: 'present' | 'away') =>
  ({ kind: 'load', tag, typeId, on, bothLines: false }) as const;

test('a two-wire a.c. sensor with relay, motor and two lamps', () => {
  const job = withPoint(withMains(bareJob()), { typeId: 'inductive-2w-ac', output: 'twowire', at: null });
  const plan = planRelay(job, 'px-1', {
    tag: 'K1',
    suppressor: 'none',
    tasks: [
      load('M1', 'fan-230', 'present'),
      load('H1', 'lamp-230', 'present'),
      load('H2', 'lamp-230', 'away'),
    ],
  });
  const outcome = ends(applyChange(job, sure(plan.change), ACTOR));
  expect(outcome.at(-1)).toBe('works');
  expect(outcome.length === 1 || ['leak-holds', 'kept-in', 'starved'].includes(sure(outcome[0]))).toBe(true);
});

test('the same sensor on an input of 24 V is told what it lacks, before anything else', () => {
  const onInput = (job: JobContent) =>
    withPoint(withModule(job, 'm', 'di8-both-8', ['-']), { typeId: 'inductive-2w-ac', output: 'twowire' });
  const wired = onInput(bareJob());
  const first = (job: JobContent) =>
    verdictOf(analyse(new JobIndex(job), 'px-1')).reasons.map(({ sentence }) => said(sentence));
  expect(first(wired)).toEqual(['reason.ac-dc.no-mains device=PX-1']);
  const mains = withMains(bareJob());
  const led = onInput(mains);
  // With mains in the job its leads are proposed there; brought onto 24 V by hand it is told of both.
  expect(first(led)[0]).toMatch(/^reason\.ac-dc/);
});

test('a transmitter on an analog input whose common was never chosen', () => {
  const job = withPoint(withModule(bareJob(), 'm', 'ai4-switch', [null, null, null, null]), {
    typeId: 'transmitter-2w',
    output: 'none',
    logic: 'none',
    range: { low: 0, high: 10, unit: 'bar' },
  });
  expect(ends(job)).toEqual(['loop-open', 'works']);
  const [reason] = verdictOf(analyse(new JobIndex(job), 'px-1')).reasons;
  expect(said(reason?.sentence)).toBe('reason.loop-open.nothing-on device=PX-1 ends=M A0-');
});

test('a guard with two contactors and feedback, and the same with its feedback forgotten', () => {
  expect(ends(twoContactors())).toEqual(['works']);
  const { status, reasons } = verdictOf(analyse(new JobIndex(without(twoContactors(), 's:FB')), 'px-1'));
  expect([status, reasons[0]?.code]).toEqual(['cannot', 'safety-feedback']);
});

test('a thermocouple at 0 to 400 °C', () => {
  const family = sure(FAMILIES.thermocouple)();
  const job = after(family, {
    kind: 'editPoint',
    id: 'px-1',
    patch: { range: { low: 0, high: 400, unit: '°C' } },
  });
  expect(ends(job)).toEqual(['works']);
});

test('a table of loads with “12,500” in it asks, and takes what was meant', () => {
  const read = parseIn('12,500', 'kg');
  expect(read).toMatchObject({
    ok: false,
    problem: { code: 'quantity.thousands', values: { small: '12.5', large: '12500' } },
  });
  const meant = parseIn('12500 kg', 'kg');
  const out = meant.ok ? meant.value : NaN;
  const job = withPoint(withModule(bareJob(), 'm', 'ai4-switch', ['-', '-', '-', '-']), {
    typeId: 'transmitter-2w',
    output: 'none',
    logic: 'none',
    range: { low: 0, high: 25_000, unit: 'kg' },
  });
  const points = [
    { in: 4, out: 0 },
    { in: 11.5, out },
    { in: 20, out: 25_000 },
  ];
  const body = { kind: 'workshop' as const, unitIn: 'mA', unitOut: 'kg', points, note: '' };
  const inForce = { kind: 'inForce' as const, table: 'workshop' as const, note: '' };
  const ruled = after(job, {
    kind: 'calibrate',
    calibrations: [
      { id: 'w', pointId: 'px-1', body },
      { id: 'f', pointId: 'px-1', body: inForce },
    ],
  });
  const made = chainOf(analyse(new JobIndex(ruled), 'px-1'));
  if (!made || 'problem' in made) throw new Error('no chain');
  expect(made.tables.points.map((point) => point.out)).toEqual([0, 12_500, 25_000]);
});
