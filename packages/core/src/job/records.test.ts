import { ownName, rowName, whoAndWhen } from './records.ts';

test('a row is called by its tag, number or file; a title of several words stands in quotation marks', () => {
  expect(ownName({ tag: 'PX-1', name: 'Tray at infeed' })).toBe('PX-1');
  expect(ownName({ number: '12' })).toBe('12');
  expect(ownName({ fileName: 'level.xml' })).toBe('level.xml');
  expect(ownName({ caption: 'Two cores in one terminal' })).toBe('“Two cores in one terminal”');
  expect(ownName({ description: { name: 'Float, brine' } })).toBe('“Float, brine”');
  expect(ownName({ pointId: 'px-1' })).toBeUndefined();
  expect(rowName({ collection: 'photos', before: null, after: { caption: 'As found' } })).toBe(
    'Photo “As found”',
  );
});

test('a stamp from a file keeps its own hand and hour, an undoing has that of the undoing', () => {
  const imported = { at: '2026-05-05T05:05:05Z', by: 'Importer' };
  const stored = { what: 'importJob', ...imported };
  const own = { by: 'MR', at: '2026-01-01T01:01:01Z' };
  const undone = { by: 'JT', at: '2026-02-02T02:02:02Z' };
  expect(whoAndWhen({ ...stored, after: own })).toEqual(own);
  expect(whoAndWhen({ ...stored, after: { ...own, undone: { ...undone, reason: 'x' } } })).toEqual(undone);
  expect(whoAndWhen({ ...stored, after: { tag: 'PX-1' } })).toEqual(imported);
  expect(whoAndWhen({ ...stored, after: null })).toEqual(imported);
  // What is done to a row later is not done by who made it.
  expect(whoAndWhen({ ...stored, what: 'wordPhoto', after: own })).toEqual(imported);
});
