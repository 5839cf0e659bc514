import { nth, sure } from '@keypost/core/lists';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { JobEvent } from '@keypost/api';
import { SWRConfig } from 'swr';
import { answer, reply, serverStores } from '../../test/replies';
import { useEvents } from '../data/useEvents';
import { EventList } from './EventList';

const event = (id: number): JobEvent => ({
  id,
  at: '2026-09-14T07:30:00.000Z',
  by: 'TT',
  changeId: `c${id}`,
  what: 'addPoint',
  collection: 'points',
  rowId: `p${id}`,
  before: null,
  after: { tag: `PX-${id}` },
});

/** So many events are stored, of which a server gives what is asked for. */
let stored: JobEvent[];
beforeEach(() => {
  localStorage.clear();
  serverStores();
  stored = Array.from({ length: 450 }, (_, i) => event(450 - i));
  answer.mockImplementation(async (url) => {
    const query = new URL(url, 'http://panel').searchParams;
    const before = Number(query.get('before') ?? Infinity);
    return reply(stored.filter(({ id }) => id < before).slice(0, Number(query.get('limit'))));
  });
});

function Log({ jobId = 'j' }: { jobId?: string }) {
  const { events = [], older, retry } = useEvents(jobId);
  return (
    <>
      <EventList events={events} older={older} title="Newest first" jobId={jobId} />
      <button onClick={retry}>again</button>
    </>
  );
}
const cache = new Map();
const page = (jobId?: string) => (
  <SWRConfig value={{ provider: () => cache, dedupingInterval: 0 }}>
    <Log jobId={jobId} />
  </SWRConfig>
);
const draw = () => {
  cache.clear();
  return render(page());
};
const count = (text: string) => screen.findByText(text);
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

test('older events are shown when they are asked for, until there are no more', async () => {
  draw();
  await count('last 200');
  press('Show older ones');
  await count('last 400');
  press('Show older ones');
  await count('450');
  expect(screen.queryByRole('button', { name: 'Show older ones' })).toBeNull();
  expect(answer.mock.calls.map(([url]) => new URL(url, 'http://panel').searchParams.get('before'))).toEqual([
    null,
    '251',
    '51',
  ]);
});

test('what is done meanwhile comes on top; where too much was done to join on, it begins anew', async () => {
  draw();
  await count('last 200');
  press('Show older ones');
  await count('last 400');
  stored = [event(451), ...stored];
  press('again');
  await count('last 401');
  stored = [...Array.from({ length: 300 }, (_, i) => event(751 - i)), ...stored];
  press('again');
  await count('last 200');
});

test('what was read of one job is not shown of another', async () => {
  const { rerender } = draw();
  await count('last 200');
  press('Show older ones');
  await count('last 400');
  stored = [event(300)];
  rerender(page('other'));
  await count('1');
  expect(screen.queryByRole('button', { name: 'Show older ones' })).toBeNull();
});

test('older events that cannot be read are asked for again', async () => {
  draw();
  await count('last 200');
  const sound = sure(answer.getMockImplementation());
  answer.mockImplementation(async () => reply({ status: 503, message: { code: 'service.disk-full' } }, 503));
  press('Show older ones');
  await waitFor(() => expect(screen.getByRole('alert').textContent).not.toBe(''));
  answer.mockImplementation(sound);
  press('Show older ones');
  await count('last 400');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(nth(answer.mock.calls, 0)[0]).toContain('limit=200');
});
