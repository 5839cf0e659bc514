import { nth, sure } from '../lists/index.ts';
import { bareJob, jobWith } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import type { Logic } from '../model/job.ts';
import { outputsNow } from '../catalog/deviceType.ts';
import { partTypesOf } from '../catalog/partTypes.ts';
import { analyse } from './analysis.ts';
import { addressOf } from '../job/addresses.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { loopView } from '../presentation/view/loopView.ts';
import { readMeter } from './readings.ts';
import { scopeOf } from '../network/scope.ts';

const BOTH8 = 'di8-both-8';
const of = (job: JobContent, id = 'px-1') => analyse(new JobIndex(job), id);

test('five things are kept apart in both states', () => {
  const { away, present } = of(jobWith(BOTH8, ['+'], { output: 'npn', bit: 'inverted' }));
  expect([away.outputOn, away.led, away.bit]).toEqual([false, 'off', 1]);
  expect([present.outputOn, present.led, present.bit]).toEqual([true, 'on', 0]);
  expect(away.signalVolts).toBeGreaterThan(20);
  expect(present.signalVolts).toBeLessThan(2);
});

test.each<[string, Logic, boolean, boolean]>([
  ['inductive-3w', 'no', true, true],
  ['inductive-3w', 'nc', true, false],
  ['diffuse-3w', 'light', true, true],
  ['diffuse-3w', 'dark', true, false],
  ['retro-3w', 'light', true, false],
  ['retro-3w', 'dark', true, true],
  ['through-beam-3w', 'light', false, true],
])('%s, %s, target %s: output %s', (typeId, logic, present, on) => {
  const type = partTypesOf(bareJob()).device({ typeId });
  const called = (now: boolean): boolean | undefined =>
    outputsNow(type, { outputs: { output: { kind: 'pnp', logic } } }, { present: now, level: 0 }).get(
      'output',
    )?.called;
  expect(called(present)).toBe(on);
  expect(called(!present)).toBe(!on);
});

test('PNP against minus: near 0 V idle, supply less the drop when active', () => {
  const { away, present } = of(jobWith(BOTH8, ['-']));
  const idle = readMeter(away, 'px-1-b:BK', 'px-1-b:BU').volts;
  const active = readMeter(present, 'px-1-b:BK', 'px-1-b:BU').volts;
  expect(idle.max).toBeLessThan(2);
  expect(active.nom).toBeCloseTo(24 - 1.1, 0);
  expect(active.min).toBeGreaterThan(24 * 0.97 - 2.1);
  expect(active.max).toBeLessThan(24 * 1.03);
});

test('a meter turned round shows the same with the other sign', () => {
  const { present } = of(jobWith(BOTH8, ['-']));
  const one = readMeter(present, 'px-1-b:BK', 'm:COM1').volts;
  const other = readMeter(present, 'm:COM1', 'px-1-b:BK').volts;
  expect(other.nom).toBeCloseTo(-one.nom, 6);
  expect(other.min).toBeCloseTo(-one.max, 6);
});

test('NPN without a load means nothing: the reading is named as floating', () => {
  const { away } = of(jobWith(BOTH8, [null], { output: 'npn' }));
  const reading = readMeter(away, 'px-1-b:BK', 'px-1-b:BU');
  expect(reading.floating).toEqual(['red']);
});

test('any pair of terminals can be read', () => {
  const { present } = of(jobWith(BOTH8, ['-']));
  const refs = ['g1:+', 'g1:-', 'px-1-b:BN', 'px-1-b:BU', 'px-1-b:BK', 'm:I0', 'm:COM1'];
  for (const red of refs)
    for (const black of refs.filter((ref) => ref !== red)) {
      const { volts } = readMeter(present, red, black);
      expect(Number.isFinite(volts.nom)).toBe(true);
      expect(volts.min).toBeLessThanOrEqual(volts.max);
    }
  expect(() => readMeter(present, 'g1:+', 'elsewhere:1')).toThrow(/no terminal/);
});

test('a channel’s address counts bits through its module', () => {
  const index = new JobIndex(bareJob());
  const module = { id: 'm', tag: 'M', typeId: 'di16-both-16', firstByte: 3 };
  const type = index.moduleType(module);
  expect([0, 7, 8, 15].map((channel) => addressOf(module, type, channel))).toEqual([
    '%IX3.0',
    '%IX3.7',
    '%IX4.0',
    '%IX4.7',
  ]);
});

test('neighbours take part only while their common is on no rail', () => {
  const points = [{ tag: 'PX-1' }, { tag: 'PX-2', at: ['m', 1] as const }];
  const mates = (rail: '-' | null): readonly string[] => {
    const index = new JobIndex(jobWith(BOTH8, [rail], ...points));
    return scopeOf(index, index.point('px-1')).mateIds;
  };
  expect(mates('-')).toEqual([]);
  expect(mates(null)).toEqual(['px-2-b']);
});

describe('the drawing’s content', () => {
  const view = (job: JobContent, present: boolean) => {
    const analysis = of(job);
    return loopView(analysis.context, present ? analysis.present : analysis.away);
  };

  const wire = (of: ReturnType<typeof view>, terminal: string) =>
    of.wires.find(({ from, to }) => from === terminal || to === terminal);

  test('a PNP sensor’s current comes from plus, an NPN sensor’s from the common', () => {
    const pnp = view(jobWith(BOTH8, ['-']), true);
    expect(sure(wire(pnp, 'px-1-b:BK')).amps).toBeGreaterThan(0.004);
    expect(Math.abs(sure(wire(pnp, 'px-1-b:BN')).amps)).toBeGreaterThan(0.004);
    expect(sure(wire(pnp, 'px-1-b:BU')).amps).toBe(0);
    expect(nth(nth(pnp.plates, 0).rows, 0).glyph).toMatchObject({ kind: 'slot', on: true });
    const npn = view(jobWith(BOTH8, ['+'], { output: 'npn' }), true);
    expect(sure(wire(npn, 'px-1-b:BK')).amps).toBeLessThan(-0.004);
    expect(sure(wire(npn, 'px-1-b:BU')).amps).toBeGreaterThan(0.004);
    expect(nth(nth(npn.plates, 0).rows, 0).second).toMatchObject({ kind: 'slot', on: true });
  });

  test('no current, no path', () => {
    const idle = view(jobWith(BOTH8, ['-']), false);
    expect(idle.signal.flows).toBe('none');
    expect(idle.wires.every(({ amps }) => amps === 0)).toBe(true);
    expect(nth(idle.plates, 1).figure).toBe('%IX0.0 = 0');
  });

  test('a device on no channel has one plate and an open signal', () => {
    const loose = view(jobWith(BOTH8, ['-'], { at: null }), true);
    expect(loose.plates).toHaveLength(1);
    expect(wire(loose, 'px-1-b:BK')).toBeUndefined();
  });
});
