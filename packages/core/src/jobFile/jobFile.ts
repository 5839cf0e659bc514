import { codeOf, say } from '../messages/index.ts';
import { z } from 'zod';
import {
  COLLECTION_NAMES,
  HEAD_FIELDS,
  JobContent,
  JobProblem,
  keptPhotos,
  MAX_PHOTOS_BYTES,
  Photo,
  problemsOfIssues,
  refuse,
} from '../model/index.ts';
import { checkIntegrity, parseJson, sizeProblems } from '../job/index.ts';
import { inWords } from './schemaWords.ts';
import type { Described } from './schemaWords.ts';
import { fromVersion1 } from './jobVersion1.ts';

/** Name and version of the open job file; docs/job-format.md describes it. */
const JOB_FORMAT = 'keypost-job';
const JOB_VERSION = 2;
/** What a job file may hold of the job, bytes, and with the pictures of its photos, which are written in base64. */
export const MAX_JOB_BYTES = 50 * 1024 * 1024;
export const MAX_FILE_BYTES = MAX_JOB_BYTES + Math.ceil((MAX_PHOTOS_BYTES * 4) / 3) + 1024 * 1024;

/** A job file of this version. */
export const JobFile = z.strictObject({
  format: z.literal(JOB_FORMAT),
  version: z.literal(JOB_VERSION),
  job: JobContent,
  /** The pictures of its photos (JPEG), by the SHA-256 of each. */
  pictures: z.record(Photo.shape.sha256, z.base64(codeOf('model.picture-text'))).optional(),
});

/** Pictures of photos in base64, by the SHA-256 of each. */
export type Pictures = ReadonlyMap<string, string>;

/**
 * Writes a job as text, with its lists in order, a row to a line, and its pictures after it. What is stored is written as it stands: a row that is
 * damaged is named when the file is read again, and is not lost before.
 */
export function writeJobFile(job: JobContent, pictures: Pictures = new Map()): string {
  const names = [...Object.keys(HEAD_FIELDS), ...COLLECTION_NAMES] as (keyof JobContent)[];
  const fields = names.map((name) => {
    const value = job[name];
    if (!Array.isArray(value) || !value.length) return `${JSON.stringify(name)}: ${JSON.stringify(value)}`;
    const rows = value.map((row) => `      ${JSON.stringify(row)}`).join(',\n');
    return `${JSON.stringify(name)}: [\n${rows}\n    ]`;
  });
  const inner = fields.map((field) => `    ${field}`).join(',\n');
  const shown = [...pictures].map(([sum, text]) => `    ${JSON.stringify(sum)}: ${JSON.stringify(text)}`);
  const after = shown.length ? `,\n  "pictures": {\n${shown.join(',\n')}\n  }` : '';
  return `{\n  "format": "${JOB_FORMAT}",\n  "version": ${JOB_VERSION},\n  "job": {\n${inner}\n  }${after}\n}\n`;
}

/** The published JSON Schema (2020-12) of the job file. */
export function jobFileSchema(): object {
  const schema = z.toJSONSchema(JobFile, { target: 'draft-2020-12', io: 'input' });
  return { $id: `urn:keypost:job:${JOB_VERSION}`, ...inWords(schema as Described) };
}

/** A job as it was read; of version 1 the titles by which its stamps held, which `sealVersion1` takes. */
export interface ReadJob {
  readonly job: JobContent;
  /** Those of its photos, all of them and no other. */
  readonly pictures: Pictures;
  readonly titles?: ReadonlyMap<string, string>;
}

/**
 * Reads a job file.
 * @throws JobProblem with every problem found: not JSON, another format, a newer version, a field out of its range,
 * an unknown type, a wire to a terminal that does not exist …
 */
export function readJobFile(text: string): ReadJob {
  if (new TextEncoder().encode(text).length > MAX_FILE_BYTES)
    refuse(say('job.file-larger-mb-most', { maxFileBytes: MAX_FILE_BYTES }));
  return readJobDocument(parseJson(text));
}

/** Reads a job file that has been parsed from JSON already. @throws JobProblem as `readJobFile`. */
function readJobDocument(document: unknown): ReadJob {
  if (
    typeof document !== 'object' ||
    document === null ||
    !('format' in document) ||
    document.format !== JOB_FORMAT
  )
    refuse(say('job.key-post-job-format', { jobFormat: JOB_FORMAT }), 'format');
  const version = 'version' in document ? document.version : undefined;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    refuse(say('job.file-does-say-version'), 'version');
  if (version > JOB_VERSION)
    refuse(say('job.file-version-key-post', { version, jobVersion: JOB_VERSION }), 'version');
  const { titles, file } = version === 1 ? asVersion2(document) : { titles: undefined, file: document };
  const parsed = JobFile.safeParse(file);
  if (!parsed.success) throw new JobProblem(problemsOfIssues(parsed.error.issues));
  const problems = [...sizeProblems(parsed.data.job), ...checkIntegrity(parsed.data.job)];
  if (problems.length)
    throw new JobProblem(
      problems.slice(0, 20).map(({ path, message }) => ({ path: `job.${path}`, message })),
    );
  const pictures = new Map(Object.entries(parsed.data.pictures ?? {}));
  refuseOtherPictures(parsed.data.job, pictures);
  return { job: parsed.data.job, pictures, ...(titles && { titles }) };
}

/** Each photo has its picture, and each picture its photo. */
function refuseOtherPictures({ photos }: JobContent, pictures: Pictures): void {
  const named = new Set(keptPhotos(photos).map(({ sha256 }) => sha256));
  const lone = photos.findIndex(({ removed, sha256 }) => !removed && !pictures.has(sha256));
  if (lone >= 0) refuse(say('job.photo-without-picture'), `job.photos[${lone}]`);
  const left = [...pictures.keys()].find((sum) => !named.has(sum));
  if (left !== undefined) refuse(say('job.picture-without-photo'), `pictures.${left}`);
}

/** A document of version 1 as one of today. */
function asVersion2(document: object): { file: unknown; titles?: ReadJob['titles'] } {
  const { job } = document as { job?: unknown };
  if (typeof job !== 'object' || job === null) return { file: document };
  const { job: next, titles } = fromVersion1(job as Record<string, unknown>);
  return { file: { format: JOB_FORMAT, version: JOB_VERSION, job: next }, titles };
}
