import type { Text } from '@keypost/core/messages';
import { useSyncExternalStore } from 'react';

/** The change that this device stored last, while it is offered to be undone. */
export interface Done {
  readonly jobId: string;
  readonly changeId: string;
  readonly what: Text;
  /** It was taken back, and that can be undone again. */
  readonly isUndone?: boolean;
}

const listeners = new Set<() => void>();
let last: Done | undefined;

export function rememberDone(done: Done | undefined): void {
  last = done;
  listeners.forEach((listener) => listener());
}

export function useLastDone(jobId: string): Done | undefined {
  const done = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => last,
    () => undefined,
  );
  return done?.jobId === jobId ? done : undefined;
}
