import { lastOf, nth, sure } from '@keypost/core/lists';
import { JobProblem, emptyJob } from '@keypost/core/model';
import { act, renderHook, waitFor } from '@testing-library/react';
import { relayJob } from '../../../../packages/core/test/families';
import { useTask } from './useTask';

jest.mock('comlink', () => ({
  proxy: (tell: unknown) => tell,
  wrap: (worker: StubWorker) => worker,
}));

/** A worker that says what the test has it say. */
class StubWorker {
  static made: StubWorker[] = [];
  onerror?: () => void;
  given: unknown;
  ended = false;
  tell: (count: number) => void = () => {};
  private finish: (outcome: unknown) => void = () => {};
  constructor() {
    StubWorker.made.push(this);
  }
  run(name: string, given: unknown, tell: (count: number) => void): Promise<unknown> {
    this.given = { name, given };
    this.tell = (count) => act(() => tell(count));
    return new Promise((resolve) => (this.finish = resolve));
  }
  terminate(): void {
    this.ended = true;
  }
  answer(outcome: unknown): Promise<void> {
    return act(async () => this.finish(outcome));
  }
}

const job = emptyJob('T', '');
const request = { pinned: new Set<string>(), spareShare: 0 };

afterEach(() => {
  StubWorker.made = [];
  delete (globalThis as { Worker?: unknown }).Worker;
});

describe('in a worker', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    (globalThis as { Worker?: unknown }).Worker = StubWorker;
  });
  // What rests ends with its test.
  afterEach(() => {
    jest.runOnlyPendingTimers();
    jest.useRealTimers();
  });

  const started = () => {
    const hook = renderHook(() => useTask('allocate'));
    act(() => hook.result.current.start({ job, request }));
    return { hook, worker: lastOf(StubWorker.made) };
  };

  test('a task is handed over whole, tells how far it is, and gives its answer', async () => {
    const { hook, worker } = started();
    expect(worker.given).toEqual({ name: 'allocate', given: { job, request } });
    expect(hook.result.current).toMatchObject({ busy: true, count: 0 });
    worker.tell(4000);
    expect(hook.result.current.count).toBe(4000);
    await worker.answer({ kind: 'answer', answer: { allocation: 'this one' } });
    expect(hook.result.current).toMatchObject({ busy: false, answer: { allocation: 'this one' } });
    expect(worker.ended).toBe(false);
  });

  test('the worker that has answered does the next task, and ends when none comes', async () => {
    const first = started();
    await first.worker.answer({ kind: 'answer', answer: { allocation: 'this one' } });
    first.hook.unmount();
    const next = started();
    expect(next.worker).toBe(first.worker);
    await next.worker.answer({ kind: 'refused', problems: [] });
    expect(next.worker.ended).toBe(false);
    act(() => jest.advanceTimersByTime(600_000));
    expect(next.worker.ended).toBe(true);
    expect(started().worker).not.toBe(next.worker);
  });

  test('of two that have answered one waits', async () => {
    const [one, other] = [started(), started()];
    await one.worker.answer({ kind: 'answer', answer: {} });
    await other.worker.answer({ kind: 'answer', answer: {} });
    expect([one.worker.ended, other.worker.ended]).toEqual([false, true]);
  });

  test('cancelled, it ends at once and leaves nothing, whatever comes late', async () => {
    const { hook, worker } = started();
    act(() => hook.result.current.cancel());
    worker.tell(5000);
    await worker.answer({ kind: 'answer', answer: { allocation: 'too late' } });
    expect(worker.ended).toBe(true);
    expect(hook.result.current).toMatchObject({ busy: false, count: 0 });
    expect(hook.result.current.answer).toBeUndefined();
  });

  test('started anew, the one before is ended', () => {
    const { hook, worker } = started();
    act(() => hook.result.current.start({ job, request }));
    expect(StubWorker.made).toHaveLength(2);
    expect(worker.ended).toBe(true);
    expect(nth(StubWorker.made, 1).ended).toBe(false);
  });

  test('what was refused comes as the problem that it is, a failure as an error', async () => {
    const { hook, worker } = started();
    await worker.answer({ kind: 'refused', problems: [{ path: 'tasks', message: 'Too much.' }] });
    expect(hook.result.current.error).toBeInstanceOf(JobProblem);
    expect(sure(hook.result.current.error).message).toContain('Too much.');
    const second = started();
    await second.worker.answer({ kind: 'failed', message: 'out of memory' });
    expect(sure(second.hook.result.current.error).message).toBe('out of memory');
    const third = started();
    act(() => third.worker.onerror?.());
    expect(sure(third.hook.result.current.error).message).toMatch(/Try it again/);
    expect(third.worker.ended).toBe(true);
  });

  test('a page that is left ends its worker', () => {
    const { hook, worker } = started();
    hook.unmount();
    expect(worker.ended).toBe(true);
  });
});

describe('without workers', () => {
  test('the same work is done on the page', async () => {
    const hook = renderHook(() => useTask('budgets'));
    act(() => hook.result.current.start({ job: relayJob() }));
    await waitFor(() => expect(hook.result.current.answer).toBeDefined());
    expect(sure(hook.result.current.answer).map(({ supply }) => supply.tag)).toEqual(['G1', 'Q1']);
  });

  test('a refusal is an error here too', () => {
    const hook = renderHook(() => useTask('relay'));
    const tasks = [{ kind: 'load', tag: 'FAN', typeId: 'fan-230', on: 'present', bothLines: false }] as const;
    const withoutMains = { ...relayJob(), supplies: job.supplies };
    act(() =>
      hook.result.current.start({
        job: { ...withoutMains, wires: withoutMains.wires.filter(({ to }) => !to.startsWith('mains')) },
        pointId: 'px-1',
        request: { tag: 'K9', suppressor: 'diode', tasks: [...tasks] },
      }),
    );
    expect(sure(hook.result.current.error).message).toMatch(/no such supply/);
  });
});
