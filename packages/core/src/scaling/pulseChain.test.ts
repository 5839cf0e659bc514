import { bareJob, withModule, withPoint } from '../../test/jobs.ts';
import type { TestPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { applyChange, JobIndex, NOBODY } from '../job/index.ts';
import { textOf } from '../messages/index.ts';
import { sheetOf } from '../setting/index.ts';
import { verdictOf } from '../verdict/index.ts';
import { pulseChain } from './pulseChain.ts';

const LINE: TestPoint = {
  typeId: 'encoder-line-driver',
  outputId: 'a',
  output: 'pushpull',
  logic: 'no',
  range: { low: 0, high: 1500, unit: '1/min' },
};

/** An encoder on its input, with so many pulses a turn copied from its plate. */
function turning(perTurn: string | undefined, own: TestPoint = LINE, module = 'counter2-line') {
  const job = withPoint(withModule(bareJob(), 'm', module, module === 'counter2' ? ['-'] : []), own);
  if (perTurn === undefined) return new JobIndex(job);
  return new JobIndex(applyChange(job, { kind: 'setPlate', pointId: 'px-1', plate: { perTurn } }, NOBODY));
}

const at = (index: JobIndex) => analyse(index, 'px-1');

describe('the chain of what turns', () => {
  // n pulses a turn at N turns a minute: f = N·n/60.
  test.each([
    [1500, 24, 600],
    [90, 500, 750],
    [3000, 1, 50],
  ])('%i 1/min with %i pulses a turn are %i Hz', (high, perTurn, hertz) => {
    const made = pulseChain(at(turning(String(perTurn), { ...LINE, range: { low: 0, high, unit: 'rpm' } })));
    if ('problem' in made) throw new Error(textOf(made.problem));
    expect(made.chain.sensor.curve.at(high)).toBeCloseTo(hertz, 9);
    const seen = made.chain.loop.at(hertz / 2).nom;
    expect(made.chain.controller.curve.at(seen)).toBeCloseTo(high / 2, 6);
  });

  test('asks for the pulses of a turn, and for a range that pulses can tell', () => {
    const unknown = pulseChain(at(turning(undefined)));
    expect('problem' in unknown && textOf(unknown.problem)).toContain('name-plate');
    const bar = pulseChain(at(turning('24', { ...LINE, range: { low: 0, high: 10, unit: 'bar' } })));
    expect('problem' in bar && textOf(bar.problem)).toContain('1/min');
  });

  test('needs no more than frequency where the range is one', () => {
    const made = pulseChain(at(turning(undefined, { ...LINE, range: { low: 0, high: 0.8, unit: 'kHz' } })));
    if ('problem' in made) throw new Error(textOf(made.problem));
    expect(made.chain.sensor.curve.at(0.8)).toBeCloseTo(800, 9);
  });

  test('is refused where its filter is too slow, by what comes at full speed', () => {
    const fast = verdictOf(at(turning('1024')));
    expect({ status: fast.status, codes: fast.reasons.map(({ code }) => code) }).toEqual({
      status: 'cannot',
      codes: ['pulse-speed'],
    });
    expect(textOf(fast.sentence)).toContain('25600');
    expect(verdictOf(at(turning('24'))).status).toBe('works');
  });

  test('requires the slowest filter that lets its pulses through, and no volume of a pulse', () => {
    const { lines } = sheetOf(turning('100'), 'm');
    const required = (key: string) => lines.find(({ parameter }) => parameter.key === key)?.required?.value;
    expect(required('C1.filter')).toBe('10000');
    expect(required('C1.value')).toBeUndefined();
  });
});

describe('a signal between two leads', () => {
  test('lands both on its input and leaves the leads of other tracks alone', () => {
    const { job } = turning('24');
    const ends = job.wires
      .filter(({ from }) => from.startsWith('px-1-b:'))
      .map(({ from, to }) => `${from} ${to}`);
    expect(ends).toEqual(['px-1-b:BN g1:+', 'px-1-b:BU g1:-', 'px-1-b:A+ m:C1+', 'px-1-b:A- m:C1-']);
  });

  test('of a line driver turns its volts round, so that the input is surely off between pulses', () => {
    const { present, away } = at(turning('24'));
    expect(present.inputVolts?.nom).toBeCloseTo(-(away.inputVolts?.nom ?? NaN), 0);
    expect([present.led, away.led]).toEqual(['on', 'off']);
  });

  test('of a passive coil is told by its closed form: 3 V over 800 Ω into 10 kΩ', () => {
    const coil: TestPoint = { ...LINE, typeId: 'speed-coil-2w', outputId: undefined, output: 'none' };
    const { present, away } = at(turning('24', coil, 'counter2-coil'));
    expect(present.inputVolts?.nom).toBeCloseTo((3 * 10_000) / 10_801, 2);
    expect([present.led, away.led]).toEqual(['on', 'off']);
  });
});
