import type { ChangeResponse, JobView } from '@keypost/api';
import { FORM, FORM_HEADER } from '@keypost/api/form';
import { problemDetails } from '@keypost/api/problemDetails';
import { applyChange } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import { writeJobFile } from '@keypost/core/jobFile';
import { say } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import { COLLECTION_NAMES, headOf, JobContent, JobProblem } from '@keypost/core/model';
import type { Problem } from '@keypost/core/model';
import { z } from 'zod';
import { now } from './now';
import { SCRATCH } from './server';
import { readStored, store } from './stored';

/** What is tried without a job: it stands on this device alone, in no database. */
interface Scratch {
  /** What it was made from. */
  readonly key: string;
  readonly revision: number;
  readonly content: JobContent;
}

const KEY = 'keypost.scratch';
const Kept = z.object({ key: z.string(), revision: z.int(), content: JobContent });

let current: Scratch | undefined;

const scratch = (): Scratch | undefined => (current ??= readStored(KEY, Kept));

function put(next: Scratch): void {
  current = next;
  store(KEY, next);
}

/** Begins anew, unless what is there was made from the same. @returns whether it did. */
export function beginScratch(key: string, content: JobContent): boolean {
  const before = scratch();
  if (before?.key === key) return false;
  put({ key, revision: (before?.revision ?? 0) + 1, content });
  return true;
}

type OwnKinds = Pick<JobContent, 'ownDevices' | 'ownModules'>;
const NO_KINDS: OwnKinds = { ownDevices: [], ownModules: [] };

/** What is tried, as it stands now. */
export const scratchJob = (): JobContent | undefined => scratch()?.content;

/** Kinds of one's own that were described for what is tried. */
export const scratchKinds = (): OwnKinds => scratch()?.content ?? NO_KINDS;

/** Answers in place of the server for the job that is only tried. */
export function answerScratch(path: string, init: RequestInit): Response {
  const what = path.slice(path.indexOf(SCRATCH) + SCRATCH.length).split('?')[0];
  const held = scratch();
  if (!held) return refusal(404, say('service.not-found', { what: say('service.this-job') }));
  const { revision, content } = held;
  switch (`${init.method ?? 'GET'} ${what ?? ''}`) {
    case 'GET ':
      return json(viewOf(held));
    case 'GET /revision':
      return json({ revision });
    case 'GET /board':
      return json({ revision, rows: null });
    case 'GET /events':
      return json([]);
    case 'GET /file':
      return new Response(writeJobFile(content), { headers: { 'content-type': 'text/plain' } });
    case 'POST /changes':
      return changed(held, JSON.parse(String(init.body)) as { change: Change; by: string });
    default:
      return refusal(404, say('service.tried-only'));
  }
}

function changed(held: Scratch, { change, by }: { change: Change; by: string }): Response {
  try {
    const content = applyChange(held.content, change, { by, at: now() });
    put({ ...held, revision: held.revision + 1, content });
    // The page reads it anew.
    const answer: ChangeResponse = {
      again: true,
      revision: held.revision + 1,
      head: headOf(content),
      rows: [],
    };
    return json(answer);
  } catch (error) {
    if (error instanceof JobProblem) return refusal(422, error.first, error.problems);
    throw error;
  }
}

function viewOf({ revision, content }: Scratch): JobView {
  const rows = COLLECTION_NAMES.flatMap((name) =>
    content[name].map(({ id }) => [`${name}/${id}`, 1] as const),
  );
  return { id: SCRATCH, revision, content, revisions: Object.fromEntries(rows), damaged: [] };
}

const HEADERS = { 'content-type': 'application/json', [FORM_HEADER]: FORM };

const json = (body: unknown): Response => new Response(JSON.stringify(body), { headers: HEADERS });

const refusal = (status: number, message: Message, problems: readonly Problem[] = []): Response =>
  new Response(JSON.stringify(problemDetails(status, 'Not possible', message, problems)), {
    status,
    headers: HEADERS,
  });
