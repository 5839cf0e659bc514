import { bareJob, withHelper, withModule, withPoint, withWires, after } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { verdictOf } from '../verdict/index.ts';
import { givenSignal } from './index.ts';

const RANGE = { low: 0, high: 50, unit: 'Hz' };

/** A drive's set-point on the first output of a controller's analog module. */
function drive(typeId = 'drive-commanded-ma', more: Record<string, string> = {}): JobContent {
  const settings = { 'A0.signal': typeId.endsWith('-v') ? '0-10 V' : '4-20 mA' };
  const panel = after(withModule(bareJob(), 'm', 'ao4', []), {
    kind: 'editModule',
    id: 'm',
    patch: { settings },
  });
  return withPoint(panel, { typeId, range: RANGE, settings: more });
}

const given = (job: JobContent) => {
  const found = givenSignal(analyse(new JobIndex(job), 'px-1'));
  if (!found || 'problem' in found) throw new Error(found ? said(found.problem) : 'takes no signal');
  return found;
};
const statusOf = (job: JobContent, id = 'px-1') => verdictOf(analyse(new JobIndex(job), id));

test.each([
  // 4 + 16 × share mA into a current input; counts of 27648; 50 Hz × share.
  ['drive-commanded-ma', [4, 8, 12, 16, 20]],
  ['drive-commanded-v', [0, 2.5, 5, 7.5, 10]],
])('%s makes of each value what the program means', (typeId, signals) => {
  const job = drive(typeId);
  expect(statusOf(job).status).toBe('works');
  const { rows, otherwise } = given(job);
  expect(rows.map((row) => row.given)).toEqual(signals);
  expect(rows.map(({ counts }) => counts)).toEqual([0, 6912, 13824, 20736, 27648]);
  rows.forEach((row, i) => {
    expect(row.gets.nom).toBeCloseTo(nth(signals, i), 2);
    expect(row.gets.min).toBeLessThanOrEqual(row.gets.nom);
    expect(row.gets.max).toBeGreaterThanOrEqual(row.gets.nom);
    expect(row.makes).toBeCloseTo(12.5 * i, 1);
  });
  expect(otherwise).toBeUndefined();
});

test('a current that the output cannot push through its loop is seen at the value where it ends', () => {
  // 1.2 kΩ besides the drive's 250 Ω: at 20 mA 29 V, more than any output here has; 8 mA need 12 V.
  const job = withHelper(
    { ...drive(), wires: drive().wires.filter(({ from }) => from !== 'px-1-b:A1+') },
    'px-1',
    { id: 'r1', typeId: 'resistor', settings: { ohms: '1200', watts: '1' } },
    [
      ['1', 'm:A0+'],
      ['2', 'px-1-b:A1+'],
    ],
  );
  const found = givenSignal(analyse(new JobIndex(job), 'px-1'));
  if (!found || 'problem' in found) throw new Error('no rows');
  expect(nth(found.rows, 1).gets.nom).toBeCloseTo(8, 1);
  expect(nth(found.rows, 4).gets.nom).toBeLessThan(15);
  expect(found.otherwise?.code).toBe('scaling.makes-otherwise');
});

test('a drive whose switch stands on the other signal never works, and its speeds are told', () => {
  const wrong = drive('drive-commanded-v', { switch: 'mA' });
  expect(statusOf(wrong).status).toBe('cannot');
  // 10 V into 250 Ω would be 40 mA; the output gives 10 at most.
  expect(nth(given(wrong).rows, 4).makes).toBeLessThan(15);
  expect(given(wrong).otherwise?.code).toBe('scaling.makes-otherwise');
});

test('a drive set to another range makes other speeds of the same signal', () => {
  const other = after(drive(), {
    kind: 'enter',
    entries: [
      {
        id: 'e1',
        itemId: 'px-1-b',
        side: 'found',
        how: 'typed',
        values: { unit: 'Hz', low: '10', high: '60' },
      },
    ],
  });
  expect(given(other).rows.map(({ makes }) => Math.round(10 * makes) / 10)).toEqual([10, 22.5, 35, 47.5, 60]);
  expect(given(other).otherwise?.code).toBe('scaling.makes-otherwise');
});

test('start and relay of the drive are points of their own, and leave the other leads alone', () => {
  const outputs = after(
    drive(),
    { kind: 'addModule', module: { id: 'q', tag: 'Q', typeId: 'do8-high', firstByte: 40 }, commons: [] },
    { kind: 'addModule', module: { id: 'i', tag: 'I', typeId: 'di8-sink-8', firstByte: 44 }, commons: ['-'] },
    ...(['start', 'relay'] as const).map((outputId) => ({
      kind: 'addPoint' as const,
      point: {
        id: outputId,
        tag: outputId.toUpperCase(),
        name: 'Pump',
        deviceId: 'px-1-b',
        outputId,
        bit: 'direct' as const,
      },
      device: null,
      place: { moduleId: outputId === 'start' ? 'q' : 'i', channel: 0 },
    })),
  );
  for (const id of ['px-1', 'start', 'relay'])
    expect([id, statusOf(outputs, id).status]).toEqual([id, 'works']);
  const ends = Object.fromEntries(outputs.wires.map(({ from, to }) => [from, to]));
  expect(ends).toMatchObject({
    'px-1-b:A1+': 'm:A0+',
    'px-1-b:A1-': 'm:A0-',
    'px-1-b:D1': 'q:Q0',
    'px-1-b:DCM': 'g1:-',
    'px-1-b:14': 'i:I0',
    'px-1-b:11': 'g1:+',
  });
  // With its wires on each other's outputs nothing follows.
  const crossed = withWires(
    { ...outputs, wires: outputs.wires.filter(({ from }) => !/:(A1\+|D1)$/.test(from)) },
    ['px-1-b:A1+', 'q:Q0'],
    ['px-1-b:D1', 'm:A0+'],
  );
  for (const id of ['px-1', 'start']) expect(statusOf(crossed, id).status).not.toBe('works');
});

test('what takes no signal has no such way, and what is not landed or has no range says so', () => {
  const lamp = withPoint(withModule(bareJob(), 'm', 'do8-high', []), { typeId: 'lamp-led-24' });
  expect(givenSignal(analyse(new JobIndex(lamp), 'px-1'))).toBeUndefined();
  const bare = after(drive(), { kind: 'editPoint', id: 'px-1', patch: { range: null } });
  expect(givenSignal(analyse(new JobIndex(bare), 'px-1'))).toMatchObject({
    problem: { code: 'scaling.range-yet-give-such' },
  });
});
