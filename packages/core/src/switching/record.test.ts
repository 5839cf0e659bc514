import { refusalOf, said } from '../../test/said.ts';
import { exampleSignal } from './ladder/exampleSignal.ts';
import type { Ladder } from './ladder/ladder.ts';
import { ladderLog } from './ladder/ladderLog.ts';
import { playLadder } from './ladder/ladderPlay.ts';
import { proposeLadder } from './ladder/proposeLadder.ts';
import { readRecord } from './record.ts';

test.each([
  ['semicolons', 'time;value\n0;1.5\n2;3'],
  ['tabs', '0\t1.5\n2\t3'],
  ['commas', '0,1.5\n2,3'],
  ['blanks and decimal commas', ' 0 1,5\n\n2  3'],
  ['a clock that does not begin at 0', '100;1,5\r\n102;3'],
])('a record with %s', (_, text) => {
  const { at, values } = readRecord(text);
  expect([Array.from(at), Array.from(values)]).toEqual([
    [0, 2],
    [1.5, 3],
  ]);
});

test.each([
  ['0;1', 'switching.two-readings'],
  ['0;1\n5', 'switching.record-line n=2'],
  ['0;1\n1;wet', 'switching.record-line n=2'],
  ['0;1\n5;2\n4;3', 'switching.record-goes-back n=3'],
])('a record that is none is refused: %j', (text, words) => {
  expect(refusalOf(() => readRecord(text))).toBe(words);
});

const ladder: Ladder = {
  ...proposeLadder('warnPauseStop', 'x', { low: 0, high: 10 }, () => 0.01),
  range: { low: 0, high: 10 },
};
const happens = (example: Parameters<typeof exampleSignal>[1], one = ladder): string[] =>
  ladderLog(one, playLadder(one, exampleSignal(one, example))).map(({ text }) => said(text));

test('a made-up course comes to every level, keeps within the range, and its log tells all of it', () => {
  const { values } = exampleSignal(ladder, 'slow');
  expect(Math.max(...Array.from(values))).toBeLessThanOrEqual(10);
  expect(happens('slow')).toEqual([
    'switching.happens-waits name=Warning',
    'switching.happens-waits name=Pause',
    'switching.happens-comes name=Warning',
    'switching.happens-waits name=Stop',
    'switching.happens-comes name=Stop',
    'switching.happens-comes name=Pause',
    'switching.happens-kept name=Stop by=key',
    'switching.happens-kept name=Pause by=operator',
    'switching.happens-goes name=Warning',
  ]);
  expect(happens('broken').slice(0, 4)).toEqual([
    'switching.happens-break',
    'switching.happens-comes name=Warning',
    'switching.happens-comes name=Pause',
    'switching.happens-comes name=Stop',
  ]);
  const bare: Ladder = {
    ...ladder,
    levels: ladder.levels.map((level) => ({ ...level, hysteresis: 0, delay: 0, clearedBy: 'itself' })),
  };
  expect(happens('slow', bare)).toHaveLength(6);
  expect(happens('noisy', bare).length).toBeGreaterThan(12);
});
