import { additionOf, after, bareJob, withModule } from '../../test/jobs.ts';
import type { TestPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { outputOfType } from '../catalog/index.ts';
import { applyChange, changesFor, JobIndex, landingFor, landingsOf, NOBODY } from '../job/index.ts';
import { sure } from '../lists/index.ts';
import { textOf } from '../messages/index.ts';
import type { JobContent } from '../model/index.ts';
import { sheetOf } from '../setting/index.ts';
import { verdictOf } from './index.ts';

/** A point on a channel that is set for it: as a page does it. */
function landed(job: JobContent, p: TestPoint): JobContent {
  const addition = additionOf(p);
  const index = new JobIndex(job);
  const type = index.types.device(sure(addition.device ?? undefined));
  const landing = landingFor(index, sure(addition.place ?? undefined), type, outputOfType(type, p.outputId));
  return applyChange(
    job,
    { kind: 'batch', changes: [...changesFor(index, sure(landing)), addition] },
    NOBODY,
  );
}

const judged = (job: JobContent) => verdictOf(analyse(new JobIndex(job), 'px-1'));
const master = (typeId = 'iol-aabb'): JobContent => withModule(bareJob(), 'm', typeId, []);
const controller = (): JobContent => withModule(bareJob(), 'm', 'universal-controller', []);
const mode = (job: JobContent, key: string): string | undefined =>
  sheetOf(new JobIndex(job), 'm').lines.find(({ parameter }) => parameter.key === key)?.required?.value;

const PNP: TestPoint = { output: 'pnp', logic: 'no', at: ['m', 1] };

describe('a plain sensor on a port of an IO-Link master', () => {
  test('has the port set as an input, works there, and the sheet asks for it', () => {
    const job = landed(master(), PNP);
    expect(sure(job.modules.find(({ id }) => id === 'm')).settings).toMatchObject({ 'P2.mode': 'input' });
    expect(judged(job).status).toBe('works');
    // The rails are named as they are: the input's minus is inside the master.
    expect(textOf(judged(job).sentence)).toContain('+24');
    expect([mode(job, 'P1.mode'), mode(job, 'P2.mode')]).toEqual(['off', 'input']);
  });

  test('works with a contact and two wires as well, on either class', () => {
    for (const channel of [0, 3])
      expect(
        judged(
          landed(master(), {
            typeId: 'limit-switch',
            output: 'contact',
            logic: 'no',
            at: ['m', channel],
          }),
        ).status,
      ).toBe('works');
  });

  test('cannot be seen there when it pulls to minus', () => {
    expect(judged(landed(master(), { ...PNP, output: 'npn' })).status).toBe('cannot');
  });

  test('cannot be seen while the port is set to talk again', () => {
    const job = after(landed(master(), PNP), {
      kind: 'editModule',
      id: 'm',
      patch: { settings: { 'P2.mode': 'iolink' } },
    });
    expect(new JobIndex(job).port({ moduleId: 'm', channel: 1 }).kind).toBe('io-link');
    expect(judged(job).status).not.toBe('works');
  });
});

describe('an analog input of a universal controller', () => {
  const TRANSMITTER: TestPoint = {
    typeId: 'pressure-2w',
    at: ['m', 6],
    range: { low: 0, high: 10, unit: 'bar' },
  };

  test.each([
    ['a transmitter', TRANSMITTER, 'mA', 12],
    // Two leads of 10 m and 0.34 mm² count in: 2 × 10 × 0.0175 / 0.34.
    ['a resistive sender', { typeId: 'sender-2w', at: ['m', 7] as [string, number] }, 'Ω', 95 + 1.03],
  ] as const)('is set for %s and reads it', (_, point, unit, middle) => {
    const job = landed(controller(), { output: 'none', logic: 'none', ...point });
    const analysis = analyse(new JobIndex(job), 'px-1');
    expect(verdictOf(analysis).status).toBe('works');
    const half = sure(analysis.states.find(({ situation }) => situation.level === 0.5));
    const reading = sure(half.measured[0]);
    expect(reading.unit).toBe(unit);
    expect(reading.value.nom).toBeCloseTo(middle, 1);
  });

  test('is offered in each of its uses while it is free, and only as it is once something is on it', () => {
    const uses = (job: JobContent): number =>
      landingsOf(new JobIndex(job), 'm').filter(({ channel }) => channel === 6).length;
    expect(uses(controller())).toBe(3);
    expect(uses(landed(controller(), { output: 'none', logic: 'none', ...TRANSMITTER }))).toBe(1);
  });

  test('is asked to be a current input again where it was set otherwise behind the sensor', () => {
    const job = after(landed(controller(), { output: 'none', logic: 'none', ...TRANSMITTER }), {
      kind: 'editModule',
      id: 'm',
      patch: { settings: {} },
    });
    expect(judged(job).status).toBe('cannot');
    expect(mode(job, 'E1.use')).toBe('mA');
  });
});
