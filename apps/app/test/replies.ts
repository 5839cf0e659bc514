import { checkAnswersBy } from '../src/data/server';

// What a stub answers bears no mark, so all of it is checked.
checkAnswersBy(() => import('@keypost/api/answers'));

/** The server as a stub: what it was sent, and what it answers. */
export const answer = jest.fn<Promise<Response>, [string, RequestInit]>();

const HEAD = { name: 'T', site: '', colours: 'iec', mainsHertz: 50 };
const STORED = { again: false, revision: 2, head: HEAD, rows: [] };

export const reply = (body: unknown, status = 200): Response =>
  ({
    ok: status < 400,
    status,
    headers: { get: () => 'application/json' },
    text: async () => JSON.stringify(body),
  }) as unknown as Response;

/** Every request is stored, unless a test says otherwise. */
export function serverStores(): void {
  answer.mockReset().mockImplementation(async () => reply(STORED));
  globalThis.fetch = answer as unknown as typeof fetch;
}

/** The changes that were sent, with the revisions that they expect. */
export const sent = (): { change: Record<string, unknown>; expects: unknown[] }[] =>
  answer.mock.calls
    .filter(([url]) => url.endsWith('/changes'))
    .map(([, init]) => JSON.parse(init.body as string));
