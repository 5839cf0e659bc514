import { createHash, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { ApiProblem, picturePath } from '@keypost/api';
import type { JobView } from '@keypost/api';
import type { Change } from '@keypost/core/job';
import type { PhotoSubject } from '@keypost/core/model';
import { whoAndWhen } from '@keypost/core/job';
import { nth, sure } from '@keypost/core/lists';
import { planRelay } from '@keypost/core/planning';
import type { RelayRequest } from '@keypost/core/planning';
import { waysOut } from '@keypost/core/proving';
import { demoJob } from '../src/demo/demoJob.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { cleanJpeg } from '../src/photos/jpeg.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.close());

const BRACKET = readFileSync(path.resolve(__dirname, '../src/demo/pictures/bracket.jpg'));
const METER = readFileSync(path.resolve(__dirname, '../src/demo/pictures/meter.jpg'));
const sumOf = (file: Uint8Array): string => createHash('sha256').update(file).digest('hex');

/** The bracket with a segment of a marker before everything else. */
const withSegment = (marker: number, content: string): Buffer => {
  const body = Buffer.from(content, 'latin1');
  const head = Buffer.from([0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255]);
  return Buffer.concat([BRACKET.subarray(0, 2), head, body, BRACKET.subarray(2)]);
};

const newJob = async (): Promise<JobView> => {
  const { id } = await server.call('createJob', {
    body: { id: randomUUID(), name: 'Živa Möwe', site: '', by: 'TT' },
  });
  await change(id, {
    kind: 'addPoint',
    point: { id: 'p', tag: 'PX-1', name: 'Point', deviceId: 'p-b', bit: 'direct' },
    device: { id: 'p-b', tag: 'PX-1', typeId: 'inductive-3w' },
    place: null,
  });
  return server.call('getJob', { params: { jobId: id } });
};
const change = (jobId: string, what: Change) =>
  server.call('changeJob', { params: { jobId }, body: { changeId: randomUUID(), by: 'TT', change: what } });
const add = (
  jobId: string,
  id: string,
  file: Uint8Array = BRACKET,
  subject: PhotoSubject = { kind: 'point', pointId: 'p' },
  changeId: string = randomUUID(),
) =>
  server.call('addPhoto', {
    params: { jobId },
    body: {
      changeId,
      by: 'JT',
      photo: { id, subject, caption: 'As found' },
      picture: Buffer.from(file).toString('base64'),
    },
  });
const picture = (jobId: string, file: Uint8Array) => fetch(server.address + picturePath(jobId, sumOf(file)));
const photos = async (jobId: string) => (await server.call('getJob', { params: { jobId } })).content.photos;
const codeOf = async (promise: Promise<unknown>): Promise<string> => {
  const error: unknown = await promise.then(
    () => 'nothing refused',
    (e: unknown) => e,
  );
  return error instanceof ApiProblem ? error.details.message.code : String(error);
};

test('a photo is kept with its picture, once, and comes back as it was', async () => {
  const { id } = await newJob();
  const changeId = randomUUID();
  await add(id, 'a', BRACKET, undefined, changeId);
  expect(await add(id, 'a', BRACKET, undefined, changeId)).toMatchObject({ again: true });
  expect(await photos(id)).toMatchObject([
    { id: 'a', by: 'JT', width: 1024, height: 768, bytes: BRACKET.length, sha256: sumOf(BRACKET) },
  ]);
  const answer = await picture(id, BRACKET);
  expect(answer.headers.get('content-type')).toBe('image/jpeg');
  expect(answer.headers.get('cache-control')).toContain('immutable');
  expect(Buffer.from(await answer.arrayBuffer()).equals(BRACKET)).toBe(true);
  expect((await picture(id, METER)).status).toBe(404);
  expect((await picture((await newJob()).id, BRACKET)).status).toBe(404);
});

