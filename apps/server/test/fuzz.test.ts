import { seeded } from '@keypost/core/lists';
import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { knownDescription } from '@keypost/core/ioLink';
import { emptyJob, JobProblem } from '@keypost/core/model';
import { readWireList } from '@keypost/core/planning';
import { readSheetFile } from '@keypost/core/setting';
import { descriptionFiles, jobFiles } from './fuzz/files.ts';
import type { Outcome } from './fuzz/files.ts';
import { sendMutated } from './fuzz/requests.ts';
import type { Answered } from './fuzz/requests.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

const servers: TestServer[] = [];
afterEach(() => Promise.all(servers.splice(0).map((server) => server.close())));

const ROOT = path.resolve(__dirname, '../../..');

test('no mutated request breaks the server: it answers, or refuses with a reason', async () => {
  const server = await startTestServer();
  servers.push(server);
  const job = await server.call('createJob', {
    body: { id: randomUUID(), name: 'Fuzz', site: '', by: 'FZ' },
  });
  const random = seeded(13);
  const broken: Answered[] = [];
  let refused = 0;
  for (let i = 0; i < 700; i++) {
    const answer = await sendMutated(random, server.address, job.id);
    const isReason = answer.status < 400 || /"message":\{"code":"/.test(answer.text);
    if ((answer.status >= 500 && answer.status !== 504) || !isReason) broken.push(answer);
    if (answer.status >= 400) refused++;
  }
  expect(broken).toEqual([]);
  expect(refused).toBeGreaterThan(200);
  // Whatever was taken, the job reads on and comes in again.
  const view = await server.call('getJob', { params: { jobId: job.id } });
  expect(view.damaged).toEqual([]);
  const file = await server.call('exportJob', { params: { jobId: job.id } });
  const again = await server.call('importJob', { body: { id: randomUUID(), by: 'FZ', file } });
  expect(again.content).toEqual(view.content);
}, 120_000);

test.each<[string, (random: () => number) => { outcome: Outcome; text: string }, number]>([
  ['job file', jobFiles(ROOT), 120],
  ['device description', descriptionFiles(), 120],
])(
  'every mutated %s is taken or refused with a reason',
  (_, one, count) => {
    const random = seeded(7);
    const raw: unknown[] = [];
    const kinds = new Set<string>();
    for (let i = 0; i < count; i++) {
      const { outcome, text } = one(random);
      kinds.add(outcome.kind);
      if (outcome.kind === 'raw') raw.push([outcome.error, text.slice(0, 500)]);
    }
    expect(raw).toEqual([]);
    expect([...kinds].sort()).toEqual(['refused', 'taken']);
  },
  120_000,
);

describe('what would take a reader without end is refused at once', () => {
  const attributes = Array.from({ length: 100_000 }, (_, i) => `a${i}="x"`).join(' ');
  test.each<[string, () => unknown]>([
    ['100,000 attributes', () => knownDescription(`<IODevice ${attributes}/>`)],
    ['100,000 levels', () => knownDescription('<a>'.repeat(100_000) + '</a>'.repeat(100_000))],
    ['a million elements', () => knownDescription(`<a>${'<b/>'.repeat(1_000_000)}</a>`)],
    ['a tag without an end', () => knownDescription(`<a ${'x="'.repeat(200_000)}`)],
    [
      'a wire list of a million lines',
      () =>
        readWireList(
          emptyJob('N', ''),
          `wire,from,from_terminal,to,to_terminal\n${'1,2,3,4,5\n'.repeat(1_000_000)}`,
        ),
    ],
    ['a sheet of a million lines', () => readSheetFile(`Tag,Key\n${'x,y\n'.repeat(1_000_000)}`, [])],
  ])('%s', (_, read) => {
    expect(read).toThrow(JobProblem);
  });
});
