import { livePath } from '@keypost/api/calls';
import type { LiveBatch, LivePort, LiveUnit } from '@keypost/api';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';

export type LiveRow = LivePort | LiveUnit;

const keyOf = (row: LiveRow): string =>
  'moduleId' in row ? portKey(row.moduleId, row.port) : unitKey(row.planId, row.rowId);
const portKey = (moduleId: string, port: number): string => `port ${moduleId} ${port}`;
const unitKey = (planId: string, rowId: string): string => `unit ${planId} ${rowId}`;

/** Live values of one job. Each row is followed on its own, so that only what moved is drawn again. */
export class LiveStore {
  private readonly rows = new Map<string, LiveRow>();
  private readonly followers = new Map<string, Set<() => void>>();
  private state: 'connecting' | 'open' | 'broken' = 'connecting';
  private source?: EventSource;

  open(jobId: string): void {
    const source = new EventSource((process.env.EXPO_PUBLIC_API ?? '') + livePath(jobId));
    this.source = source;
    source.onopen = () => this.put('open');
    // The browser connects again by itself; until it has, what is shown is old.
    source.onerror = () => this.put('broken');
    source.onmessage = ({ data }: MessageEvent<string>) => {
      this.put('open');
      this.take(JSON.parse(data) as LiveBatch);
    };
  }

  close(): void {
    this.source?.close();
  }

  take({ ports, units }: LiveBatch): void {
    for (const row of [...ports, ...units]) {
      this.rows.set(keyOf(row), row);
      this.tell(keyOf(row));
    }
  }

  private put(state: LiveStore['state']): void {
    if (state === this.state) return;
    this.state = state;
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

  row = (key: string): LiveRow | undefined => this.rows.get(key);
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
  return useSyncExternalStore(follow, () => store.row(key) as LivePort | undefined);
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
  return useSyncExternalStore(follow, () => store.row(key) as LiveUnit | undefined);
}

export const useConnection = (store: LiveStore): LiveStore['connection'] =>
  useSyncExternalStore(
    (follower) => store.follow('state', follower),
    () => store.connection,
  );
