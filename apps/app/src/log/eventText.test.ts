import { textOf } from '@keypost/core/messages';
import type { JobEvent } from '@keypost/api';
import { pressureJob } from '../../test/pressureJob';
import { eventText } from './eventText';

const event = (collection: JobEvent['collection'], before: object | null, after: object | null) =>
  textOf(
    eventText(
      {
        id: 1,
        changeId: 'c',
        at: '',
        by: 'TT',
        what: '',
        collection,
        rowId: 'x',
        before: before as never,
        after: after as never,
      },
      pressureJob(),
    ),
  );

test('in a log of all points a step and a result name the point that was worked at', () => {
  const job = pressureJob();
  const [point] = job.points;
  const stamp: JobEvent = {
    ...{ id: 1, changeId: 'c', at: '', by: 'TT', what: '', rowId: 's', before: null },
    collection: 'stamps',
    after: { step: 'tug', pointId: point?.id },
  };
  expect(textOf(eventText(stamp, job))).toBe(`${point?.tag} · Done: All wires tugged`);
  expect(textOf(eventText(stamp, job, true))).toBe('Done: All wires tugged');
  const after = { step: 'tug', pointId: 'gone' };
  expect(textOf(eventText({ ...stamp, after }, job))).toBe('Done: All wires tugged');
});

test('each kind of event is a sentence', () => {
  expect(event('points', null, { tag: 'PX-1' })).toBe('Point PX-1 added');
  expect(event('points', { tag: 'PX-1', name: 'A' }, { tag: 'PX-1', name: 'B' })).toBe(
    'Point PX-1 changed: name A → B',
  );
  expect(event('wires', null, { number: '4', from: 'd:BK', to: 'm:I0' })).toBe(
    'Wire 4 added: PX-1 BK to DI 1 channel 0',
  );
  expect(event('modules', { tag: 'DI 1' }, null)).toBe('Module DI 1 removed');
  expect(event('stamps', null, { step: 'tug' })).toBe('Done: All wires tugged');
  expect(event('stamps', { step: 'tug' }, { step: 'tug', undone: { reason: 'loose' } })).toBe(
    'Undone: All wires tugged. Why: loose',
  );
  expect(event('job', { name: 'A', site: 'S' }, { name: 'B', site: 'S' })).toBe('Job named B, S');
  expect(event('job', { mainsHertz: 50 }, { name: 'B', site: 'S', mainsHertz: 60 })).toBe(
    'Job named B, S, mains 60 Hz',
  );
  expect(event('entries', null, { itemId: 'd', side: 'left', how: 'read', values: { size: '80' } })).toBe(
    'Left at PX-1, read from it: size 80',
  );
  expect(event('descriptions', null, { fileName: 'level.xml' })).toBe('Description file level.xml added');
  expect(event('photos', null, { caption: 'Two cores in one' })).toBe('Photo “Two cores in one” added');
  expect(event('points', { tag: 'A', plate: {} }, { tag: 'A', plate: { size: '3 in' } })).toBe(
    'Point A changed: name-plate',
  );
});

test('no id, no structure: tags, labels and units', () => {
  const point = { tag: 'PX-1', deviceId: 'd', helperIds: [], range: { low: 0, high: 6, unit: 'bar' } };
  expect(event('points', point, { ...point, range: { low: 0, high: 10, unit: 'bar' } })).toBe(
    'Point PX-1 changed: range 0 to 6 bar → 0 to 10 bar',
  );
  expect(event('points', point, { ...point, helperIds: ['d', 'gone'], stops: ['d:1'] })).toMatch(
    /parts nothing → PX-1, a part that was removed, what it stops nothing → PX-1 1$/,
  );
  const device = { tag: 'PX-1', typeId: 'inductive-3w', settings: {} };
  const dark = { output: { kind: 'pnp', logic: 'nc' } };
  expect(event('devices', { ...device, outputs: {} }, { ...device, outputs: dark })).toBe(
    'Device PX-1 changed: outputs nothing → PNP NC',
  );
  expect(event('devices', device, { ...device, typeId: 'diffuse-3w' })).toMatch(
    /type Inductive proximity sensor, three-wire → Diffuse/,
  );
  const module = { tag: 'AI 1', typeId: 'ai4-mixed', settings: {} };
  for (const text of [
    event('points', point, { ...point, range: undefined, plate: { size: '3 in' } }),
    event('modules', module, { ...module, settings: { 'A0.switch': 'V' } }),
    event('supplies', { tag: 'G1' }, { tag: 'G1', feed: { from: 'd', protection: 'fuse' } }),
    event('wires', { number: '1', from: 'd:+', to: 'm:A0+' }, { number: '1', from: 'd:+', to: 'gone:X' }),
    event('entries', null, { itemId: 'gone', side: 'left', how: 'typed', values: {} }),
  ])
    expect(text).not.toMatch(/\[object|[{}"]|undefined|Id\b/);
});

test('a figure of one’s own says what it is, how much, and from which paper', () => {
  const row = { tag: 'PX-1', typeId: 'inductive-3w' };
  const figures = {
    'behaviours.output.leakage': { nominal: 0.0006, unit: 'A', from: 'datasheet, page 2', by: 'JT', at: 'x' },
  };
  expect(event('devices', row, { ...row, figures })).toBe(
    'Device PX-1 changed: Leakage while off 0.6\u00a0mA, from datasheet, page 2',
  );
  expect(event('devices', { ...row, figures }, { ...row, figures: undefined })).toBe(
    'Device PX-1 changed: Leakage while off as is typical again',
  );
});

test('a result says pass or fail with what was seen', () => {
  const result = {
    check: 'present.volts',
    expected: { min: 21, max: 24.4 },
    measured: 14.2,
    pass: false,
  };
  expect(event('results', null, result)).toBe(
    'Fail: Signal with target 14.2\u00a0V, expected 21.0 to 24.4\u00a0V',
  );
});

test('a bit is 1 or 0, an LED on or off', () => {
  const seen = { pass: true, measured: true, expected: { seen: true } };
  expect(event('results', null, { ...seen, check: 'present.bit-0' })).toMatch(
    /Program bit with target 1, expected 1/,
  );
  expect(event('results', null, { ...seen, check: 'away.inputLamp-0' })).toMatch(
    /Input LED without target on, expected on/,
  );
});
