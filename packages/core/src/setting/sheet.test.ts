import { nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import { after, bareJob, jobWith, withModule, withPoint } from '../../test/jobs.ts';
import { allSet, entered, lineIn, meterJob, pulseJob, sheetIn } from '../../test/settingJobs.ts';
import type { JobContent } from '../model/collections.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { countSet, openLines, sheetsOf } from './sheet.ts';
import { movedBy, stepsTo } from './sheetChanges.ts';

const VORTEX = {
  size: '80',
  kFactor: '2750',
  density: '1.2',
  medium: 'gas',
  bore: '82.5',
  flange: 'pn40',
  temperature: '20',
};

const required = (job: JobContent, key: string, itemId?: string): string | undefined =>
  lineIn(job, key, itemId).required?.value;

describe('what follows from the job', () => {
  test('size and factor from the name-plate, converted into the unit that the menu asks', () => {
    const job = meterJob('flow-magnetic', { size: '3 in', factor: '1,0214', medium: 'sea' });
    expect(lineIn(job, 'size').required).toEqual({
      value: '76.2',
      from: say('setting.from-name-plate', { label: 'Pipe size', as: '3 in', dn: '80' }),
      override: false,
    });
    expect(required(job, 'factor')).toBe('1.0214');
    expect(required(job, 'medium')).toBe('sea');
  });

  test('a fact that is not copied yet is asked for, not guessed', () => {
    const { required: none, problem } = lineIn(meterJob('flow-magnetic', {}), 'size');
    expect(none).toBeUndefined();
    expect(said(problem)).toMatch('setting.copied-name-plate-yet factLabel=Pipe size');
  });

  test.each([
    ['m³/h', 'm³/h', '40'],
    ['l/min', 'l/min', '666.667'],
    ['gal/min', 'gal/min', '176.115'],
  ])('with the unit %s the range ends in it', (hand, unit, high) => {
    const job = after(meterJob(), {
      kind: 'require',
      itemId: 'ft-1-b',
      key: 'unit',
      override: { value: hand, reason: 'the screen shows it so' },
    });
    expect(lineIn(job, 'high')).toMatchObject({ unit, required: { value: high } });
    expect(lineIn(job, 'unit').required).toEqual({
      value: hand,
      from: 'the screen shows it so',
      override: true,
    });
  });

  test('the current output from its wire, mains from the site', () => {
    const job = meterJob();
    expect(lineIn(job, 'current').required).toMatchObject({
      value: '4-20 mA',
      from: say('setting.is-wired', { terminalName: 'S+' }),
    });
    const bare = after(job, { kind: 'assign', pointId: 'ft-1', place: null });
    expect(lineIn(bare, 'current').required).toMatchObject({ value: 'off' });
    const abroad = after(job, { kind: 'editJob', patch: { mainsHertz: 60 } });
    expect([required(job, 'mains'), required(abroad, 'mains'), required(abroad, 'mains', 'm')]).toEqual([
      '50',
      '60',
      '60',
    ]);
  });

  test('the switch and range of the input from the signal', () => {
    expect([required(meterJob(), 'A0.switch', 'm'), required(meterJob(), 'A0.range', 'm')]).toEqual([
      'mA',
      '4-20 mA',
    ]);
    const volts = meterJob('transmitter-4w-v');
    expect([required(volts, 'A0.switch', 'm'), required(volts, 'A0.range', 'm')]).toEqual(['V', '0-10 V']);
    expect(lineIn(meterJob(), 'A1.switch', 'm').required).toBeUndefined();
  });

  test('PNP or NPN from where the group’s common sits', () => {
    const on = (rail: '+' | '-') =>
      after(
        meterJob('flow-thermal', { size: '50' }, { output: 'pnp', logic: 'no' }),
        {
          kind: 'addModule',
          module: { id: 'd', tag: 'D', typeId: 'di8-both-8', firstByte: 40 },
          commons: [rail],
        },
        {
          kind: 'addWire',
          wire: { id: 'w', number: '9', from: 'ft-1-b:BK', to: 'd:I0', colour: 'BK', lengthM: 1, mm2: 0.5 },
        },
      );
    expect(required(on('-'), 'output1')).toBe('pnp');
    expect(required(on('+'), 'output1')).toBe('npn');
  });

  test('the size that a menu offers nearest to the one on the plate, and that it is not the very number', () => {
    const size = (typed: string) => lineIn(meterJob('flow-vortex', { ...VORTEX, size: typed }), 'size');
    expect(size('80').required).toMatchObject({
      value: '80',
      from: { code: 'setting.from-name-plate' },
    });
    for (const near of ['77.9', '3 in'])
      expect(size(near).required).toMatchObject({ value: '80', from: { code: 'setting.nearest-offered' } });
    // Between 80 and 100 neither is what was meant by 92 mm more than by the other; far beyond the last, none is.
    expect(size('92').required).toMatchObject({ value: '100' });
    expect(size('500')).toMatchObject({ problem: { code: 'setting.does-offer' } });
  });

  test('totals count in the volume of the flow', () => {
    expect(required(meterJob(), 'total1Unit')).toBe('m³');
    const litres = meterJob('flow-magnetic', {}, { range: { low: 0, high: 400, unit: 'l/min' } });
    expect(required(litres, 'total2Unit')).toBe('l');
  });

  test('the cut-off is half a percent, less where the lowest flow needs it', () => {
    expect(lineIn(meterJob(), 'cutoff').required).toMatchObject({
      value: '0.5',
      from: expect.objectContaining({ code: 'setting.sound-start-hides-what' }),
    });
    const low = meterJob('flow-magnetic', { size: '80', lowest: '0.1 m³/h' });
    // 0.1 of 40 is 0.25 %; a fifth below that is 0.2 %.
    expect(required(low, 'cutoff')).toBe('0.2');
  });

  test('pulse volume and width from the counter', () => {
    const job = pulseJob(36);
    // 36 m³/h are 10 l/s: at 0.02 l 500 pulses a second, under 0.8 of 1000; the widest pulse with a pause as long is 1 ms.
    expect([required(job, 'pulseValue'), required(job, 'pulseWidth')]).toEqual(['0.02', '1']);
    // The slow filter lets 30 Hz through and needs 17 ms: 0.5 l make 20 pulses a second, 20 ms are too short; 1 l makes 10.
    const slow = pulseJob(36, '30');
    expect([required(slow, 'pulseValue'), required(slow, 'pulseWidth')]).toEqual(['1', '50']);
    const hand = after(job, {
      kind: 'require',
      itemId: 'ft-1-b',
      key: 'pulseValue',
      override: { value: '1', reason: 'counter shows litres' },
    });
    expect(required(hand, 'pulseWidth')).toBe('50');
  });
});

describe('a device with two points', () => {
  /** A flow meter whose current is read as one point and whose pulses are counted as another. */
  const both = (order: readonly ('analog' | 'pulse')[]): JobContent => {
    const panel = after(withModule(bareJob(), 'm', 'ai4-switch', ['-', '-', '-', '-']), {
      kind: 'addModule',
      module: { id: 'c', tag: 'C', typeId: 'counter2', firstByte: 40 },
      commons: ['-'],
    });
    return order.reduce((job, outputId, n) => {
      const analog = outputId === 'analog';
      const point = {
        id: outputId,
        tag: analog ? 'FT-1' : 'FQ-1',
        name: 'Filling',
        deviceId: 'ft',
        outputId,
        bit: 'direct' as const,
        range: { low: 0, high: analog ? 40 : 36, unit: 'm³/h' },
      };
      return after(job, {
        kind: 'addPoint',
        point,
        place: { moduleId: analog ? 'm' : 'c', channel: 0 },
        device: n === 0 ? { id: 'ft', tag: 'FT-1', typeId: 'flow-magnetic-pulse' } : null,
      });
    }, panel);
  };

  test.each([[['analog', 'pulse'] as const], [['pulse', 'analog'] as const]])(
    'each port and each rule looks at the point concerned, in whatever order they came: %s',
    (order) => {
      const job = both(order);
      expect([required(job, 'A0.high', 'm'), required(job, 'high', 'ft')]).toEqual(['40', '40']);
      expect(required(job, 'current', 'ft')).toBe('4-20 mA');
      // 36 m³/h at 1000 Hz, as of the meter of pulses alone.
      expect(['pulse', 'pulseValue', 'pulseWidth'].map((key) => required(job, key, 'ft'))).toEqual([
        'on',
        '0.02',
        '1',
      ]);
      expect(required(job, 'C1.value', 'c')).toBe('0.02');
    },
  );

  test('a meter of which one output alone is a point leaves the other off', () => {
    const job = both(['analog']);
    expect([required(job, 'pulse', 'ft'), required(job, 'current', 'ft')]).toEqual(['off', '4-20 mA']);
  });
});

describe('what a change moves is told before it is stored', () => {
  test('pipe size, signal kind and mains', () => {
    const job = meterJob();
    expect(
      movedBy(job, {
        kind: 'setPlate',
        pointId: 'ft-1',
        plate: { size: '50', factor: '1.0214', medium: 'sea' },
      }),
    ).toEqual([
      expect.objectContaining({ tag: 'FT-1', label: 'Pipe size', before: '80\u00a0mm', after: '50\u00a0mm' }),
    ]);
    const kinds = movedBy(job, { kind: 'editPoint', id: 'ft-1', patch: { typeId: 'transmitter-4w-v' } }, [
      'm',
    ]);
    expect(kinds.map(({ label, after: to }) => [said(label), said(to)])).toEqual([
      ['Switch of analog input 0', 'V'],
      ['Range of analog input 0', '0-10 V'],
    ]);
    const mains = movedBy(job, { kind: 'editJob', patch: { mainsHertz: 60 } });
    expect(mains.map(({ tag, after: to }) => `${tag} ${said(to)}`)).toEqual(['FT-1 60 Hz', 'M 60 Hz']);
  });
});

describe('columns', () => {
  test('found, left, state; what differs comes first', () => {
    const job = entered(meterJob(), 'found', { size: '50', unit: 'm³/h' });
    expect(lineIn(job, 'size')).toMatchObject({ state: 'differs', found: { value: '50' } });
    expect(lineIn(job, 'unit')).toMatchObject({ state: 'done' });
    expect(lineIn(job, 'factor')).toMatchObject({ state: 'unknown' });
    expect(lineIn(job, 'language')).toMatchObject({ state: 'free' });
    expect(nth(openLines(sheetIn(job)), 0).parameter.key).toBe('size');
    const set = entered(job, 'left', { size: '80' });
    expect(lineIn(set, 'size')).toMatchObject({
      state: 'done',
      found: { value: '50' },
      left: { value: '80', by: 'TT' },
    });
    expect(set.entries).toHaveLength(2);
  });

  test('a sheet that was set in its order is done, nothing wiped on the way', () => {
    for (const job of [meterJob(), meterJob('flow-vortex', VORTEX), pulseJob()]) {
      const { lines } = sheetIn(allSet(job));
      expect(lines.filter(({ state }) => state === 'differs' || state === 'unknown')).toEqual([]);
      expect(lines.filter(({ warning }) => warning)).toEqual([]);
    }
  });

  test('a later change of the mode puts the rest back, and the sheet says so', () => {
    const job = entered(allSet(meterJob()), 'left', { mode: 'batch' });
    const size = lineIn(job, 'size');
    expect(size).toMatchObject({
      state: 'unknown',
      warning: expect.objectContaining({ code: 'setting.changed-since-put-back' }),
    });
    expect(size.left).toBeUndefined();
    const steps = stepsTo(sheetIn(job).lines);
    expect(steps[0]).toMatchObject({
      key: 'mode',
      to: 'measure flow',
      wipes: expect.arrayContaining(['Pipe size']),
    });
    expect(steps.map(({ key }) => key)).toContain('size');
  });

  test('without its memory module nothing of it is kept, and that is said', () => {
    const job = entered(meterJob(), 'found', { memory: 'missing' });
    expect(said(lineIn(job, 'size').warning)).toMatch('setting.kept-without-memory-module');
    expect(lineIn(job, 'lock').warning).toBeUndefined();
  });

  test('a value on which a circuit hangs moves the switch in the job', () => {
    const job = entered(meterJob(), 'found', { 'A0.switch': 'V' }, 'm');
    expect(nth(job.modules, 0).settings).toEqual({ 'A0.switch': 'V' });
    expect(lineIn(job, 'A0.switch', 'm').state).toBe('differs');
  });
});

describe('what cannot be is refused where it is entered', () => {
  test.each([
    ['a negative size', { size: '-80' }, 'setting.outside'],
    [
      'a choice that is none',
      { unit: 'furlong' },
      'setting.choose label=Unit choices=m³/h+l/min+l/h+l/s+gal/min',
    ],
    ['words for a number', { damping: 'much' }, 'text.colon'],
    ['an unknown key', { speed: '3' }, 'job.part-parameter key=speed'],
  ])('%s', (_, values, words) => {
    expect(refusalOf(() => entered(meterJob(), 'left', values as Record<string, string>))).toMatch(words);
  });
  test('what was found may be out of range, but not of another kind', () => {
    expect(refusalOf(() => entered(meterJob(), 'found', { size: '4000' }))).toBe('not refused');
    expect(refusalOf(() => entered(meterJob(), 'found', { size: 'big' }))).toMatch('text.colon');
  });
  test('a value by hand needs a reason', () => {
    expect(
      refusalOf(() =>
        after(meterJob(), {
          kind: 'require',
          itemId: 'ft-1-b',
          key: 'size',
          override: { value: '5000', reason: 'because' },
        }),
      ),
    ).toMatch('setting.outside');
  });
});

test('the sheets of a point: its device, and of its module only its own input and what concerns all', () => {
  const sheets = sheetsOf(new JobIndex(meterJob()), 'ft-1');
  expect(sheets.map(({ tag, about }) => [tag, about])).toEqual([
    ['FT-1', undefined],
    ['M', 'analog input 0'],
  ]);
  expect(nth(sheets, 1).lines.map(({ parameter }) => parameter.key)).toEqual([
    'A0.switch',
    'A0.range',
    'mains',
    'A0.unit',
    'A0.low',
    'A0.high',
  ]);
  expect(countSet(sheets).done).toBe(0);
});

test('a point without anything to set has no lines that are required', () => {
  const job = withPoint(jobWith('di8-both-8', ['-']), { tag: 'PX-2', at: ['m', 1] });
  expect(countSet(sheetsOf(new JobIndex(job), 'px-2'))).toEqual({ required: 0, done: 0, differ: 0 });
});

describe('the unit of a range goes through the sheets as it was typed', () => {
  const ranged = (unit: string, typeId = 'transmitter-2w') =>
    meterJob(typeId, {}, { range: { low: 0, high: 150, unit } });

  test.each(['ppm', 'NTU', 'in H2O', 'm3/h', '½ bucket'])('%s, at the sensor and at the input', (unit) => {
    const job = ranged(unit);
    expect(['low', 'high'].map((key) => required(job, key))).toEqual(['0', '150']);
    expect(['A0.low', 'A0.high'].map((key) => required(job, key, 'm'))).toEqual(['0', '150']);
    expect(lineIn(job, 'A0.high', 'm').unit.replace('m³/h', 'm3/h')).toBe(unit);
  });

  test('a menu that has it under another spelling has it', () => {
    const job = ranged('gpm', 'flow-magnetic');
    expect(['unit', 'high'].map((key) => required(job, key))).toEqual(['gal/min', '150']);
    const spelt = entered(job, 'left', { 'A0.unit': 'gal/min' }, 'm');
    expect(required(spelt, 'A0.unit', 'm')).toBe('gpm');
    expect(lineIn(spelt, 'A0.unit', 'm').state).toBe('done');
  });

  test('a menu without it takes the unit that is nearest in size', () => {
    const job = meterJob('pressure-2w', {}, { range: { low: 0, high: 150, unit: 'in H2O' } });
    const [unit, high] = ['unit', 'high'].map((key) => required(job, key));
    expect(unit).toBe('mbar');
    // 150 columns of an inch of water at standard gravity: 150 · 2.4908891 mbar.
    expect(Number(high)).toBeCloseTo(373.633, 2);
  });
});
