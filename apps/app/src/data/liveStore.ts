import { LIVE_BREATH_MS, livePath } from '@keypost/api/calls';
import type { LiveBatch, LivePort, LiveUnit } from '@keypost/api';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';

export type LiveRow = LivePort | LiveUnit;

export const SERVER_AWAY = 'The connection to the server is broken.';

/** A server that was not heard for so long is gone, whatever the connection says, ms. */
const SILENT_MS = 3 * LIVE_BREATH_MS;
/** So long an answer may take, ms: a line on which others do not answer takes seconds. */
const PATIENCE_MS = 8000;

const keyOf = (row: LiveRow): string =>
  'moduleId' in row ? portKey(row.moduleId, row.port) : unitKey(row.planId, row.rowId);
const portKey = (moduleId: string, port: number): string => `port ${moduleId} ${port}`;
const unitKey = (planId: string, rowId: string): string => `unit ${planId} ${rowId}`;

/**
 * Live values of one job. Each row is followed on its own, so that only what moved is drawn again. Without the server
 * nothing is known: what it told last is not kept as what stands there now.
 */
export class LiveStore {
  private readonly rows = new Map<string, LiveRow>();
  private readonly followers = new Map<string, Set<() => void>>();
  private state: 'connecting' | 'open' | 'broken' = 'connecting';
  private source?: EventSource;
  private watch?: ReturnType<typeof setInterval>;
  private heardAt = 0;
  /** How often each master and unit was asked. */
  private readonly counts = new Map<string, number>();

  open(jobId: string): void {
    this.connect(jobId);
    this.watch = setInterval(() => {
      if (performance.now() - this.heardAt <= SILENT_MS) return;
      this.put('broken');
      this.source?.close();
      this.connect(jobId);
    }, LIVE_BREATH_MS);
  }

  close(): void {
    clearInterval(this.watch);
    this.source?.close();
    this.put('connecting');
  }

  private connect(jobId: string): void {
    const source = new EventSource((process.env.EXPO_PUBLIC_API ?? '') + livePath(jobId));
    this.source = source;
    this.heardAt = performance.now();
    // The browser connects again by itself, unless the server refused.
    source.onerror = () => this.put('broken');
    source.onmessage = ({ data }: MessageEvent<string>) => {
      this.heardAt = performance.now();
      this.take(JSON.parse(data) as LiveBatch);
    };
  }

  take({ asked, ports, units }: LiveBatch): void {
    this.put('open');
    for (const row of [...ports, ...units]) {
      this.rows.set(keyOf(row), row);
      this.tell(keyOf(row));
    }
    for (const id of asked) {
      this.counts.set(id, this.asked(id) + 1);
      this.tell(`asked ${id}`);
    }
  }

  /** How often a master or unit was asked. */
  asked = (id: string): number => this.counts.get(id) ?? 0;

  /**
   * Waits until a master or unit was asked more often than so many times.
   * @returns how often it was asked by then. @throws Error where it is not, with a sentence.
   */
  async askedAfter(id: string, past: number): Promise<number> {
    const ends: (() => void)[] = [];
    try {
      return await new Promise((done, fail) => {
        const look = (): void => {
          if (this.state === 'broken') fail(new Error(SERVER_AWAY));
          else if (this.asked(id) > past) done(this.asked(id));
        };
        const wait = setTimeout(() => fail(new Error('No answer came in time.')), PATIENCE_MS);
        ends.push(this.follow(`asked ${id}`, look), this.follow('state', look), () => clearTimeout(wait));
        look();
      });
    } finally {
      ends.forEach((end) => end());
    }
  }

  private put(state: LiveStore['state']): void {
    if (state === this.state) return;
    this.state = state;
    if (state !== 'open') {
      const gone = [...this.rows.keys()];
      this.rows.clear();
      gone.forEach((key) => this.tell(key));
    }
    this.tell('state');
  }

  private tell(key: string): void {
    this.followers.get(key)?.forEach((follower) => follower());
  }

  follow = (key: string, follower: () => void): (() => void) => {
    const set = this.followers.get(key) ?? new Set();
    this.followers.set(key, set.add(follower));
    return () => set.delete(follower);
  };

  port = (moduleId: string, port: number): LivePort | undefined =>
    this.rows.get(portKey(moduleId, port)) as LivePort | undefined;
  unit = (planId: string, rowId: string): LiveUnit | undefined =>
    this.rows.get(unitKey(planId, rowId)) as LiveUnit | undefined;
  get connection(): 'connecting' | 'open' | 'broken' {
    return this.state;
  }
}

/** Opens the live values of a job while a page shows them. */
export function useLive(jobId: string): LiveStore {
  const store = useMemo(() => new LiveStore(), []);
  useEffect(() => {
    store.open(jobId);
    return () => store.close();
  }, [store, jobId]);
  return store;
}

const none = (): void => undefined;

/** @param seen whether it is on the screen; what is not is not followed. */
export function useLivePort(
  store: LiveStore,
  moduleId: string,
  port: number,
  seen = true,
): LivePort | undefined {
  const key = portKey(moduleId, port);
  const follow = useCallback(
    (follower: () => void) => (seen ? store.follow(key, follower) : none),
    [store, key, seen],
  );
  return useSyncExternalStore(follow, () => store.port(moduleId, port));
}

export function useLiveUnit(
  store: LiveStore,
  planId: string,
  rowId: string,
  seen = true,
): LiveUnit | undefined {
  const key = unitKey(planId, rowId);
  const follow = useCallback(
    (follower: () => void) => (seen ? store.follow(key, follower) : none),
    [store, key, seen],
  );
  return useSyncExternalStore(follow, () => store.unit(planId, rowId));
}

export const useConnection = (store: LiveStore): LiveStore['connection'] =>
  useSyncExternalStore(
    (follower) => store.follow('state', follower),
    () => store.connection,
  );
