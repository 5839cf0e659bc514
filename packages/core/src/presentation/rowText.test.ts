import { jobWith } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { rowChanges, rowWords } from './rowText.ts';

const job = jobWith('di8-both-8', ['-'], { tag: 'PX-1' });
const told = (patch: Record<string, unknown>): string[] =>
  rowChanges(job, { kind: 'editPoint', id: 'px-1', patch }).map(said);

describe('what an edit changes besides what was typed', () => {
  test('nothing is silent: how an output works, and another kind', () => {
    expect(told({ name: 'Other' })).toEqual([]);
    expect(told({ output: { kind: 'pnp', logic: 'nc' } })).toEqual([
      'event.changed what=Device name=PX-1 fields=(event.field label=outputs before=(text.list parts=PNP NO) after=(text.list parts=PNP NC))',
    ]);
    const [device] = told({ typeId: 'diffuse-3w', output: { kind: 'pnp', logic: 'light' } });
    expect(device).toMatch(
      /label=type .*label=outputs before=\(text\.list parts=PNP NO\) after=\(text\.list parts=PNP light-on\)/,
    );
  });

  test('wires that come with a lead more, by their ends', () => {
    const four = told({ typeId: 'inductive-4w' });
    expect(four.filter((line) => line.startsWith('event.removed what=Wire'))).toEqual([]);
    expect(four.some((line) => line.startsWith('event.changed what=Device name=PX-1'))).toBe(true);
  });
});

test('a row is called by its tag, number, file or name, and a kind by what its description calls it', () => {
  const words = rowWords(undefined);
  expect(words.name({ id: 'x', description: { name: 'Brine probe' } })).toBe('“Brine probe”');
  expect(words.name({ id: 'x', tag: 'PX-1' })).toBe('PX-1');
});

test('a range that is multiplied is told with what becomes of it', () => {
  const range = { low: 0, high: 2, unit: 't' };
  const row = (multiplier: number) => ({
    id: 'p',
    tag: 'WT-1',
    range,
    scaling: { controller: { multiplier } },
  });
  const words = rowWords(undefined);
  const differ = (before: object, after: object): string[] =>
    words.differences('points', before as never, after as never).map(said);
  expect(differ(row(1), row(6))).toEqual([
    'event.range-multiplied times=6 before=(event.range low=0 high=2 unit=t) after=(event.range low=0 high=12 unit=t)',
  ]);
  expect(differ(row(6), { ...row(6), scaling: undefined })).toEqual([
    'event.range-multiplied times=1 before=(event.range low=0 high=12 unit=t) after=(event.range low=0 high=2 unit=t)',
  ]);
  expect(differ({ ...row(1), range: undefined }, { ...row(6), range: undefined })).toEqual([
    'event.multiplied times=6',
  ]);
  expect(differ(row(1), { ...row(1), scaling: { sensor: { percent: 1 } } })).toHaveLength(1);
});
