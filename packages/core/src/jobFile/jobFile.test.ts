import { refusalOf } from '../../test/said.ts';
import { nth, sure } from '../lists/index.ts';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { jobWith } from '../../test/jobs.ts';
import { jobFileSchema, MAX_FILE_BYTES, readJobFile, writeJobFile } from './jobFile.ts';

const job = jobWith(
  'di8-both-4-4',
  ['-', null],
  { tag: 'PX-1' },
  { tag: 'PX-2', output: 'npn', at: ['m', 4] },
);
const text = writeJobFile(job);

/** The file with one thing changed in it. */
function changed(
  change: (file: { version: unknown; job: Record<string, unknown[]> & { name?: unknown } }) => void,
): string {
  const file = JSON.parse(text) as Parameters<typeof change>[0];
  change(file);
  return JSON.stringify(file);
}

/** One row of a collection of such a file. */
const row = (file: { job: Record<string, unknown[]> }, collection: string, at: number): object =>
  nth(sure(file.job[collection]), at) as object;

const refusal = (content: string): string => refusalOf(() => readJobFile(content));

test('a job goes out and comes back the same', () => {
  expect(readJobFile(text)).toEqual({ job, pictures: new Map() });
  expect(writeJobFile(readJobFile(text).job)).toBe(text);
});

test('the published schema takes what is written, and refuses what it should', () => {
  const ajv = new Ajv({ strict: false, logger: false });
  addFormats(ajv);
  const valid = ajv.compile(jobFileSchema());
  expect(valid(JSON.parse(text))).toBe(true);
  expect(valid({ format: 'keypost-job', version: 3, job: {} })).toBe(false);
});

test.each<[string, string, string]>([
  ['no JSON', '{ "format": "keypost-job",\n "version": 2,\n oops', 'line 3: job.this-is-not-json line=3'],
  ['something else', '{"hello": 1}', 'format: job.key-post-job-format jobFormat=keypost-job'],
  ['a list', '[]', 'format: job.key-post-job-format jobFormat=keypost-job'],
  [
    'a newer version',
    changed((f) => (f.version = 3)),
    'version: job.file-version-key-post version=3 jobVersion=2',
  ],
  ['no version', changed((f) => (f.version = 'one')), 'version: job.file-does-say-version'],
  [
    'an unknown module type',
    changed((f) => Object.assign(row(f, 'modules', 0), { typeId: 'x' })),
    'job.modules[0].typeId: job.kind-module typeId=x',
  ],
  [
    'an unknown device type',
    changed((f) => Object.assign(row(f, 'devices', 1), { typeId: 'x' })),
    'job.devices[1].typeId',
  ],
  [
    'a wire to a terminal that does not exist',
    changed((f) => Object.assign(row(f, 'wires', 1), { to: 'm:I77' })),
    'job.wires[1].to: job.wire-ends-terminal',
  ],
  [
    'a negative length',
    changed((f) => Object.assign(row(f, 'wires', 0), { lengthM: -3 })),
    'job.wires[0].lengthM',
  ],
  [
    'an empty tag',
    changed((f) => Object.assign(row(f, 'points', 0), { tag: '' })),
    'job.points[0].tag: model.tag-empty-enter-such minimum=1 origin=string',
  ],
  [
    'a tag twice',
    changed((f) => Object.assign(row(f, 'points', 1), { tag: 'PX-1' })),
    'job.points[1].tag: job.tag-used-already-choose tag=PX-1 first=(job.the-point p=PX-1 pName=A test point)',
  ],
  [
    'no supply',
    changed((f) => (f.job.supplies = [])),
    'job.supplies: model.needs-supply minimum=1 origin=array',
  ],
  ['no name', changed((f) => delete f.job.name), 'job.name: '],
])('%s is refused with its place', (_, content, message) => {
  expect(refusal(content)).toMatch(message);
});

test('a file that is too large is refused before it is read', () => {
  expect(refusal(' '.repeat(MAX_FILE_BYTES + 1))).toMatch('job.file-larger-mb-most maxFileBytes=95420400');
});

test('no text makes the reader fail in any other way', () => {
  fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (content) => void refusal(content)));
});
