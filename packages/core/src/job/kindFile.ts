import { say } from '../messages/index.ts';
import { z } from 'zod';
import { DeviceDescription, ModuleDescription, problemsOfKind } from '../catalog/index.ts';
import { JobProblem, problemsOfIssues, refuse } from '../model/index.ts';
import type { OwnKind } from '../model/index.ts';
import { parseJson } from './parseJson.ts';

/** Formats of a kind of device or module as a file of its own; docs/device-format.md describes them. */
const FORMATS = { ownDevices: 'keypost-device', ownModules: 'keypost-module' } as const;
const KIND_VERSION = 1;
/** Such a file may hold at most this many bytes. */
const MAX_KIND_BYTES = 512 * 1024;

/** Where a kind of one's own is kept in a job. */
export type OwnCollection = keyof typeof FORMATS;

const DeviceFile = z.strictObject({
  format: z.literal(FORMATS.ownDevices),
  version: z.literal(KIND_VERSION),
  description: DeviceDescription,
});
const ModuleFile = z.strictObject({
  format: z.literal(FORMATS.ownModules),
  version: z.literal(KIND_VERSION),
  description: ModuleDescription,
});

/** The published JSON Schema (2020-12) of such a file. */
export const kindFileSchema = (collection: OwnCollection): object =>
  z.toJSONSchema(collection === 'ownDevices' ? DeviceFile : ModuleFile, {
    target: 'draft-2020-12',
    io: 'input',
  });

/** Writes a description as a file, with two spaces of indent. */
export const writeKindFile = (collection: OwnCollection, description: unknown): string =>
  `${JSON.stringify({ format: FORMATS[collection], version: KIND_VERSION, description }, null, 2)}\n`;

/**
 * Reads the file of a kind of device or module.
 * @throws JobProblem with every problem found: not JSON, another format, a newer version, a field out of its range, an
 * element on a terminal that is not there …
 */
export function readKindFile(text: string): { collection: OwnCollection; own: OwnKind } {
  if (new TextEncoder().encode(text).length > MAX_KIND_BYTES)
    refuse(say('job.file-larger-kb-most', { maxKindBytes: MAX_KIND_BYTES }));
  const document = parseJson(text) as { format?: unknown; version?: unknown } | null;
  const collection = (['ownDevices', 'ownModules'] as const).find(
    (name) => document?.format === FORMATS[name],
  );
  if (!document || !collection)
    return refuse(
      say('job.description-device-module-format', {
        ownDevices: FORMATS.ownDevices,
        ownModules: FORMATS.ownModules,
      }),
      'format',
    );
  const { version } = document;
  if (typeof version === 'number' && version > KIND_VERSION)
    refuse(say('job.file-version-key-post-reads', { version, kindVersion: KIND_VERSION }), 'version');
  const read = collection === 'ownDevices' ? DeviceFile.safeParse(document) : ModuleFile.safeParse(document);
  if (!read.success) throw new JobProblem(problemsOfIssues(read.error.issues));
  const { description } = read.data;
  const problems = problemsOfKind(collection, description);
  if (problems.length)
    throw new JobProblem(
      problems.slice(0, 20).map(({ path, message }) => ({ path: `description.${path}`, message })),
    );
  return { collection, own: { id: description.id, description: { ...description } } };
}
