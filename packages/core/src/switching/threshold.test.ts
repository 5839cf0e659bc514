import { analogJob } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { sure } from '../lists/index.ts';
import { budgetAt, chainOf } from '../scaling/index.ts';
import { thresholdOf } from './threshold.ts';

/** A pressure from 0 to 10 bar over 4 to 20 mA. */
function pressure() {
  const job = after(analogJob('transmitter-2w'), {
    kind: 'editPoint',
    id: 'px-1',
    patch: { range: { low: 0, high: 10, unit: 'bar' } },
  });
  const analysis = analyse(new JobIndex(job), 'px-1');
  const made = chainOf(analysis);
  if (!made || 'problem' in made) throw new Error('no chain');
  return { analysis, made };
}

const { analysis, made } = pressure();
const codes = (set: number, reset: number): string[] =>
  thresholdOf(analysis, made, { kind: 'points', set, reset }).findings.map(({ code }) => code);

describe('a threshold on a chain', () => {
  const { unit, places, rows } = thresholdOf(analysis, made, { kind: 'points', set: 6, reset: 5 });
  const off = (at: string): number => sure(places.find((place) => place.at === at)).plusMinus;
  const row = (key: string) => sure(rows.find((one) => one.key === key));

  test('has the worst case of its budget up to where it is decided, and less the nearer to the sensor', () => {
    expect(unit).toBe('bar');
    const { worst, contributions } = budgetAt(analysis, made, 6);
    expect(off('screen')).toBeCloseTo(worst, 6);
    expect(off('sensor')).toBeCloseTo(sure(contributions.find(({ key }) => key === 'sensor')).plusMinus, 6);
    expect(off('sensor')).toBeLessThan(off('controller'));
    expect(off('controller')).toBeLessThanOrEqual(off('screen'));
    // A relay that watches the same signal: what lies before the input, and 0.5 % of its own 16 mA, which are 0.05 bar.
    const before = contributions.filter(({ key }) =>
      ['sensor', 'transmitter', 'wiring', 'leads'].includes(key),
    );
    expect(off('relay')).toBeCloseTo(before.reduce((sum, { plusMinus }) => sum + plusMinus, 0) + 0.05, 6);
  });

  test('is told in every unit of the chain', () => {
    // 6 bar of 10 are 13.6 mA, 0.1 bar is 0.16 mA and 276.48 counts.
    expect(row('signal').ends[0].nom).toBeCloseTo(13.6, 2);
    expect(row('signal').ends[1].nom).toBeCloseTo(12, 2);
    expect(Math.abs(row('counts').ends[0].nom - 16589)).toBeLessThanOrEqual(3);
    for (const { ends } of rows)
      for (const { min, nom, max } of ends) expect([min < nom, nom < max]).toEqual([true, true]);
    const mA = row('signal').ends[0];
    expect((mA.max - mA.min) / 2).toBeCloseTo(off('controller') * 1.6, 2);
  });

  test.each([
    ['nothing', 6, 5, []],
    ['a point outside the range', 11, 5, ['switching.outside-range']],
    ['a point at its edge', 9.999, 5, ['switching.at-the-edge']],
    ['both bands over each other', 6, 5.99, ['switching.bands-overlap']],
    ['steps that are coarser', 6, 5.9997, ['switching.coarser-than-hysteresis', 'switching.bands-overlap']],
  ] as const)('finds %s', (_, set, reset, expected) => {
    expect(codes(set, reset)).toEqual(expected);
  });

  test('is refused where both points are one', () => {
    expect(() => codes(6, 6)).toThrow(/same/);
    const mode = { kind: 'points', set: 11, reset: 5 } as const;
    expect(said(sure(thresholdOf(analysis, made, mode).findings[0]))).toContain('which=set value=11');
  });
});
