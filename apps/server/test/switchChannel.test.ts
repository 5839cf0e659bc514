import { nth, sure } from '@keypost/core/lists';
import { analyse } from '@keypost/core/analysis';
import { decodeRecord, processDataInForce } from '@keypost/core/ioLink';
import { JobIndex } from '@keypost/core/job';
import type { SingleChange } from '@keypost/core/job';
import type { DeviceChannel } from '@keypost/core/model';
import { chainOf, moveChain } from '@keypost/core/scaling';
import { sheetOf, stepsTo } from '@keypost/core/setting';
import {
  channelPlan,
  deviceChannels,
  requireChannel,
  standingChannel,
  taughtBeside,
} from '@keypost/core/switching';
import { taughtBy } from '@keypost/core/tools';
import { randomUUID } from 'node:crypto';
import { DEMO_JOB_ID, seedDemo } from '../src/demo/seed.ts';
import type { Simulators } from '../src/simulators/start.ts';
import { simulatorsAnywhere, startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

let simulators: Simulators;
let server: TestServer;
beforeAll(async () => {
  simulators = await simulatorsAnywhere();
  server = await startTestServer(simulators);
  await seedDemo(server.db, simulators.ports);
}, 120000);
afterAll(async () => {
  await server.close();
  await simulators.close();
});

const params = { jobId: DEMO_JOB_ID };
const job = async () => (await server.call('getJob', { params })).content;
const analysed = async () => {
  const analysis = analyse(new JobIndex(await job()), 'lt-270');
  const made = chainOf(analysis);
  if (!made || 'problem' in made) throw new Error('no chain');
  return { analysis, made };
};
const change = (one: SingleChange[]) =>
  server.call('changeJob', {
    params,
    body: { changeId: randomUUID(), by: 'TT', change: { kind: 'batch', changes: one } },
  });

const plan = (channel: 1 | 2, mode: DeviceChannel['mode'], logic: 'no' | 'nc' = 'no'): DeviceChannel => ({
  channel,
  unit: 'm',
  mode,
  logic,
});

/** Requires a plan of the device, writes what its sheet asks for, and gives back at which values it then switches. */
async function set(one: DeviceChannel): Promise<DeviceChannel['mode']> {
  const { analysis, made } = await analysed();
  const wanted = channelPlan(analysis, made, one);
  expect(wanted.problems).toEqual([]);
  await change([
    { kind: 'setSwitching', pointId: 'lt-270', switching: { channels: [one] } },
    ...(requireChannel('lt-270-b', wanted, 'level switch') as SingleChange[]),
  ]);
  for (const { key, value } of stepsTo(sheetOf(new JobIndex(await job()), 'lt-270-b').lines))
    expect(
      await server.call('writeParameter', {
        params: { ...params, itemId: 'lt-270-b' },
        body: { by: 'TT', key, value },
      }),
    ).toMatchObject({ kept: true, readBack: value });
  for (const { key, value } of wanted.requires)
    expect(
      sheetOf(new JobIndex(await job()), 'lt-270-b').lines.find(({ parameter }) => parameter.key === key),
    ).toMatchObject({
      state: 'done',
      left: { value, how: 'read' },
    });
  return wanted.becomes;
}

/** Goes from an empty to a full tank and back: the level at each step, and the channel's bit in the process data. */
async function course(channel: 1 | 2): Promise<{ level: number; bit: boolean }[]> {
  const device = sure(sure(simulators.master.port(1)).device);
  const { made } = await analysed();
  const input = sure(processDataInForce(device.known, () => undefined).data?.input);
  const bit = nth(
    input.items.filter(({ type }) => type.kind === 'boolean').sort((a, b) => a.bitOffset - b.bitOffset),
    channel - 1,
  );
  const steps = Array.from({ length: 1000 }, (_, i) => i);
  const raws = [...steps, ...[...steps].reverse()].map((i) => 5200 - 4 * i);
  const rows = raws.map((raw) => {
    device.hold((raw - 400) / 7600);
    const on = decodeRecord(input, device.processIn()).get(bit.name) === true;
    return { level: moveChain(made.chain, 'signal', raw * 0.5).rows.value.value, bit: on };
  });
  device.hold(undefined);
  return rows;
}

/** The levels between which the bit turned. */
const turns = (
  rows: readonly { level: number; bit: boolean }[],
): { on: boolean; from: number; to: number }[] =>
  rows.flatMap(({ level, bit }, i) => {
    const before = rows[i - 1];
    return before && before.bit !== bit ? [{ on: bit, from: before.level, to: level }] : [];
  });

const between = (at: number, { from, to }: { from: number; to: number }): boolean =>
  at >= Math.min(from, to) - 1e-6 && at <= Math.max(from, to) + 1e-6;

test('the device has both channels of the profile', async () => {
  expect(deviceChannels((await analysed()).analysis)).toEqual([1, 2]);
});

test.each(['no', 'nc'] as const)(
  'a set point on a level that falls with the distance, %s: required, written, read back, followed',
  async (logic) => {
    // 1.2003 m is a distance of 1399.7 mm, which the device takes in steps of 0.5 mm.
    const becomes = await set(plan(1, { kind: 'points', set: 1.2003, reset: 1.1 }, logic));
    if (becomes.kind !== 'points') throw new Error('points');
    expect(becomes.set).toBeCloseTo(1.2005, 6);
    expect(becomes.reset).toBeCloseTo(1.1, 3);
    const [first, second, ...more] = turns((await course(1)).slice(1));
    expect(more).toEqual([]);
    expect([first?.on, second?.on]).toEqual(logic === 'no' ? [true, false] : [false, true]);
    expect(between(becomes.set, sure(first))).toBe(true);
    expect(between(becomes.reset, sure(second))).toBe(true);
    const { analysis, made } = await analysed();
    const stands = standingChannel(analysis, made, { channel: 1, logic });
    expect(stands).toMatchObject({ kind: 'points' });
    if (stands && stands !== 'off' && stands.kind === 'points')
      expect([stands.set, stands.reset]).toEqual([becomes.set, becomes.reset]);
  },
);

test('a set point below its reset point switches on falling', async () => {
  const becomes = await set(plan(2, { kind: 'points', set: 0.5, reset: 0.6 }));
  if (becomes.kind !== 'points') throw new Error('points');
  const [first, second, ...more] = turns((await course(2)).slice(1));
  expect(more).toEqual([]);
  expect([first?.on, second?.on]).toEqual([false, true]);
  expect(between(becomes.reset, sure(first))).toBe(true);
  expect(between(becomes.set, sure(second))).toBe(true);
});

test('a window: on between its ends, off beyond them by the hysteresis', async () => {
  const becomes = await set(plan(2, { kind: 'window', low: 0.8, high: 1.4, hysteresis: 0.05 }));
  if (becomes.kind !== 'window') throw new Error('window');
  const { low, high, hysteresis } = becomes;
  const seen = turns((await course(2)).slice(1));
  expect(seen.map(({ on }) => on)).toEqual([true, false, true, false]);
  [low, high + hysteresis, high, low - hysteresis].forEach((at, i) =>
    expect(between(at, nth(seen, i))).toBe(true),
  );
});

test('what the device does not take is told before it is required', async () => {
  const { analysis, made } = await analysed();
  const { problems } = channelPlan(analysis, made, plan(1, { kind: 'points', set: 1.2, reset: 0.9 }));
  expect(problems.map(({ code }) => code)).toEqual(['switching.channel-outside']);
});

test('what the device holds stands beside what was taught from readings', async () => {
  const teach = (second: string) =>
    change([
      {
        kind: 'calibrate',
        calibrations: [
          {
            id: randomUUID(),
            pointId: 'lt-270',
            body: taughtBy({
              kind: 'two',
              unit: 'm',
              readings: '0.8 0.801 0.799 0.8 0.8 0.801 0.799 0.8',
              second,
              period: '1',
              drift: '0.01',
              hysteresis: '0.1',
              step: '',
              span: '',
              conditions: '',
            }),
          },
        ],
      },
    ]);
  const beside = async () => {
    const { analysis, made } = await analysed();
    return taughtBeside(analysis, made).find(({ channel }) => channel === 1);
  };
  // Between 0.8 m and 1.4 m, 0.1 m wide: on at 1.15 m and off again at 1.05 m.
  await set(plan(1, { kind: 'points', set: 1.15, reset: 1.05 }));
  await teach('1.4 1.401 1.399 1.4 1.4 1.401 1.399 1.4');
  const same = sure(await beside());
  expect(same.step).toBeCloseTo(0.0005, 6);
  expect(same.apart).toBeLessThanOrEqual(same.step);
  await teach('1.6 1.601 1.599 1.6 1.6 1.601 1.599 1.6');
  const moved = sure(await beside());
  expect(moved.apart).toBeCloseTo(0.1, 3);
  expect(moved.ours[0] - moved.stands[0]).toBeCloseTo(0.1, 3);
});
