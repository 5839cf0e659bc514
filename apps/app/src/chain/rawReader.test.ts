import type { ChosenValue } from '@keypost/core/scaling';
import { LIVE_BREATH_MS } from '@keypost/api/calls';
import { LiveStore } from '../data/liveStore';
import { arrivedAt } from './arriving';
import { rawReader } from './readingSources';

/** What stands for the browser's own: it tells what the test has the server tell. */
class Events {
  static all: Events[] = [];
  onmessage?: (event: { data: string }) => void;
  onerror?: () => void;
  closed = false;
  constructor() {
    Events.all.push(this);
  }
  close(): void {
    this.closed = true;
  }
}

const mapped = {
  id: 'level',
  name: 'Level',
  table: 'input',
  address: 0,
  type: 'uint16',
  words: 'high',
  bytes: 'high',
  scale: 1,
  unit: '',
} as const;
const data = { value: { name: 'Level', codes: [], mapped } } as unknown as ChosenValue;
const place = { by: 'line', planId: 'p', rowId: 'u' } as const;

const tell = (batch: object): void =>
  Events.all
    .at(-1)
    ?.onmessage?.({ data: JSON.stringify({ at: '', asked: [], ports: [], units: [], ...batch }) });
const holds = (count: number) => ({ units: [{ planId: 'p', rowId: 'u', registers: { level: [count] } }] });

let store: LiveStore;
beforeEach(() => {
  jest.useFakeTimers();
  Events.all = [];
  globalThis.EventSource = Events as unknown as typeof EventSource;
  store = new LiveStore();
  store.open('j');
});
afterEach(() => {
  store.close();
  jest.useRealTimers();
});

/** What a promise has come to by now. */
async function soFar(promise: Promise<number>): Promise<number | 'waits'> {
  let came: number | 'waits' = 'waits';
  void promise.then((value) => (came = value));
  await jest.advanceTimersByTimeAsync(0);
  return came;
}

test('what was told before somebody asks is no reading, and no answer is two of them', async () => {
  tell(holds(7));
  const next = rawReader(store, data, place);
  const first = next();
  expect(await soFar(first)).toBe('waits');
  tell({ asked: ['other/u'] });
  expect(await soFar(first)).toBe('waits');
  tell({ asked: ['p/u'], ...holds(8) });
  expect(await soFar(first)).toBe(8);
  const second = next();
  expect(await soFar(second)).toBe('waits');
  // It was asked and says the same: that is another reading.
  tell({ asked: ['p/u'] });
  expect(await soFar(second)).toBe(8);
});

test('a device that is not asked in time is no value', async () => {
  tell(holds(7));
  const next = rawReader(store, data, place)();
  const refused = expect(next).rejects.toThrow('No answer came in time.');
  // The server is there, and so is every other device.
  for (let breaths = 0; breaths < 5; breaths++) {
    await jest.advanceTimersByTimeAsync(LIVE_BREATH_MS);
    tell({ asked: ['other/u'] });
  }
  await refused;
});

test('a server that is silent is gone: nothing of what it told counts, and it is asked anew', async () => {
  tell({ asked: ['p/u'], ...holds(7) });
  expect(arrivedAt(store, data, place)).toMatchObject({ raw: 7, asked: false });
  await jest.advanceTimersByTimeAsync(2.5 * LIVE_BREATH_MS);
  expect(store.connection).toBe('open');
  await jest.advanceTimersByTimeAsync(2 * LIVE_BREATH_MS);
  expect(store.connection).toBe('broken');
  expect(arrivedAt(store, data, place)).toEqual(
    expect.objectContaining({ asked: false, flag: 'The connection to the server is broken.' }),
  );
  expect(arrivedAt(store, data, place).raw).toBeUndefined();
  await expect(rawReader(store, data, place)()).rejects.toThrow('The connection to the server is broken.');
  expect(Events.all.map(({ closed }) => closed)).toEqual([true, false]);
  tell(holds(9));
  expect(arrivedAt(store, data, place)).toMatchObject({ raw: 9 });
});

test('an error of the connection is no value either', async () => {
  tell({ asked: ['p/u'], ...holds(7) });
  const next = rawReader(store, data, place)();
  Events.all[0]?.onerror?.();
  await expect(next).rejects.toThrow('The connection to the server is broken.');
  expect(store.unit('p', 'u')).toBeUndefined();
  tell(holds(7));
  expect(store.unit('p', 'u')).toBeDefined();
  // Another job may have rows of the same names.
  store.close();
  store.open('another');
  expect(store.unit('p', 'u')).toBeUndefined();
});
