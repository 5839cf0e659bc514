import { after, bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { calibrationSides, chainOf, injectionPoints } from './index.ts';

describe('a load cell with its amplifier', () => {
  const weighed = (signal: 'ma' | 'v', plate: Record<string, string>) => {
    const panel = withModule(bareJob(), 'm', 'ai4-switch', ['-', '-', '-', '-']);
    const switched = after(panel, {
      kind: 'editModule',
      id: 'm',
      patch: { settings: signal === 'v' ? { 'A0.switch': 'V', 'A0.range': '0-10 V' } : {} },
    });
    const job = withPoint(switched, {
      typeId: `load-cell-${signal}`,
      range: { low: 0, high: 400, unit: 'kg' },
    });
    const index = new JobIndex(after(job, { kind: 'setPlate', pointId: 'px-1', plate }));
    const analysis = analyse(index, 'px-1');
    const made = chainOf(analysis);
    if (!made || 'problem' in made) throw new Error('no chain');
    return calibrationSides(analysis, made);
  };
  const PLATE = { rated: '500 kg', sensitivity: '2' };

  test.each([
    ['ma', [4, 12, 20]],
    ['v', [0, 5, 10]],
  ] as const)('is calibrated by mV/V: 400 of 500 kg at 2 mV/V are 1.6 mV/V (%s)', (signal, wanted) => {
    const { injects, gives, curved, wantedOf } = weighed(signal, PLATE);
    expect(injects).toEqual({ low: 0, high: 1.6, unit: 'mV/V' });
    const points = injectionPoints(injects, gives, 0.1, [0, 50, 100], curved);
    expect(points.map(({ inject }) => inject)).toEqual([0, 0.8, 1.6].map((mV) => expect.closeTo(mV, 9)));
    expect(points.map((point) => point.wanted)).toEqual(wanted.map((one) => expect.closeTo(one, 9)));
    expect(wantedOf(0.4)).toBeCloseTo(wanted[0] + (wanted[2] - wanted[0]) / 4, 9);
  });

  test('counts its plate in any unit, and without it takes the weight itself', () => {
    expect(weighed('ma', { rated: '0.5 t', sensitivity: '2' }).injects.high).toBeCloseTo(1.6, 9);
    expect(weighed('ma', { sensitivity: '2' }).injects).toEqual({ low: 0, high: 400, unit: 'kg' });
  });
});
