import { bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { applyChange, JobIndex, NOBODY } from '../job/index.ts';
import { textOf } from '../messages/index.ts';
import { verdictOf } from '../verdict/index.ts';
import { chainOf, countedOf, engineeringOf } from './index.ts';

/** A lever of −100 to 100 % on an input that is set to so many volts on both sides. */
function lever(range = '±10 V', module = 'ai2-switch') {
  const job = applyChange(
    withModule(bareJob(), 'm', module, ['-', '-']),
    { kind: 'editModule', id: 'm', patch: { settings: { 'A0.switch': 'V', 'A0.range': range } } },
    NOBODY,
  );
  const at = withPoint(job, {
    typeId: 'joystick-bipolar',
    output: 'none',
    logic: 'none',
    range: { low: -100, high: 100, unit: '%' },
  });
  return analyse(new JobIndex(at), 'px-1');
}

describe('a signal on both sides of zero', () => {
  test('stands at −10 V, 0 V and 10 V at the input, whichever way its source is turned', () => {
    const analysis = lever();
    expect(verdictOf(analysis).status).toBe('works');
    const seen = [analysis.away, analysis.present].map(({ measured }) => measured[0]?.value.nom ?? NaN);
    expect(seen[0]).toBeCloseTo(-10, 2);
    expect(seen[1]).toBeCloseTo(10, 2);
    for (const { measured } of [analysis.away, analysis.present]) {
      const { min, nom, max } = measured[0]?.value ?? { min: NaN, nom: NaN, max: NaN };
      expect(min).toBeLessThanOrEqual(nom);
      expect(nom).toBeLessThanOrEqual(max);
    }
  });

  test.each([
    [-100, -27648],
    [-50, -13824],
    [0, 0],
    [50, 13824],
    [100, 27648],
  ])('of %d %% is the raw value %d, and back', (value, raw) => {
    const made = chainOf(lever());
    if (!made || 'problem' in made) throw new Error('no chain');
    const { counts } = countedOf(made.chain, made.chain.loop.at(made.chain.sensor.curve.at(value)).nom);
    // The burden of the wires takes up to a count or two.
    expect(Math.abs(counts - raw)).toBeLessThanOrEqual(3);
    expect(engineeringOf(made.chain, raw)).toBeCloseTo(value, 2);
  });

  test('has no live zero: a broken wire reads the middle, and that is said', () => {
    const made = chainOf(lever());
    if (!made || 'problem' in made) throw new Error('no chain');
    expect(made.notes.map((note) => textOf(note)).join()).toContain('reads 0 V, which is 0 %');
  });

  test('does not work on an input that is set to one side only', () => {
    expect(verdictOf(lever('0-10 V')).status).toBe('cannot');
  });
});
