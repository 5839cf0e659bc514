import { useSyncExternalStore } from 'react';

/** A value of this page that components follow, whoever puts another. */
export interface Held<T> {
  readonly get: () => T;
  readonly put: (next: T) => void;
  readonly use: () => T;
}

export function held<T>(first: T): Held<T> {
  const listeners = new Set<() => void>();
  let current = first;
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  const get = () => current;
  return {
    get,
    put: (next) => {
      current = next;
      listeners.forEach((listener) => listener());
    },
    use: () => useSyncExternalStore(subscribe, get, get),
  };
}
