import type { OwnCollection } from '@keypost/core/job';
import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { readStored, store } from '../data/stored';

const KEY = 'keypost.library';

const Library = z
  .array(
    z.object({
      collection: z.enum(['ownDevices', 'ownModules']),
      id: z.string(),
      description: z.record(z.string(), z.unknown()),
    }),
  )
  .max(200);

/** A kind of device or module that this device keeps for jobs to come. */
export interface LibraryKind {
  readonly collection: OwnCollection;
  readonly id: string;
  readonly description: Record<string, unknown>;
}

const listeners = new Set<() => void>();
const NONE: readonly LibraryKind[] = [];
let current: readonly LibraryKind[] = readStored(KEY, Library) ?? NONE;

function put(next: readonly LibraryKind[]): void {
  current = next;
  store(KEY, next);
  listeners.forEach((listener) => listener());
}

const same = (a: LibraryKind, b: Pick<LibraryKind, 'collection' | 'id'>): boolean =>
  a.collection === b.collection && a.id === b.id;

/** Keeps a kind, in place of the one with its id. */
export const keepInLibrary = (kind: LibraryKind): void =>
  put([...current.filter((other) => !same(other, kind)), kind]);

export const removeFromLibrary = (kind: Pick<LibraryKind, 'collection' | 'id'>): void =>
  put(current.filter((other) => !same(other, kind)));

/** The technician's own library: kinds of devices and modules, kept on this device. */
export const useLibrary = (): readonly LibraryKind[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
    () => NONE,
  );
