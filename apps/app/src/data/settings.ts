import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { readStored, store } from './stored';

/** What this device remembers of its user; nothing of it is part of a job. */
export interface Settings {
  /** Initials that stamps and results carry. */
  readonly by: string;
  readonly theme: 'system' | 'light' | 'dark';
}

const KEY = 'keypost.settings';
const DEFAULTS: Settings = { by: '', theme: 'system' };
const Kept = z.object({ by: z.string(), theme: z.enum(['system', 'light', 'dark']) }).partial();
const listeners = new Set<() => void>();
let current: Settings = { ...DEFAULTS, ...(readStored(KEY, Kept) as Partial<Settings> | undefined) };

export function changeSettings(patch: Partial<Settings>): void {
  current = { ...current, ...patch };
  store(KEY, current);
  listeners.forEach((listener) => listener());
}

export function useSettings(): Settings {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
    () => DEFAULTS,
  );
}
