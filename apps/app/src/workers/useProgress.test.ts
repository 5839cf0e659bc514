import { act, renderHook } from '@testing-library/react';
import type { JobContent } from '@keypost/core/model';
import type { PointProgress } from '@keypost/core/proving';
import { useProgress, workOutWithoutWorker } from './useProgress';

jest.mock('../data/words', () => ({ fetchWords: () => Promise.resolve() }));

const content = (name: string) => ({ name }) as unknown as JobContent;
const rows = ({ name }: JobContent) => [{ tag: name }] as unknown as PointProgress[];
let ready = (): void => undefined;

beforeEach(() => workOutWithoutWorker((job) => new Promise((done) => (ready = () => done(rows(job))))));

const shown = (job: { id: string; content: JobContent }) =>
  renderHook((open: typeof job) => useProgress(open), { initialProps: job });

test('a page that opens begins with what the one before it had, and never with what is of another job', async () => {
  const job = { id: 'a', content: content('first') };
  const before = shown(job);
  expect(before.result.current).toBeUndefined();
  await act(async () => ready());
  expect(before.result.current).toEqual(rows(job.content));
  before.unmount();

  const drawn: unknown[] = [];
  const next = renderHook(() => drawn.push(useProgress(job)));
  expect(drawn[0]).toEqual(rows(job.content));
  next.unmount();

  // Something was stored meanwhile: what is known of the job stands until it is worked out anew.
  const later = { id: 'a', content: content('second') };
  const then = shown(later);
  expect(then.result.current).toEqual(rows(job.content));
  await act(async () => ready());
  expect(then.result.current).toEqual(rows(later.content));

  // The same page is given another job.
  const other = { id: 'b', content: content('other') };
  then.rerender(other);
  expect(then.result.current).toBeUndefined();
  await act(async () => ready());
  expect(then.result.current).toEqual(rows(other.content));
});
