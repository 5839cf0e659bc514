import { said } from '../../test/said.ts';
import { jobWith } from '../../test/jobs.ts';
import { entered, meterJob } from '../../test/settingJobs.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import { aboutKind } from '../network/fingerprint.ts';
import { verdictOf } from './verdict.ts';

const distance = meterJob('ultrasonic-switch-analog', {}, { range: { low: 0, high: 1000, unit: 'mm' } });
const optical = jobWith('di8-both-8', ['-'], {
  typeId: 'diffuse-3w',
  output: 'pnp',
  logic: 'light',
  tag: 'FT-1',
});

const readings = (job: JobContent): (number | undefined)[] =>
  analyse(new JobIndex(job), 'ft-1').shown.map(({ measured }) => measured[0]?.value.nom);
const told = (job: JobContent): string[] => {
  const { status, reasons } = verdictOf(analyse(new JobIndex(job), 'ft-1'));
  return [status, ...reasons.map(({ sentence }) => said(sentence))];
};

describe('an output that was found at another signal', () => {
  const wrong = entered(distance, 'found', { signal: '0-10 V' });

  test('is solved as it stands: volts drive a current through the burden', () => {
    const [low] = readings(distance);
    expect(low).toBeCloseTo(4, 1);
    // 0 V at the bottom drive nothing, and 10 V through 250 Ω would be 40 mA; the output's own limit stands before.
    expect(readings(wrong)[0]).toBeLessThan(0.2);
    expect(readings(wrong).at(-1)).not.toBeCloseTo(readings(distance).at(-1) ?? NaN, 0);
  });

  test('does not pass, and says what was found and what is wanted', () => {
    expect(told(wrong)[0]).toBe('cannot');
    expect(told(wrong)).toContain(
      'reason.found-otherwise device=FT-1 parameter=Analog output found=0-10 V wanted=4-20 mA',
    );
  });

  test('holds again as soon as it was set right', () => {
    const mended = entered(wrong, 'left', { signal: '4-20 mA' });
    expect(readings(mended)).toEqual(readings(distance));
    expect(told(mended)).toEqual(told(distance));
  });

  test('work signed off before no longer stands', () => {
    const about = (job: JobContent) => aboutKind(new JobIndex(job), 'ft-1-b');
    expect(about(wrong)).not.toEqual(about(distance));
    expect(about(entered(wrong, 'left', { signal: '4-20 mA' }))).toEqual(about(distance));
  });
});

describe('a switching output that was found at another logic', () => {
  const wrong = entered(optical, 'found', { logic: 'dark' });

  test('switches as it stands', () => {
    const on = (job: JobContent) => analyse(new JobIndex(job), 'ft-1').shown.map(({ outputOn }) => outputOn);
    expect(on(wrong)).toEqual(on(optical).map((is) => !is));
  });

  test('does not pass', () => {
    expect(told(optical)[0]).toBe('works');
    expect(told(wrong)).toEqual([
      'cannot',
      'reason.found-otherwise device=FT-1 parameter=Output logic found=dark-on wanted=light-on',
    ]);
  });
});
