import { eventWords, seenWords, whoAndWhen } from './eventWords';

const event = (shelf: string, before: object | null, after: object | null) =>
  eventWords({
    id: 1,
    at: '',
    by: 'TT',
    what: '',
    shelf,
    rowId: 'x',
    before: before as never,
    after: after as never,
  });

test('each kind of event is a sentence', () => {
  expect(event('points', null, { tag: 'PX-1' })).toBe('Point PX-1 added');
  expect(event('points', { tag: 'PX-1', name: 'A' }, { tag: 'PX-1', name: 'B' })).toBe(
    'Point PX-1 changed: name A → B',
  );
  expect(event('wires', null, { number: '4', from: 'd:BK', to: 'm:I0' })).toBe('Wire 4 added: d BK to m I0');
  expect(event('modules', { tag: 'DI 1' }, null)).toBe('Module DI 1 removed');
  expect(event('stamps', null, { subject: 'Tug all wires' })).toBe('Done: Tug all wires');
  expect(event('stamps', { subject: 'Tug' }, { subject: 'Tug', undone: { reason: 'loose' } })).toBe(
    'Undone: Tug. Why: loose',
  );
  expect(event('job', { name: 'A', site: 'S' }, { name: 'B', site: 'S' })).toBe('Job named B, S');
  expect(event('job', { mainsHertz: 50 }, { name: 'B', site: 'S', mainsHertz: 60 })).toBe(
    'Job named B, S, mains 60 Hz',
  );
  expect(event('entries', null, { itemId: 'd', side: 'left', how: 'read', values: { size: '80' } })).toBe(
    'Left at d, read from it: size 80',
  );
  expect(event('descriptions', null, { fileName: 'level.xml' })).toBe('Description file level.xml added');
  expect(event('points', { tag: 'A', plate: {} }, { tag: 'A', plate: { size: '3 in' } })).toBe(
    'Point A changed: name-plate',
  );
});

test('a result says pass or fail with what was seen', () => {
  const result = {
    check: 'present.volts',
    subject: 'Signal, red on BK',
    expected: { text: '21.0 to 24.4 V' },
    measured: 14.2,
    pass: false,
  };
  expect(event('results', null, result)).toBe(
    'Fail: Signal with target 14.2\u00a0V, expected 21.0 to 24.4 V',
  );
});

test('a bit is 1 or 0, a lamp on or off', () => {
  expect([seenWords(true, '1'), seenWords(false, '1'), seenWords(true, 'off'), seenWords(1.26, '')]).toEqual([
    '1',
    '0',
    'on',
    '1.3\u00a0V',
  ]);
});

test('a stamp from a file keeps its own hand and hour, an undoing has that of the undoing', () => {
  const row = {
    id: 1,
    at: '2026-05-05T05:05:05Z',
    by: 'Importer',
    what: '',
    shelf: 'stamps',
    rowId: 's',
    before: null,
  };
  const own = { by: 'MR', at: '2026-01-01T01:01:01Z' };
  expect(whoAndWhen({ ...row, after: own })).toEqual(own);
  expect(
    whoAndWhen({ ...row, after: { ...own, undone: { by: 'JT', at: '2026-02-02T02:02:02Z', reason: 'x' } } })
      .by,
  ).toBe('JT');
  expect(whoAndWhen({ ...row, after: { tag: 'PX-1' } })).toEqual({ by: 'Importer', at: row.at });
});
