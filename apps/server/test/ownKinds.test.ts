import { textOf } from '@keypost/core/messages';
import { analyse } from '@keypost/core/analysis';
import { partTypesOf } from '@keypost/core/catalog';
import { applyChange, JobIndex, kindFileSchema, readKindFile, writeKindFile } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { emptyJob } from '@keypost/core/model';
import type { JobContent, Point } from '@keypost/core/model';
import { ideal, openJobFile, proofFingerprint, proofPlan, resultOf } from '@keypost/core/proving';
import { judge } from '@keypost/core/verdict';
import { readFileSync } from 'node:fs';
import path from 'node:path';

const read = (name: string): string => readFileSync(path.resolve(__dirname, '../../..', name), 'utf8');
const TWO_OUTPUTS = read('examples/capacitive-two-outputs.json');
const ACTOR = { by: 'TT', at: '2026-01-02T03:04:05.000Z' };
const after = (job: JobContent, ...changes: Change[]): JobContent =>
  changes.reduce((next, change) => applyChange(next, change, ACTOR), job);

const point = (id: string, outputId: string): Point => ({
  id,
  tag: id.toUpperCase(),
  name: 'Level',
  deviceId: 'b1',
  outputId,
  bit: 'direct',
});

/** The sensor of the file with a point for each of its outputs, on channels 0 and 1 of a module. */
function twoPoints(): JobContent {
  const { collection, own } = readKindFile(TWO_OUTPUTS);
  return after(
    emptyJob('T', ''),
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
      commons: ['-'],
    },
    { kind: 'setOwnKind', collection, own },
    {
      kind: 'addPoint',
      point: point('ls-1', 'one'),
      device: { id: 'b1', tag: 'B1', typeId: own.id },
      place: { moduleId: 'm', channel: 0 },
    },
    {
      kind: 'addPoint',
      point: point('ls-2', 'two'),
      device: null,
      place: { moduleId: 'm', channel: 1 },
    },
    { kind: 'editPoint', id: 'ls-2', patch: { output: { logic: 'nc' } } },
  );
}

describe('a sensor with two outputs, of one file', () => {
  test('has a point, a place, a verdict and bits for each of them', () => {
    const index = new JobIndex(twoPoints());
    const at = (id: string) => {
      const { context, shown } = analyse(index, id);
      return {
        port: context.place?.channel,
        status: judge(analyse(index, id)).status,
        bits: shown.map(({ bit }) => bit),
        leads: index.ownTerminals(index.point(id)),
      };
    };
    expect(at('ls-1')).toEqual({ port: 0, status: 'works', bits: [0, 1], leads: ['BK'] });
    expect(at('ls-2')).toEqual({ port: 1, status: 'works', bits: [1, 0], leads: ['WH'] });
  });

  test.each([
    ['ls-1', 'BK'],
    ['ls-2', 'WH'],
  ])('0.3 A on the 0.2 A output of %s is said of that point, and not of the other', (pointId, lead) => {
    // 80 Ω from the output to 0 V: 22.8 V over 80 Ω are 0.285 A.
    const load = after(
      twoPoints(),
      {
        kind: 'addHelper',
        pointId,
        device: { id: 'r1', tag: 'R1', typeId: 'resistor', settings: { ohms: '120', watts: '5' } },
        wires: [
          { id: 'w1', number: '91', from: 'r1:1', to: `b1:${lead}`, colour: 'BK', lengthM: 1, mm2: 0.75 },
          { id: 'w2', number: '92', from: 'r1:2', to: 'g1:-', colour: 'BK', lengthM: 1, mm2: 0.75 },
        ],
      },
      {
        kind: 'addHelper',
        pointId,
        device: { id: 'r2', tag: 'R2', typeId: 'resistor', settings: { ohms: '250', watts: '5' } },
        wires: [
          { id: 'w3', number: '93', from: 'r2:1', to: `b1:${lead}`, colour: 'BK', lengthM: 1, mm2: 0.75 },
          { id: 'w4', number: '94', from: 'r2:2', to: 'g1:-', colour: 'BK', lengthM: 1, mm2: 0.75 },
        ],
      },
    );
    const index = new JobIndex(load);
    const codes = (id: string) => judge(analyse(index, id)).reasons.map(({ code }) => code);
    expect(codes(pointId)).toContain('over-current');
    expect(codes(pointId === 'ls-1' ? 'ls-2' : 'ls-1')).not.toContain('over-current');
  });

  test('is proven output by output: what is stored for one says nothing of the other', () => {
    const job = twoPoints();
    const index = new JobIndex(job);
    const analysis = analyse(index, 'ls-1');
    const plan = proofPlan(analysis);
    const fingerprint = proofFingerprint(analysis);
    const meter = { name: 'M', percent: 0.5, fixed: 0.02 };
    const results = plan.groups.flatMap(({ checks }) =>
      checks.map((check) =>
        resultOf(`r-${check.key}`, 'ls-1', { check, fingerprint }, ideal(check.expected), meter),
      ),
    );
    const proven = after(job, { kind: 'record', results });
    expect(proven.results.every(({ pass, pointId }) => pass && pointId === 'ls-1')).toBe(true);
    expect(
      plan.groups.flatMap(({ checks }) => checks).some(({ detail }) => textOf(detail).includes('WH')),
    ).toBe(false);
  });

  test('with one of its points taken off, keeps the other as it was', () => {
    const job = twoPoints();
    const off = after(job, { kind: 'removePoint', id: 'ls-1' });
    expect(off.devices.map(({ id }) => id)).toEqual(['b1']);
    const index = new JobIndex(off);
    expect(judge(analyse(index, 'ls-2')).status).toBe('works');
    expect(off.wires.some(({ from, to }) => [from, to].includes('b1:BK'))).toBe(false);
    expect(off.wires.some(({ from, to }) => [from, to].includes('b1:WH'))).toBe(true);
    const none = after(off, { kind: 'removePoint', id: 'ls-2' });
    expect([none.devices, none.points]).toEqual([[], []]);
  });
});

