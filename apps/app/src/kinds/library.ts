import type { OwnCollection } from '@keypost/core/job';
import { z } from 'zod';
import { held } from '../data/held';
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

const NONE: readonly LibraryKind[] = [];
const library = held(readStored(KEY, Library) ?? NONE);

function put(next: readonly LibraryKind[]): void {
  store(KEY, next);
  library.put(next);
}

const same = (a: LibraryKind, b: Pick<LibraryKind, 'collection' | 'id'>): boolean =>
  a.collection === b.collection && a.id === b.id;

/** Keeps a kind, in place of the one with its id. */
export const keepInLibrary = (kind: LibraryKind): void =>
  put([...library.get().filter((other) => !same(other, kind)), kind]);

export const removeFromLibrary = (kind: Pick<LibraryKind, 'collection' | 'id'>): void =>
  put(library.get().filter((other) => !same(other, kind)));

/** The technician's own library: kinds of devices and modules, kept on this device. */
export const useLibrary = library.use;
