import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { mutated, pick } from './mutate.ts';

/** A request to a server, with a body that it would take. */
interface Sample {
  readonly method: string;
  readonly path: string;
  readonly body?: unknown;
}

const change = (what: object): Sample => ({
  method: 'POST',
  path: '/api/jobs/JOB/changes',
  body: { changeId: randomUUID(), by: 'FZ', change: what, expects: [] },
});
const wire = { id: 'w1', number: '1', from: 'd1:BK', to: 'm1:I0', colour: 'BK', lengthM: 1, mm2: 0.5 };
const device = {
  id: 'd1',
  tag: 'PX-1',
  typeId: 'inductive-3w',
  outputs: { output: { kind: 'pnp', logic: 'no' } },
};
const point = { id: 'p1', tag: 'PX-1', name: 'Point', deviceId: 'd1', bit: 'direct' };
const BY = { by: 'FZ' };

const calls = (): readonly Sample[] => [
  { method: 'GET', path: '/api/jobs' },
  { method: 'GET', path: '/api/jobs/JOB' },
  { method: 'GET', path: '/api/jobs/JOB/file' },
  { method: 'GET', path: '/api/jobs/JOB/board' },
  { method: 'GET', path: '/api/jobs/JOB/revision' },
  { method: 'GET', path: '/api/jobs/JOB/events?limit=20&pointId=p1' },
  { method: 'GET', path: '/api/practice' },
  { method: 'POST', path: '/api/jobs', body: { id: randomUUID(), name: 'New', site: '', by: 'FZ' } },
  {
    method: 'POST',
    path: '/api/jobs/import',
    body: { id: randomUUID(), by: 'FZ', file: '{"format":"keypost-job"}' },
  },
  { method: 'DELETE', path: `/api/jobs/${randomUUID()}?by=FZ` },
  { method: 'POST', path: '/api/jobs/JOB/items/d1/read', body: { ...BY, keys: ['size', 'unit'] } },
  { method: 'POST', path: '/api/jobs/JOB/items/d1/write', body: { ...BY, key: 'size', value: '80' } },
  { method: 'POST', path: '/api/jobs/JOB/items/d1/teach', body: { ...BY, channel: 1, command: 'sp1' } },
  { method: 'POST', path: '/api/bench', body: { link: '127.0.0.1:1', unit: 'mA', value: 12 } },
  { method: 'POST', path: '/api/practice', body: { what: { port: 1 }, act: 'unplug' } },
];

const changes = (): readonly Sample[] => [
  change({ kind: 'editJob', patch: { name: 'Other', site: 'Quay', mainsHertz: 50 } }),
  change({
    kind: 'addModule',
    module: { id: 'm1', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
    commons: ['-'],
  }),
  change({ kind: 'editModule', id: 'm1', patch: { tag: 'DI 2', link: '127.0.0.1:80' } }),
  change({ kind: 'addPoint', point, device, place: { moduleId: 'm1', channel: 0 } }),
  change({
    kind: 'editPoint',
    id: 'p1',
    patch: { range: { low: 0, high: 10, unit: 'bar' }, output: { kind: 'npn' } },
  }),
  change({
    kind: 'addHelper',
    pointId: 'p1',
    device: { id: 'h1', tag: 'R1', typeId: 'resistor' },
    wires: [wire],
  }),
  change({ kind: 'addWire', wire }),
  change({ kind: 'moveWire', wireId: 'w1', to: 'g1:+' }),
  change({ kind: 'landWire', wireId: 'w1', asFound: { missing: true } }),
  change({ kind: 'setCommon', moduleId: 'm1', common: 'COM1', rail: '+' }),
  change({ kind: 'assign', pointId: 'p1', place: { moduleId: 'm1', channel: 1 } }),
  change({ kind: 'stamp', stamp: { id: 's1', pointId: 'p1', step: 'tug', fingerprint: {} } }),
  change({ kind: 'setPlate', pointId: 'p1', plate: { size: '3 in' } }),
  change({ kind: 'require', itemId: 'd1', key: 'size', override: { value: '80', reason: 'so' } }),
  change({
    kind: 'setFigure',
    itemId: 'd1',
    path: 'behaviours.output.drop',
    figure: { nominal: 1, unit: 'V', from: 'x' },
  }),
  change({
    kind: 'enter',
    entries: [{ id: 'e1', itemId: 'd1', side: 'found', how: 'typed', values: { size: '80' } }],
  }),
  change({ kind: 'setPlan', plan: { kind: 'ethernet', id: 'n1', tag: 'N1', members: [] } }),
  change({ kind: 'setScaling', pointId: 'p1', scaling: { sensor: { shape: 'square' } } }),
  change({
    kind: 'setOwnKind',
    collection: 'ownDevices',
    own: { id: 'o1', description: { id: 'own', name: 'Own' } },
  }),
  change({
    kind: 'calibrate',
    calibrations: [{ id: 'c1', pointId: 'p1', body: { kind: 'inForce', table: 'workshop', note: '' } }],
  }),
  change({
    kind: 'batch',
    changes: [
      { kind: 'removeWire', wireId: 'w1' },
      { kind: 'removeHelper', id: 'h1' },
    ],
  }),
];

/** One of each kind, so that every schema and handler is reached. */
const samples = (): readonly Sample[] => [...calls(), ...changes()];

const IDS = [
  'JOB',
  'JOB',
  'JOB',
  'JOB',
  '%00',
  '..%2F..%2Fetc',
  '%ED%A0%80',
  'x'.repeat(90),
  '__proto__',
  'none',
];
const TYPES = [
  'application/json',
  'application/json',
  'application/json',
  'application/json; charset=utf-16',
  '',
];

/** What a mutated request did. */
export interface Answered {
  readonly status: number;
  readonly text: string;
  readonly ms: number;
  readonly asked: string;
}

/** Sends one request, mutated, to a server that holds a job. */
export async function sendMutated(random: () => number, address: string, jobId: string): Promise<Answered> {
  const { method, path, body } = pick(random, samples());
  const at = (random() < 0.85 ? path : path.replace('JOB', pick(random, IDS))).replace('JOB', jobId);
  const text = body === undefined ? '' : bodyText(random, body);
  const started = performance.now();
  const { status, answer } = await send(address, method, at, text, pick(random, TYPES));
  return {
    status,
    text: answer,
    ms: performance.now() - started,
    asked: `${method} ${at} ${text.slice(0, 300)}`,
  };
}

function bodyText(random: () => number, body: unknown): string {
  const text = JSON.stringify(random() < 0.1 ? body : mutated(random, body)) ?? '';
  const way = random();
  if (way < 0.03) return text.slice(0, Math.floor(random() * text.length));
  if (way < 0.05) return `${'['.repeat(20_000)}${']'.repeat(20_000)}`;
  if (way < 0.06) return text.replace('{', '{"__proto__":{"x":1},');
  return text;
}

function send(
  address: string,
  method: string,
  path: string,
  body: string,
  type: string,
): Promise<{ status: number; answer: string }> {
  return new Promise((resolve, reject) => {
    const { hostname, port } = new URL(address);
    const headers = body
      ? { ...(type && { 'content-type': type }), 'content-length': Buffer.byteLength(body) }
      : {};
    const call = request(
      { hostname, port, path: path.replace(/[^\x21-\x7e]/g, '_'), method, headers },
      (answer) => {
        let text = '';
        answer.on('data', (part) => (text += part));
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, answer: text }));
      },
    );
    call.on('error', reject);
    call.end(body);
  });
}
