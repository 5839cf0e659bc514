import { useSyncExternalStore } from 'react';

/** What this device remembers of its user; nothing of it is part of a job. */
export interface Settings {
  /** Initials that stamps and results carry. */
  readonly by: string;
  readonly look: 'system' | 'light' | 'dark';
}

const KEY = 'keypost.settings';
const DEFAULTS: Settings = { by: '', look: 'system' };
const listeners = new Set<() => void>();
let current: Settings = read();

function read(): Settings {
  try {
    return { ...DEFAULTS, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>) };
  } catch {
    return DEFAULTS;
  }
}

export function changeSettings(patch: Partial<Settings>): void {
  current = { ...current, ...patch };
  try {
    localStorage.setItem(KEY, JSON.stringify(current));
  } catch {
    // A browser that keeps nothing still works for this visit.
  }
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
