import { nth, sure } from '@keypost/core/lists';
import { ApiProblem, livePath } from '@keypost/api';
import type { LiveBatch } from '@keypost/api';
import { JobIndex } from '@keypost/core/job';
import { sheetOf, stepsTo } from '@keypost/core/setting';
import { randomUUID } from 'node:crypto';
import { DEMO_JOB_ID, seedDemo } from '../src/demo/seed.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { liveSources, requestsFor } from '../src/live/sources.ts';
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
const item = (itemId: string) => ({ params: { ...params, itemId } });
const job = async () => (await server.call('getJob', { params })).content;
const practise = (port: number, act: 'unplug' | 'plug' | 'replace' | 'fail' | 'mend') =>
  server.call('practise', { body: { what: { port }, act } });
const write = (itemId: string, key: string, value: string) =>
  server.call('writeParameter', { ...item(itemId), body: { by: 'TT', key, value } });

describe('reading and writing a device behind a master', () => {
  test('what it shows is read and kept as found, read by the server', async () => {
    const { values, refused, away } = await server.call('readItem', {
      ...item('lt-270-b'),
      body: { by: 'TT', keys: ['v24', 'v60.1', 'v61.3', 'v70'] },
    });
    expect({ values, refused, away }).toEqual({
      values: { v24: '***', 'v60.1': '200', 'v61.3': '1', v70: '1' },
      refused: [],
      away: undefined,
    });
    const entry = (await job()).entries.at(-1);
    expect(entry).toMatchObject({ itemId: 'lt-270-b', side: 'found', how: 'read', by: 'TT', values });
  });

  test('nobody but the server can claim that something was read', async () => {
    const claim = server.call('changeJob', {
      params,
      body: {
        changeId: randomUUID(),
        by: 'TT',
        change: {
          kind: 'enter',
          entries: [{ id: 'x1', itemId: 'lt-270-b', side: 'left', how: 'read', values: { v70: '2' } }],
        },
      },
    });
    await expect(claim).rejects.toThrow(/Only what this server read/);
  });

  test('a whole sheet goes down, is interrupted, and goes on where it stopped', async () => {
    const open = async () => stepsTo(sheetOf(new JobIndex(await job()), 'lt-270-b').lines);
    const all = await open();
    expect(all.length).toBeGreaterThan(4);
    const [first, second] = all;
    expect(await write('lt-270-b', sure(first).key, sure(first).value)).toMatchObject({ kept: true });
    await practise(1, 'unplug');
    const lost = await write('lt-270-b', sure(second).key, sure(second).value);
    expect(lost).toMatchObject({ kept: false, problem: { kind: 'away' } });
    expect((await open()).map(({ key }) => key)).toEqual(all.slice(1).map(({ key }) => key));
    await practise(1, 'plug');
    for (const { key, value } of await open())
      expect(await write('lt-270-b', key, value)).toMatchObject({ kept: true });
    expect(await open()).toEqual([]);
    const left = (await job()).entries.filter(({ side, itemId }) => side === 'left' && itemId === 'lt-270-b');
    expect(left.every(({ how }) => how === 'read')).toBe(true);
  });

  test('a wrong device gets nothing written, a failing one keeps nothing', async () => {
    await practise(1, 'replace');
    const wrong = await write('lt-270-b', 'v70', '0');
    expect(wrong).toMatchObject({
      kept: false,
      problem: { kind: 'refused', message: { code: 'service.port-description-nothing-written' } },
    });
    await practise(1, 'plug');
    await practise(1, 'fail');
    expect(await write('lt-270-b', 'v70', '0')).toMatchObject({ kept: false, problem: { kind: 'away' } });
    await practise(1, 'mend');
    expect(await write('lt-270-b', 'v72', '9000')).toMatchObject({
      kept: false,
      problem: { kind: 'refused' },
    });
  });

  test('teaching takes the present value over and reads it back', async () => {
    sure(sure(simulators.master.port(1)).device).hold(0.5);
    const { values } = await server.call('teach', {
      ...item('lt-270-b'),
      body: { by: 'TT', channel: 1, command: 'SP1 from the present value' },
    });
    // Half of 200 to 4000 mm.
    expect(values['v60.1']).toBe('2100');
    sure(sure(simulators.master.port(1)).device).hold(undefined);
  });

  test('the master’s own port configuration is read, written and read back', async () => {
    expect(await write('iol-1', 'P4.mode', 'off')).toMatchObject({ kept: true, readBack: 'off' });
    for (const [key, value] of [
      ['P1.mode', 'iolink'],
      ['P1.validation', 'type'],
      ['P1.vendor', '1201'],
      ['P1.device', '131080'],
      ['P1.backup', 'backup'],
      ['P1.cycle', '5'],
    ] as const)
      expect(await write('iol-1', key, value)).toMatchObject({ kept: true, readBack: value });
    expect(await write('iol-1', 'P1.lengthIn', '3')).toMatchObject({ kept: false });
    await practise(1, 'replace');
    expect(await write('lt-270-b', 'v70', '0')).toMatchObject({ kept: false });
    await practise(1, 'plug');
  });

  test('what no way leads to is refused in words', async () => {
    const refused = server.call('readItem', { ...item('ft-220-b'), body: { by: 'TT', keys: ['size'] } });
    await expect(refused).rejects.toThrow(/No way leads to it/);
    await expect(refused).rejects.toBeInstanceOf(ApiProblem);
  });
});