test('a switching output and a current output serve two points; one taken off its channel leaves the other', () => {
  const range = { low: 200, high: 2000, unit: 'mm' };
  const about = (id: string, outputId: string): Point => ({ ...point(id, outputId), range });
  const type = partTypesOf(emptyJob('T', '')).devices.find(
    ({ outputs }) =>
      outputs.some(({ landsOn }) => landsOn === 'signal') &&
      outputs.some(({ landsOn }) => landsOn === 'switched'),
  );
  const value = type?.outputs.find(({ landsOn }) => landsOn === 'signal')?.id ?? '';
  const level = type?.outputs.find(({ landsOn }) => landsOn === 'switched')?.id ?? '';
  const job = after(
    emptyJob('T', ''),
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
      commons: ['-'],
    },
    {
      kind: 'addModule',
      module: { id: 'ai', tag: 'AI 1', typeId: 'ai4-switch', firstByte: 10 },
      commons: ['-', '-', '-', '-'],
    },
    {
      kind: 'addPoint',
      point: about('lt-1', value),
      device: { id: 'b1', tag: 'B1', typeId: type?.id ?? '' },
      place: { moduleId: 'ai', channel: 0 },
    },
    { kind: 'addPoint', point: about('ls-1', level), device: null, place: { moduleId: 'm', channel: 0 } },
  );
  const status = (content: JobContent, id: string) => judge(analyse(new JobIndex(content), id)).status;
  expect([status(job, 'lt-1'), status(job, 'ls-1')]).toEqual(['works', 'works']);
  const off = after(job, { kind: 'assign', pointId: 'ls-1', place: null });
  expect([status(off, 'lt-1'), status(off, 'ls-1')]).toEqual(['works', 'open']);
  const other = after(job, { kind: 'assign', pointId: 'lt-1', place: null });
  expect([status(other, 'lt-1'), status(other, 'ls-1')]).toEqual(['open', 'works']);
});