test.each<[string, Uint8Array]>([
  ['EXIF', withSegment(0xe1, 'Exif\0\0GPS')],
  ['a comment', withSegment(0xfe, 'at the gate')],
  ['IPTC', withSegment(0xed, 'Written by hand')],
  ['another picture behind it', Buffer.concat([BRACKET, METER])],
])('of a file with %s only the picture is kept', async (_, file) => {
  const { id } = await newJob();
  await add(id, 'a', file);
  const answer = await picture(id, BRACKET);
  expect(Buffer.from(await answer.arrayBuffer()).equals(BRACKET)).toBe(true);
});

test.each<[string, Uint8Array, string]>([
  ['another format', Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'), 'service.photo-no-jpeg'],
  ['half of it', BRACKET.subarray(0, 4000), 'service.photo-broken'],
  ['its beginning', BRACKET.subarray(0, 30), 'service.photo-broken'],
  ['nothing', new Uint8Array(), 'service.photo-no-jpeg'],
  [
    'too much',
    Buffer.concat([BRACKET.subarray(0, -2), Buffer.alloc(300 * 1024), BRACKET.subarray(-2)]),
    'model.photo-bytes',
  ],
])('a file with %s is refused, and nothing is kept', async (_, file, code) => {
  const { id } = await newJob();
  expect(await codeOf(add(id, 'a', file))).toBe(code);
  expect(await photos(id)).toEqual([]);
});

test('wherever a picture is cut or bent, it is read or refused, and never more', () => {
  for (let at = 0; at < BRACKET.length; at += 97) {
    const bent = Buffer.from(BRACKET);
    bent[at] = 0xff;
    for (const file of [BRACKET.subarray(0, at), bent])
      try {
        const { width, height } = cleanJpeg(file);
        expect(Math.max(width, height)).toBeLessThanOrEqual(1600);
      } catch (error) {
        expect(String(error)).toMatch(/JPEG|broken|pixels/);
      }
  }
});

test('a photo of what is not there, or without its picture, is refused', async () => {
  const { id } = await newJob();
  const lone = { kind: 'part', itemId: 'nowhere' } as const;
  expect(await codeOf(add(id, 'a', BRACKET, lone))).toBe('job.photo-subject');
  expect(await codeOf(add(id, 'a', BRACKET, { kind: 'result', pointId: 'p', resultId: 'r' }))).toBe(
    'job.photo-subject',
  );
  expect((await picture(id, BRACKET)).status).toBe(404);
  const claim: Change = {
    kind: 'addPhoto',
    photo: {
      id: 'a',
      subject: { kind: 'point', pointId: 'p' },
      caption: '',
      width: 1,
      height: 1,
      bytes: 1,
      sha256: sumOf(BRACKET),
    },
  };
  expect(await codeOf(change(id, claim))).toBe('service.photo-way');
  expect(await codeOf(change(id, { kind: 'batch', changes: [claim] }))).toBe('service.photo-way');
});

test('one that is removed keeps its row with the reason, and its picture is gone', async () => {
  const { id } = await newJob();
  await add(id, 'a');
  await add(id, 'b', BRACKET, { kind: 'part', itemId: 'p-b' });
  await change(id, { kind: 'removePhoto', id: 'a', reason: 'Shows a face' });
  // The other photo is the same picture.
  expect((await picture(id, BRACKET)).status).toBe(200);
  await change(id, { kind: 'removePhoto', id: 'b', reason: 'Shows a face' });
  expect((await picture(id, BRACKET)).status).toBe(404);
  expect(await photos(id)).toMatchObject([
    { id: 'a', removed: { by: 'TT', reason: 'Shows a face' } },
    { id: 'b', removed: { by: 'TT' } },
  ]);
  expect(await codeOf(change(id, { kind: 'removePhoto', id: 'b', reason: 'Again' }))).toBe('job.photo-gone');
  const events = await server.call('listEvents', { params: { jobId: id }, query: { pointId: 'p' } });
  const of = nth(events, 0).changeId;
  expect(events.filter(({ collection }) => collection === 'photos')).toHaveLength(4);
  const undone = server.call('undoChange', {
    params: { jobId: id },
    body: { changeId: randomUUID(), by: 'TT', of },
  });
  expect(await codeOf(undone)).toBe('job.undo-photo');
});

test('who words a photo anew did that then, whoever took it and when', async () => {
  const { id } = await newJob();
  await add(id, 'a');
  const before = await server.call('getJob', { params: { jobId: id } });
  const [taken] = before.content.photos;
  await new Promise((resolve) => setTimeout(resolve, 20));
  await server.call('changeJob', {
    params: { jobId: id },
    body: { changeId: randomUUID(), by: 'OT', change: { kind: 'wordPhoto', id: 'a', caption: 'Anew' } },
  });
  const [event] = await server.call('listEvents', { params: { jobId: id }, query: { limit: 1 } });
  const { by, at } = whoAndWhen(sure(event));
  expect(by).toBe('OT');
  expect(Date.parse(at)).toBeGreaterThan(Date.parse(sure(taken).at));
  const job = (await server.call('listJobs', {})).find((one) => one.id === id);
  expect(Date.parse(sure(job).updatedAt)).toBe(Date.parse(at));
});

test('photos leave the job with their point, and come back with it', async () => {
  const { id } = await newJob();
  await add(id, 'a', BRACKET, { kind: 'step', pointId: 'p', step: 'fit' });
  const changeId = randomUUID();
  await server.call('changeJob', {
    params: { jobId: id },
    body: { changeId, by: 'TT', change: { kind: 'removePoint', id: 'p' } },
  });
  expect(await photos(id)).toEqual([]);
  await server.call('undoChange', {
    params: { jobId: id },
    body: { changeId: randomUUID(), by: 'TT', of: changeId },
  });
  expect(await photos(id)).toHaveLength(1);
  expect((await picture(id, BRACKET)).status).toBe(200);
});

test('the job file holds them, and brings them back to the byte', async () => {
  const { id } = await newJob();
  await add(id, 'a');
  await add(id, 'b', METER, { kind: 'part', itemId: 'p-b' });
  const answer = await fetch(`${server.address}/api/jobs/${id}/file`);
  expect(answer.headers.get('content-type')).toBe('application/json; charset=utf-8');
  expect(answer.headers.get('content-disposition')).toContain(
    "filename*=UTF-8''%C5%BEiva-m%C3%B6we.keypost.json",
  );
  const file = await answer.text();
  const put = (text: string) =>
    server.call('importJob', { body: { id: randomUUID(), by: 'TT', file: text } });
  const other = await put(file);
  expect(await (await fetch(`${server.address}/api/jobs/${other.id}/file`)).text()).toBe(file);
  expect(Buffer.from(await (await picture(other.id, METER)).arrayBuffer()).equals(METER)).toBe(true);
  const document = JSON.parse(file);
  const [one, two] = Object.keys(document.pictures);
  const bent = (pictures: object): string => JSON.stringify({ ...document, pictures });
  expect(await codeOf(put(bent({ [String(one)]: document.pictures[String(one)] })))).toBe(
    'job.photo-without-picture',
  );
  expect(
    await codeOf(put(bent({ ...document.pictures, ['0'.repeat(64)]: document.pictures[String(one)] }))),
  ).toBe('job.picture-without-photo');
  const swapped = {
    [String(one)]: document.pictures[String(two)],
    [String(two)]: document.pictures[String(one)],
  };
  expect(await codeOf(put(bent(swapped)))).toBe('service.photo-other-picture');
});

test('photos change nothing of what is worked out: ways out, a relay', () => {
  const [bare, { job }] = [ternRock(), demoJob()];
  for (const id of ['px-104', 'lx-215', 'pe-106', 'ls-202']) {
    const ways = [bare, job].map((one) => waysOut(one)(id));
    expect(nth(ways, 1)).toEqual(nth(ways, 0));
  }
  const request: RelayRequest = {
    tag: 'K1',
    suppressor: 'diode',
    tasks: [{ kind: 'load', tag: 'M1', typeId: 'fan-230', on: 'present', bothLines: true }],
  };
  const plans = [bare, job].map((one) => planRelay(one, 'ls-114', request));
  expect(nth(plans, 1)).toEqual(nth(plans, 0));
});