test('a unit on the line and one on the network', async () => {
  expect(await write('jt-272-b', 'ct', '100')).toMatchObject({ kept: true, readBack: '100' });
  const { values } = await server.call('readItem', {
    ...item('jn-274-b'),
    body: { by: 'TT', keys: ['ct', 'vt', 'language'] },
  });
  expect(values).toEqual({ ct: '100', vt: '100' });
  nth(simulators.units, 0).silent = true;
  expect(await write('jt-272-b', 'ct', '50')).toMatchObject({ kept: false, problem: { kind: 'away' } });
  nth(simulators.units, 0).silent = false;
});

/** Batches of a job's live values until one is what is waited for. */
async function live(
  until: (batch: LiveBatch) => boolean,
  during?: () => Promise<unknown>,
): Promise<LiveBatch> {
  const stop = new AbortController();
  const response = await fetch(server.address + livePath(DEMO_JOB_ID), { signal: stop.signal });
  expect(response.headers.get('content-type')).toMatch(/^text\/event-stream/);
  await during?.();
  let text = '';
  const reader = sure(response.body).getReader();
  for (;;) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
    const lines = text.split('\n\n');
    text = sure(lines.pop());
    for (const line of lines) {
      if (!line.startsWith('data: ')) continue;
      const batch = JSON.parse(line.slice(6)) as LiveBatch;
      if (until(batch)) {
        stop.abort();
        return batch;
      }
    }
  }
  throw new Error('the events ended');
}

describe('live values', () => {
  test('ports and units tell what changes', async () => {
    const ports = await live((batch) => batch.ports.some(({ state }) => state === 'connected'));
    expect(ports.ports.find(({ port }) => port === 1)).toMatchObject({
      moduleId: 'iol-1',
      valid: true,
      bytes: expect.stringMatching(/^[0-9a-f]{6}$/),
    });
    const units = await live((batch) => batch.units.length > 0);
    expect(nth(units.units, 0).registers.u1).toHaveLength(1);
  }, 20000);

  test('a plug that is pulled is told', async () => {
    const lost = await live(
      (batch) => batch.ports.some(({ port, state }) => port === 2 && state === 'no device'),
      () => practise(2, 'unplug'),
    );
    expect(lost.ports.find(({ port }) => port === 2)).toMatchObject({ valid: false, bytes: '' });
    await practise(2, 'plug');
  }, 20000);

  test('who was asked is told where nothing moved, and where nobody is asked the server is heard', async () => {
    simulators.units.forEach((unit) => (unit.silent = true));
    const same = await live(({ asked, ports, units }) => asked.length > 0 && !ports.length && !units.length);
    simulators.units.forEach((unit) => (unit.silent = false));
    // One on the line and one on the network, which are told apart.
    expect(['line-1/pm', 'net/pm']).toContain(same.asked[0]);
    await live(({ asked, ports, units }) => !asked.length && !ports.length && !units.length);
  }, 20000);

  test('an unknown job has none', async () => {
    expect((await fetch(server.address + livePath('nobody'))).status).toBe(404);
  });
});

test('neighbours are asked for together', () => {
  const at = (address: number, type: 'uint16' | 'float32' = 'uint16', table: 'input' | 'holding' = 'input') =>
    ({
      id: `${address}`,
      name: 'x',
      table,
      address,
      type,
      words: 'high',
      bytes: 'high',
      scale: 1,
      unit: '',
    }) as const;
  expect(requestsFor([at(0), at(5, 'float32'), at(100), at(2, 'uint16', 'holding')])).toEqual([
    { table: 'holding', first: 2, count: 1 },
    { table: 'input', first: 0, count: 7 },
    { table: 'input', first: 100, count: 1 },
  ]);
});

test('a master that does not answer is told of all its ports', async () => {
  const [master] = liveSources(ternRock({ ioLink: 1, modbusTcp: 1, modbusRtu: 1, bench: 1 }));
  const { ports } = await sure(master).poll();
  expect(ports.map(({ port, state, valid }) => [port, state, valid])).toEqual(
    [1, 2, 3, 4, 5, 6].map((port) => [port, 'no answer', false]),
  );
});