describe('a figure of one’s own', () => {
  const bare = (): JobContent =>
    after(
      emptyJob('T', ''),
      {
        kind: 'addModule',
        module: { id: 'm', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
        commons: ['-'],
      },
      {
        kind: 'addPoint',
        point: { id: 'p', tag: 'PX-1', name: 'P', deviceId: 'd', bit: 'direct' },
        device: { id: 'd', tag: 'PX-1', typeId: 'inductive-2w-dc' },
        place: { moduleId: 'm', channel: 0 },
      },
    );
  const PATH = 'behaviours.output.leakage';

  test('changes what is computed, says who gave it and from what, and can be taken back', () => {
    const job = bare();
    const type = partTypesOf(job).device({ typeId: job.devices[0]?.typeId ?? '' });
    expect(type.description.behaviours.length).toBeGreaterThan(0);
    const own = after(job, {
      kind: 'setFigure',
      itemId: 'd',
      path: PATH,
      figure: { nominal: 2.6, max: 2.8, unit: 'mA', from: 'datasheet, page 2' },
    });
    expect(own.devices[0]?.figures?.[PATH]).toEqual({
      nominal: 0.0026,
      max: 0.0028,
      unit: 'A',
      from: 'datasheet, page 2',
      ...ACTOR,
    });
    const amps = (content: JobContent) => analyse(new JobIndex(content), 'p').away.inputAmps?.nom ?? NaN;
    expect(amps(own)).toBeGreaterThan(2 * amps(job));
    expect(judge(analyse(new JobIndex(job), 'p')).status).toBe('works');
    expect(judge(analyse(new JobIndex(own), 'p')).reasons.map(({ code }) => code)).toContain('leak-holds');
    expect(after(own, { kind: 'setFigure', itemId: 'd', path: PATH, figure: null })).toEqual(job);
  });
});

test('0.6 mA of leakage of one two-wire sensor moves its readings and the limits of its proof', () => {
  const job = after(
    emptyJob('T', ''),
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
      commons: ['-'],
    },
    {
      kind: 'addPoint',
      point: { id: 'p', tag: 'PX-1', name: 'P', deviceId: 'd', bit: 'direct' },
      device: { id: 'd', tag: 'PX-1', typeId: 'inductive-2w-dc' },
      place: { moduleId: 'm', channel: 0 },
    },
  );
  const own = after(job, {
    kind: 'setFigure',
    itemId: 'd',
    path: 'behaviours.output.leakage',
    figure: { nominal: 0.6, unit: 'mA', from: 'name-plate' },
  });
  const limits = (content: JobContent) =>
    proofPlan(analyse(new JobIndex(content), 'p'))
      .groups.flatMap(({ checks }) => checks)
      .find(({ key }) => key === 'away.volts')?.expected;
  expect(analyse(new JobIndex(own), 'p').away.inputAmps?.nom).toBeCloseTo(0.0006, 4);
  expect(limits(own)).not.toEqual(limits(job));
});

describe('a file of a kind', () => {
  const wrong = (
    change: (file: Record<string, never> & { description: Record<string, unknown> }) => void,
  ) => {
    const file = JSON.parse(TWO_OUTPUTS);
    change(file);
    return JSON.stringify(file);
  };
  test.each([
    ['no JSON', '{\n"format": "keypost-device",\n', /line 3/],
    ['another format', '{"format": "list"}', /“keypost-device” or “keypost-module”/],
    ['a newer version', wrong((file) => Object.assign(file, { version: 2 })), /reads up to 1/],
    [
      'a lead that is not there',
      wrong((file) => Object.assign((file.description.behaviours as object[])[1] ?? {}, { out: 'GY' })),
      /GY/,
    ],
    [
      'limits the wrong way round',
      wrong((file) =>
        Object.assign(file.description.supply as object, {
          volts: { min: 35, max: 12, unit: 'V', source: 'x' },
        }),
      ),
      /does not fall/,
    ],
  ])('with %s is refused with its place', (_, text, message) => {
    expect(() => readKindFile(text)).toThrow(message);
  });

  test('is written as it was read, and its schemas are published', () => {
    const { collection, own } = readKindFile(TWO_OUTPUTS);
    expect(JSON.parse(writeKindFile(collection, own.description))).toEqual(JSON.parse(TWO_OUTPUTS));
    expect(JSON.parse(read('docs/device.schema.json'))).toEqual(kindFileSchema('ownDevices'));
    expect(JSON.parse(read('docs/module.schema.json'))).toEqual(kindFileSchema('ownModules'));
  });
});

describe('the job files among the examples', () => {
  test.each([
    ['pump-room', { 'PX-1': 'works', 'PX-2': 'cannot', 'PT-1': 'works' }],
    ['tank-two-outputs', { 'LS-1': 'works', 'LS-2': 'works' }],
  ])('%s is read, and says what it shows', (name, verdicts) => {
    const job = openJobFile(read(`examples/${name}.keypost.json`));
    const index = new JobIndex(job);
    expect(
      Object.fromEntries(job.points.map(({ id, tag }) => [tag, judge(analyse(index, id)).status])),
    ).toEqual(verdicts);
  });
});
