import { progressBySort, writeRounds } from './practiceFile.ts';
import type { RoundResult } from './practiceFile.ts';

const row = (more: Partial<RoundResult> = {}): RoundResult => ({
  code: 'E00-C00-5Q3',
  level: 'easy',
  by: 'JT',
  tag: 'PX-112',
  sort: 'output',
  found: true,
  over: '',
  looks: 4,
  seconds: 72.6,
  at: '2026-10-01T08:00:00.000Z',
  ...more,
});

test('rounds are a line each; a name that begins like a formula is none', () => {
  const [head, first, second] = writeRounds([
    row(),
    row({ by: '=cmd()', found: false, over: 'Ohms on a live circuit, “really”' }),
  ]).split('\r\n');
  expect(head).toBe('round,level,by,point,fault,found,looks,seconds,ended,at');
  expect(first).toBe('E00-C00-5Q3,easy,JT,PX-112,output,yes,4,73,,2026-10-01T08:00:00.000Z');
  expect(second).toContain(`'=cmd()`);
  expect(second).toContain('"Ohms on a live circuit, “really”"');
});

test('what is found least stands first', () => {
  const rows = [row(), row({ found: false, sort: 'wire-weak' }), row({ found: false })];
  expect(progressBySort(rows)).toEqual([
    { sort: 'wire-weak', found: 0, of: 1 },
    { sort: 'output', found: 1, of: 2 },
  ]);
});
