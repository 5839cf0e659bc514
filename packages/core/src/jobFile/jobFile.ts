import { say } from '../messages/index.ts';
import { z } from 'zod';
import {
  COLLECTION_NAMES,
  HEAD_FIELDS,
  JobContent,
  JobProblem,
  problemsOfIssues,
  refuse,
} from '../model/index.ts';
import { checkIntegrity, parseJson, sizeProblems } from '../job/index.ts';
import { fromVersion1 } from './jobVersion1.ts';

/** Name and version of the open job file; docs/job-format.md describes it. */
const JOB_FORMAT = 'keypost-job';
const JOB_VERSION = 2;
/** A job file may hold at most this many bytes. */
export const MAX_FILE_BYTES = 50 * 1024 * 1024;

const JobFile = z.object({
  format: z.literal(JOB_FORMAT),
  version: z.literal(JOB_VERSION),
  job: JobContent,
});

/**
 * Writes a job as text, with its lists in order, a row to a line. What is stored is written as it stands: a row that is
 * damaged is named when the file is read again, and is not lost before.
 */
export function writeJobFile(job: JobContent): string {
  const names = [...Object.keys(HEAD_FIELDS), ...COLLECTION_NAMES] as (keyof JobContent)[];
  const fields = names.map((name) => {
    const value = job[name];
    if (!Array.isArray(value) || !value.length) return `${JSON.stringify(name)}: ${JSON.stringify(value)}`;
    const rows = value.map((row) => `      ${JSON.stringify(row)}`).join(',\n');
    return `${JSON.stringify(name)}: [\n${rows}\n    ]`;
  });
  const inner = fields.map((field) => `    ${field}`).join(',\n');
  return `{\n  "format": "${JOB_FORMAT}",\n  "version": ${JOB_VERSION},\n  "job": {\n${inner}\n  }\n}\n`;
}

/** The published JSON Schema (2020-12) of the job file. */
export function jobFileSchema(): object {
  return z.toJSONSchema(JobFile, { target: 'draft-2020-12', io: 'input' });
}

/** A job as it was read; of version 1 the titles by which its stamps held, which `sealVersion1` takes. */
export interface ReadJob {
  readonly job: JobContent;
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
  return { job: parsed.data.job, ...(titles && { titles }) };
}

/** A document of version 1 as one of today. */
function asVersion2(document: object): { file: unknown; titles?: ReadJob['titles'] } {
  const { job } = document as { job?: unknown };
  if (typeof job !== 'object' || job === null) return { file: document };
  const { job: next, titles } = fromVersion1(job as Record<string, unknown>);
  return { file: { format: JOB_FORMAT, version: JOB_VERSION, job: next }, titles };
}
