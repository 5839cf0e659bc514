import { NodeFS } from '@electric-sql/pglite/nodefs';
import { PGlite } from '@electric-sql/pglite';
import { closeSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import path from 'node:path';

/** What is needed of the file system through which the embedded PostgreSQL reads and writes real files. */
interface RealFiles {
  readonly realPath: (node: object) => string;
  readonly stream_ops: { fsync?: (stream: { readonly nfd?: number; readonly node: object }) => number };
}

type Opened = Awaited<ReturnType<NodeFS['init']>>;

/**
 * The files of a database, synced when PostgreSQL asks for it. As it comes, the embedded one runs with `fsync` off, and
 * its file system answers a sync without making one: a power cut would take what was acknowledged.
 */
export class DurableFiles extends NodeFS {
  override async init(...args: Parameters<NodeFS['init']>): Promise<Opened> {
    const { emscriptenOpts } = await super.init(...args);
    const preRun = [...((emscriptenOpts.preRun ?? []) as ((module: { NODEFS: RealFiles }) => void)[])];
    preRun.push(({ NODEFS }) => {
      NODEFS.stream_ops.fsync = ({ nfd, node }) => {
        if (nfd !== undefined) fsyncSync(nfd);
        else syncPath(NODEFS.realPath(node));
        return 0;
      };
    });
    return { emscriptenOpts: { ...emscriptenOpts, preRun } as Opened['emscriptenOpts'] };
  }
}

/** How PostgreSQL is started: as the embedded one is, with commits on the disk before they are acknowledged. */
export const DURABLE_START = [
  ...PGlite.defaultStartParams.filter((parameter) => parameter !== '-F'),
  ...['fsync=on', 'synchronous_commit=on', 'full_page_writes=on', 'wal_sync_method=fsync'].flatMap(
    (setting) => ['-c', setting],
  ),
];

/** Brings a file, or the entries of a directory, onto the disk. */
export function syncPath(file: string): void {
  const fd = openSync(file, 'r');
  try {
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
}

/** Brings a directory with all that it holds onto the disk: once, when its files were made. */
export function syncTree(directory: string): void {
  for (const entry of readdirSync(directory, { withFileTypes: true })) {
    const inner = path.join(directory, entry.name);
    if (entry.isDirectory()) syncTree(inner);
    else if (entry.isFile()) syncPath(inner);
  }
  syncPath(directory);
}
