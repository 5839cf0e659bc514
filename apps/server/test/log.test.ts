import { whoAndWhen } from '@keypost/core/job';
import { writeJobFile } from '@keypost/core/jobFile';
import { sure } from '@keypost/core/lists';
import { randomUUID } from 'node:crypto';
import { ternRock } from '../src/demo/ternRock.ts';
import { MODULE, point, pumpRoom } from './pumpRoom.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60000);
afterAll(() => server.close());

const { newJob, change } = pumpRoom(() => server.call);

describe('the log', () => {
  test('holds who, when, what, before and after of each row, newest first', async () => {
    const job = await newJob();
    await change(job.id, MODULE);
    await change(job.id, point('PX-1', 0));
    await change(job.id, { kind: 'editPoint', id: 'px-1', patch: { name: 'Other' } });
    const [last] = await server.call('listEvents', { params: { jobId: job.id }, query: {} });
    expect(last).toMatchObject({ by: 'TT', what: 'editPoint', collection: 'points', rowId: 'px-1' });
    expect([sure(sure(last).before).name, sure(sure(last).after).name]).toEqual(['Point', 'Other']);
    expect(Date.parse(sure(last).at)).toBeGreaterThan(Date.now() - 60000);
  });

  test('is read in parts, each before the last event of the one before it', async () => {
    const job = await newJob();
    await change(job.id, MODULE);
    await change(job.id, point('PX-1', 0));
    await change(job.id, point('PX-2', 1));
    const read = (before?: number, limit = 4) =>
      server.call('listEvents', { params: { jobId: job.id }, query: { before, limit } });
    const all = await read(undefined, 100);
    const parts: typeof all = [];
    for (let part = await read(); part.length; part = await read(sure(part.at(-1)).id)) parts.push(...part);
    expect(all.length).toBeGreaterThan(8);
    expect(parts).toEqual(all);
    await expect(read(0)).rejects.toMatchObject({ details: { status: 400 } });
  });

  test('of a job that came in whole tells what was done in the order in which it was', async () => {
    const file = writeJobFile(ternRock());
    const begun = Date.now();
    const { id } = await server.call('importJob', { body: { id: randomUUID(), by: 'TT', file } });
    const read = (before?: number) =>
      server.call('listEvents', { params: { jobId: id }, query: { before, limit: 500 } });
    const times: number[] = [];
    for (let part = await read(); part.length; part = await read(sure(part.at(-1)).id))
      times.push(...part.map((event) => Date.parse(whoAndWhen(event).at)));
    expect(times).toEqual([...times].sort((a, b) => b - a));
    // Parts and wires came with the file, now; what was stamped and measured keeps its own time below.
    expect(times.length).toBeGreaterThan(900);
    expect(times[0]).toBeGreaterThanOrEqual(begun - 1000);
    expect(sure(times.at(-1))).toBeLessThan(Date.parse('2026-10-01'));
  });

  test('of a point holds its own rows only', async () => {
    const job = await newJob();
    await change(job.id, MODULE);
    await change(job.id, point('PX-1', 0));
    await change(job.id, point('PX-2', 1));
    await change(job.id, {
      kind: 'stamp',
      stamp: { id: 's1', pointId: 'px-1', step: 'tug', fingerprint: {} },
    });
    const events = await server.call('listEvents', { params: { jobId: job.id }, query: { pointId: 'px-1' } });
    expect(events.map(({ collection }) => collection)).toEqual([
      'stamps',
      'wires',
      'wires',
      'wires',
      'points',
      'devices',
    ]);
  });

  test('cannot be changed', async () => {
    await newJob();
    await expect(server.db.exec("update event set by = 'XX'")).rejects.toThrow(/only ever added/);
    await expect(server.db.exec('delete from event')).rejects.toThrow(/only ever added/);
  });
});
