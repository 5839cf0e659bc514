import { analogJob, inputs } from '../../test/families.ts';
import { after, jobWith, withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { sure } from '../lists/index.ts';
import { SwitchingOutput } from '../model/index.ts';
import type { JobContent } from '../model/index.ts';
import { progressOf } from '../proving/index.ts';
import { inputFaults } from './inputFaults.ts';
import { outputsOf } from './pointOutput.ts';

const output = (patch: Record<string, unknown>) =>
  SwitchingOutput.parse({
    id: 'o',
    name: 'Pump',
    decidedBy: 'controller',
    watches: 'value',
    unit: 'bar',
    mode: { kind: 'points', set: 6, reset: 5 },
    logic: 'no',
    damping: 0,
    onDelay: 2,
    offDelay: 1,
    startUp: 30,
    leastPulse: 0,
    clearedBy: 'itself',
    onFault: { break: 'on', short: 'off', invalid: 'hold' },
    ...patch,
  });

const jobOf = (patch: Record<string, unknown>, typeId = 'pressure-2w'): JobContent =>
  after(
    analogJob(typeId),
    { kind: 'editPoint', id: 'px-1', patch: { range: { low: 0, high: 10, unit: 'bar' } } },
    { kind: 'setSwitching', pointId: 'px-1', switching: { outputs: [output(patch)] } },
  );
const analysed = (job: JobContent) => analyse(new JobIndex(job), 'px-1');
const found = (patch: Record<string, unknown> = {}) => {
  const [one] = outputsOf(analysed(jobOf(patch)));
  if (!one || 'problem' in one) throw new Error('a threshold');
  return one;
};

describe('a threshold that is decided outside of the device', () => {
  test.each([
    ['signal', 'mA', 13.6, 12, 6],
    // What the program has comes in counts: within one of 27648 for 10 bar.
    ['engineering', 'bar', 6, 5, 3],
  ])('compares the %s in its own unit, which lies on the value', (watches, unit, set, reset, digits) => {
    const { mode } = found({ watches, unit, mode: { kind: 'points', set, reset } }).own;
    if (mode.kind !== 'points') throw new Error('points');
    expect(mode.set).toBeCloseTo(6, digits);
    expect(mode.reset).toBeCloseTo(5, digits);
  });

  test('a window lies on the value as well, its hysteresis beyond its ends', () => {
    const { mode } = found({
      watches: 'signal',
      unit: 'mA',
      mode: { kind: 'window', low: 8, high: 12, hysteresis: 0.16 },
    }).own;
    if (mode.kind !== 'window') throw new Error('window');
    expect(mode.low).toBeCloseTo(2.5, 6);
    expect(mode.high).toBeCloseTo(5, 6);
    expect(mode.hysteresis).toBeCloseTo(0.1, 6);
  });

  test('numbers in a unit that the link has no more are told, not converted', () => {
    const [one] = outputsOf(analysed(jobOf({ watches: 'signal', unit: 'V' })));
    expect(one && 'problem' in one && said(one.problem)).toBe('switching.output-other-unit was=V unit=mA');
  });

  test('faults come to what it was told to do with them, and to what the circuit makes of them', () => {
    const { faults } = found({ safeSide: 'off', onFault: { break: 'on', short: 'off', invalid: 'off' } });
    const of = (code: string) => faults.filter(({ what }) => said(what).startsWith(code));
    // A broken wire gives no current, which is known for a break: it was told to come on then.
    for (const one of of('switching.fault-wire'))
      expect(one).toMatchObject({ on: true, safe: false, hidden: false });
    expect(of('switching.fault-no-power')).toMatchObject([{ on: false, safe: true }]);
    expect(of('switching.fault-output-on')).toMatchObject([{ on: true, safe: false, hidden: true }]);
    const { unsafe } = found({ safeSide: 'on', logic: 'nc' });
    // Normally closed and safe while on: without power it is off, whatever it was told.
    expect(unsafe.map(({ what }) => said(what))).toContain('switching.fault-no-power');
    expect(found({}).faults.every(({ safe }) => safe === undefined)).toBe(true);
  });

  test('the point is done only once it is set where it is decided', () => {
    const stage = (job: JobContent) =>
      progressOf(job, analysed(job)).stages.find((one) => one.stage === 'switch');
    const job = jobOf({});
    expect(stage(job)).toMatchObject({ mark: 'open' });
    const stamp = { id: 's', pointId: 'px-1', step: 'switch.output.o', fingerprint: {} };
    expect(stage(jobOf({ mode: { kind: 'points', set: 6, reset: 5.999 } }))).toMatchObject({
      mark: 'underway',
    });
    expect(stage(jobOf({ safeSide: 'on' }))).toMatchObject({ mark: 'doubtful' });
    // A stamp about another threshold than stands there does not count.
    expect(stage(after(job, { kind: 'stamp', stamp }))).toMatchObject({ mark: 'open' });
  });
});

test('a limit before the face of a distance sensor, or beyond its reach, is never met', () => {
  const codes = (set: number, reset: number) => {
    const job = after(
      analogJob('ultrasonic-switch-analog'),
      { kind: 'editPoint', id: 'px-1', patch: { range: { low: 0, high: 3000, unit: 'mm' } } },
      { kind: 'setPlate', pointId: 'px-1', plate: { blind: '200', reach: '2 m' } },
      {
        kind: 'enter',
        entries: [
          {
            id: 'e',
            itemId: 'px-1-b',
            side: 'found',
            how: 'typed',
            values: { mode: 'distance' },
          },
        ],
      },
      {
        kind: 'setSwitching',
        pointId: 'px-1',
        switching: { outputs: [output({ unit: 'mm', mode: { kind: 'points', set, reset } })] },
      },
    );
    const [one] = outputsOf(analysed(job));
    if (!one || 'problem' in one) throw new Error(one ? said(one.problem) : 'none');
    return one.threshold.findings.map(({ code }) => code).filter((code) => code.includes('blind'));
  };
  expect(codes(1000, 900)).toEqual([]);
  expect(codes(150, 400)).toEqual(['switching.in-blind-zone']);
  expect(codes(2500, 1900)).toEqual(['switching.in-blind-zone']);
});

describe('what an input of a point that only switches reads with a fault', () => {
  const sensor = (
    safeInput: 'on' | 'off' | undefined,
    logic: 'no' | 'nc' = 'no',
    bit: 'direct' | 'inverted' = 'direct',
  ) =>
    inputFaults(
      analysed(
        after(
          withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp', logic, bit }),
          ...(safeInput
            ? [{ kind: 'setSwitching', pointId: 'px-1', switching: { safeInput } } as const]
            : []),
        ),
      ),
    );
  const unsafe = (faults: ReturnType<typeof sensor>) =>
    faults.filter(({ safe }) => safe === false).map(({ what }) => said(what).split(' ')[0]);

  test('a PNP sensor reads 0 with each wire off and without its supply, NO or NC', () => {
    for (const logic of ['no', 'nc'] as const) {
      const faults = sensor('off', logic);
      const wires = faults.filter(({ what }) => said(what).startsWith('switching.fault-wire'));
      expect(wires.length).toBeGreaterThanOrEqual(2);
      for (const { bits, safe } of wires) expect([bits, safe]).toEqual([[0, 0], true]);
      expect(unsafe(faults)).toEqual(expect.arrayContaining(['switching.fault-output-on']));
      expect(unsafe(faults)).not.toContain('switching.fault-wire');
    }
  });

  test('where on protects, every broken wire is on the wrong side; a bit that is turned turns that too', () => {
    expect(unsafe(sensor('on'))).toContain('switching.fault-wire');
    expect(unsafe(sensor('on', 'no', 'inverted'))).not.toContain('switching.fault-wire');
    expect(sensor(undefined).every(({ safe }) => safe === undefined)).toBe(true);
  });

  test('the point is doubtful where a fault leaves it on the wrong side', () => {
    const job = after(jobWith('di8-both-8', ['-'], { typeId: 'inductive-3w', output: 'pnp' }), {
      kind: 'setSwitching',
      pointId: 'px-1',
      switching: { safeInput: 'on' },
    });
    const stage = sure(progressOf(job, analysed(job)).stages.find((one) => one.stage === 'switch'));
    expect(stage.mark).toBe('doubtful');
  });
});
