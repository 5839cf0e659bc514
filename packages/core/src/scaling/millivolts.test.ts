import { analogJob } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { verdictOf } from '../verdict/index.ts';
import { chainOf, countedOf, engineeringOf } from './index.ts';

const SHARE = { low: 0, high: 100, unit: '%' };

function shunt(range: string, to = 'V') {
  const job = analogJob('shunt-60mv', { 'A0.switch': to, 'A0.range': range });
  const ranged = after(job, { kind: 'editPoint', id: 'px-1', patch: { range: SHARE } });
  return analyse(new JobIndex(ranged), 'px-1');
}

describe('a signal in millivolts', () => {
  test('is read in millivolts at both ends of its range', () => {
    const analysis = shunt('0-60 mV');
    expect(verdictOf(analysis).status).toBe('works');
    const [low, high] = [analysis.away, analysis.present].map(({ measured }) => measured[0]);
    expect([low?.unit, high?.unit]).toEqual(['mV', 'mV']);
    expect(low?.value.nom).toBeCloseTo(0, 1);
    expect(high?.value.nom).toBeCloseTo(60, 1);
  });

  test.each([
    [0, 0],
    [25, 6912],
    [100, 27648],
  ])('of %d %% is the raw value %d, and back', (value, raw) => {
    const made = chainOf(shunt('0-60 mV'));
    if (!made || 'problem' in made) throw new Error('no chain');
    const { counts } = countedOf(made.chain, made.chain.loop.at(made.chain.sensor.curve.at(value)).nom);
    expect(Math.abs(counts - raw)).toBeLessThanOrEqual(5);
    expect(engineeringOf(made.chain, raw)).toBeCloseTo(value, 2);
  });

  test('is nothing to an input for volts, nor to one for a current', () => {
    expect(verdictOf(shunt('0-10 V')).reasons[0]?.code).toBe('signal-switch');
    expect(verdictOf(shunt('4-20 mA', 'mA')).status).toBe('cannot');
  });
});
