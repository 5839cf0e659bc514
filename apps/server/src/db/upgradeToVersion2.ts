import type { Queryable } from './connection.ts';
import { fromVersion1 } from '@keypost/core/jobFile';
import type { JobContent } from '@keypost/core/model';
import { openVersion1 } from '@keypost/core/proving';

/**
 * Brings the stored jobs of version 1 over: how outputs were chosen, which one a point is about, and fingerprints of
 * stamps and results in place of the titles by which they held. Runs once, between two migrations.
 */
export async function upgradeToVersion2(db: Queryable): Promise<void> {
  const { rows: jobs } = await db.query<{ id: string; head: Record<string, unknown> }>(
    `select id, jsonb_build_object('name', name, 'site', site, 'colours', colours, 'mainsHertz', mains_hertz) as head
       from job`,
  );
  for (const { id, head } of jobs) {
    const old = await readVersion1(db, id, head);
    await store(db, id, upgraded(old));
  }
}

/** A job that cannot be opened keeps its rows; its stamps and results are then to be done again. */
function upgraded(
  old: Record<string, unknown>,
): Pick<JobContent, 'devices' | 'points' | 'stamps' | 'results'> {
  try {
    return openVersion1(old);
  } catch {
    return fromVersion1(old).job as unknown as JobContent;
  }
}

/** The tables of a job as they are at this migration, whatever later ones make of them. */
const TABLES = {
  supplies: 'supply',
  modules: 'module',
  devices: 'device',
  points: 'point',
  wires: 'wire',
  stamps: 'stamp',
  results: 'result',
  entries: 'entry',
  descriptions: 'description',
  plans: 'plan',
  calibrations: 'calibration',
} as const;

/** Columns that are not called as the field of version 1 was, but for underscores. */
const FIELDS: Readonly<Record<string, string>> = {
  from_terminal: 'from',
  to_terminal: 'to',
  internal_ohms: 'innerOhms',
  override: 'byHand',
  as_found: 'landed',
};

const fieldOf = (column: string): string =>
  FIELDS[column] ?? column.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());

async function readVersion1(
  db: Queryable,
  jobId: string,
  head: Record<string, unknown>,
): Promise<Record<string, unknown>> {
  const lists: Record<string, unknown> = {};
  for (const [name, table] of Object.entries(TABLES)) {
    const { rows } = await db.query<{ row: Record<string, unknown> }>(
      `select to_jsonb(t) - 'job_id' - 'seq' - 'revision' as row from ${table} t where job_id = $1 order by seq`,
      [jobId],
    );
    lists[name] = rows.map(({ row }) =>
      Object.fromEntries(
        Object.entries(row)
          .filter(([, value]) => value !== null)
          .map(([column, value]) => [fieldOf(column), value]),
      ),
    );
  }
  return { ...head, ...lists };
}

async function store(
  db: Queryable,
  jobId: string,
  { devices, points, stamps, results }: Pick<JobContent, 'devices' | 'points' | 'stamps' | 'results'>,
): Promise<void> {
  const json = (value: unknown): string | null => (value === undefined ? null : JSON.stringify(value));
  for (const { id, outputs } of devices)
    await db.query('update device set outputs = $3 where job_id = $1 and id = $2', [
      jobId,
      id,
      json(outputs),
    ]);
  for (const { id, outputId, scaling } of points)
    await db.query('update point set output_id = $3, scaling = $4 where job_id = $1 and id = $2', [
      jobId,
      id,
      outputId ?? null,
      json(scaling),
    ]);
  for (const { id, fingerprint, values } of stamps)
    await db.query('update stamp set fingerprint = $3, "values" = $4 where job_id = $1 and id = $2', [
      jobId,
      id,
      json(fingerprint),
      json(values),
    ]);
  for (const { id, check, fingerprint, expected, instrument } of results)
    await db.query(
      'update result set "check" = $3, fingerprint = $4, expected = $5, instrument = $6 where job_id = $1 and id = $2',
      [jobId, id, check, json(fingerprint), json(expected), json(instrument)],
    );
}
