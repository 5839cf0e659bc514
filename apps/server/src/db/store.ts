import { whoAndWhen } from '@keypost/core/job';
import { canonical, middleOf, nth, sure } from '@keypost/core/lists';
import type { Queryable } from './connection.ts';
import type { ChangedRow, JobSummary } from '@keypost/api';
import {
  columnOf,
  COLLECTION_NAMES,
  COLLECTIONS,
  emptyLists,
  HEAD_FIELDS,
  headOf,
} from '@keypost/core/model';
import type { CollectionDescriptor, CollectionName, JobContent, JobHead } from '@keypost/core/model';

type Row = Record<string, unknown> & { id: string };

/** How often each row of a list was changed, by its id. */
type Revisions = Readonly<Record<CollectionName, ReadonlyMap<string, number>>>;

/** A job as it is in the database. */
export interface StoredJob {
  readonly id: string;
  readonly revision: number;
  /** How often its head was changed. */
  readonly headRevision: number;
  readonly content: JobContent;
  readonly revisions: Revisions;
}

const HEAD = Object.keys(HEAD_FIELDS) as (keyof JobHead)[];

/** How the rows of a collection lie in the database: table, and the column of each field. */
function layoutOf(name: CollectionName): {
  table: string;
  columns: readonly (readonly [field: string, column: string])[];
  json: ReadonlySet<string>;
} {
  const { table, fields } = COLLECTIONS[name] as CollectionDescriptor;
  const entries = Object.entries(fields);
  return {
    table,
    columns: entries.map(([field, descriptor]) => [field, columnOf(field, descriptor)] as const),
    json: new Set(entries.filter(([, { json }]) => json).map(([field]) => field)),
  };
}

export async function listJobs(db: Queryable): Promise<JobSummary[]> {
  const { rows } = await db.query<{
    id: string;
    name: string;
    site: string;
    points: number;
    updated_at: Date;
  }>(
    `select j.id, j.name, j.site, j.updated_at,
            (select count(*)::int from point p where p.job_id = j.id) as points
       from job j order by j.updated_at desc, j.id`,
  );
  return rows.map(({ updated_at, ...job }) => ({ ...job, updatedAt: updated_at.toISOString() }));
}

/** Reads a whole job, or undefined when there is none of that id. Belongs into a transaction that sees one state. */
export async function readJob(db: Queryable, jobId: string): Promise<StoredJob | undefined> {
  const { rows: jobs } = await db.query<JobHead & { revision: number; headRevision: number }>(
    `select ${HEAD.map((field) => `${columnOf(field, HEAD_FIELDS[field])} as "${field}"`).join(', ')}, revision,
            head_revision as "headRevision"
       from job where id = $1`,
    [jobId],
  );
  const job = jobs[0];
  if (!job) return undefined;
  const lists = {} as Record<CollectionName, Row[]>;
  const revisions = {} as Record<CollectionName, Map<string, number>>;
  for (const collection of COLLECTION_NAMES) {
    const rows = await readCollection(db, jobId, collection);
    lists[collection] = rows.map(({ row }) => row);
    revisions[collection] = new Map(rows.map(({ row, revision }) => [row.id, revision]));
  }
  const { revision, headRevision } = job;
  const content = { ...headOf(job), ...lists } as unknown as JobContent;
  return { id: jobId, revision, headRevision, content, revisions };
}

async function readCollection(
  db: Queryable,
  jobId: string,
  collection: CollectionName,
): Promise<{ row: Row; revision: number }[]> {
  const { table, columns } = layoutOf(collection);
  const list = columns.map(([field, column]) => `"${column}" as "${field}"`);
  const { rows } = await db.query<Row & { revision: number }>(
    `select ${list.join(', ')}, revision from ${table} where job_id = $1 order by seq`,
    [jobId],
  );
  return rows.map(({ revision, ...row }) => ({ row: withoutNulls(row as Row), revision }));
}

function withoutNulls(row: Row): Row {
  return Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as Row;
}

/** Who did what, for the event table. */
export interface AuditEntry {
  readonly jobId: string;
  readonly changeId: string;
  readonly by: string;
  readonly at: string;
  readonly what: string;
}

/** What one change made of a job: how it stands then, the rows that changed, and what is told of it. */
export interface Difference {
  readonly job: StoredJob;
  readonly rows: readonly ChangedRow[];
  readonly events: readonly NewEvent[];
}

/**
 * The difference between a stored job and its next content, with an event for every row that differs.
 * @param own counts of revisions that were made for the changes that are being stored, and may be counted on in place.
 */
export function differenceTo(
  before: StoredJob,
  after: JobContent,
  entry: AuditEntry,
  own: Set<ReadonlyMap<string, number>> = new Set(),
): Difference {
  const revision = before.revision + 1;
  const rows: ChangedRow[] = [];
  const events: NewEvent[] = [];
  const tell = (collection: NewEvent['collection'], rowId: string, was: object | null, now: object | null) =>
    void events.push({ ...entry, revision, collection, rowId, before: was, after: now });
  const revisions = { ...before.revisions };
  const [head, next] = [headOf(before.content), headOf(after)];
  const headRevision = before.headRevision + (HEAD.some((field) => head[field] !== next[field]) ? 1 : 0);
  if (headRevision !== before.headRevision) {
    tell('job', before.id, head, next);
    rows.push({ collection: 'job', id: before.id, revision: headRevision, row: { id: before.id, ...next } });
  }
  for (const collection of COLLECTION_NAMES) {
    // A change leaves the lists and rows that it does not touch as they are.
    const { changed, removed } = changesOf(before.content, after, collection);
    if (!changed.length && !removed.length) continue;
    const last = before.revisions[collection];
    const counted = own.has(last) ? (last as Map<string, number>) : new Map(last);
    own.add(counted);
    for (const { row, was } of changed) {
      const count = was ? (counted.get(row.id) ?? 0) + 1 : 1;
      counted.set(row.id, count);
      tell(collection, row.id, was ?? null, row);
      rows.push({ collection, id: row.id, revision: count, row });
    }
    for (const row of removed) {
      tell(collection, row.id, row, null);
      rows.push({ collection, id: row.id, revision: counted.get(row.id) ?? 1, row: null });
      counted.delete(row.id);
    }
    revisions[collection] = counted;
  }
  return { job: { id: before.id, revision, headRevision, content: after, revisions }, rows, events };
}

/** Rows of a list that are new or other than they were, and those that are gone. */
function changesOf(
  before: JobContent,
  after: JobContent,
  collection: CollectionName,
): { changed: { row: Row; was?: Row }[]; removed: Row[] } {
  if (after[collection] === before[collection]) return { changed: [], removed: [] };
  const middle = middleOf(
    before[collection] as unknown as readonly Row[],
    after[collection] as unknown as readonly Row[],
  );
  const old = new Map(middle.before.map((row) => [row.id, row]));
  const changed = middle.after.flatMap((row) => {
    const was = old.get(row.id);
    old.delete(row.id);
    return was === row || (was && same(was, row)) ? [] : [{ row, ...(was && { was }) }];
  });
  return { changed, removed: [...old.values()] };
}

/**
 * Brings the rows of a job to what they are after one or several changes, with the events of each.
 * Belongs into the transaction in which the job was locked.
 */
export async function writeChanges(
  db: Queryable,
  before: StoredJob,
  after: StoredJob,
  events: readonly NewEvent[],
): Promise<void> {
  const { id: jobId, content } = after;
  for (const collection of COLLECTION_NAMES) {
    const { changed, removed } = changesOf(before.content, content, collection);
    const added: [Row, number][] = [];
    for (const { row, was } of changed) {
      const revision = after.revisions[collection].get(row.id) ?? 1;
      if (was) await updateRow(db, jobId, collection, row, revision);
      else added.push([row, revision]);
    }
    await insertRows(db, jobId, collection, added);
    for (const { id } of removed)
      await db.query(`delete from ${COLLECTIONS[collection].table} where job_id = $1 and id = $2`, [
        jobId,
        id,
      ]);
  }
  await addEvents(db, events);
  const last = events.at(-1);
  await db.query(
    `update job set ${HEAD.map((field, i) => `${columnOf(field, HEAD_FIELDS[field])} = $${i + 5}`).join(', ')},
            revision = $2, updated_at = coalesce($3, updated_at), head_revision = $4 where id = $1`,
    [
      jobId,
      after.revision,
      last ? whoAndWhen(last).at : null,
      after.headRevision,
      ...HEAD.map((field) => content[field]),
    ],
  );
}

function same(a: Row, b: Row): boolean {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => {
    const [x, y] = [a[key], b[key]];
    return x === y || (typeof x === 'object' && canonical(x) === canonical(y));
  });
}

function values(collection: CollectionName, row: Row): { columns: string[]; values: unknown[] } {
  const { columns, json } = layoutOf(collection);
  return {
    columns: columns.map(([, column]) => `"${column}"`),
    values: columns.map(([field]) => {
      const value = row[field] ?? null;
      return json.has(field) && value !== null ? JSON.stringify(value) : value;
    }),
  };
}

/** Rows that go into one statement. */
const BATCH = 200;

/** `($1, $2, $3), ($4, …)` for rows of `width` values. */
const marks = (rows: number, width: number): string =>
  Array.from(
    { length: rows },
    (_, r) => `(${Array.from({ length: width }, (__, c) => `$${r * width + c + 1}`).join(', ')})`,
  ).join(', ');

async function insertRows(
  db: Queryable,
  jobId: string,
  collection: CollectionName,
  rows: readonly (readonly [Row, revision: number])[],
): Promise<void> {
  for (let start = 0; start < rows.length; start += BATCH) {
    const batch = rows
      .slice(start, start + BATCH)
      .map(([row, revision]) => ({ ...values(collection, row), revision }));
    const { columns } = nth(batch, 0);
    await db.query(
      `insert into ${COLLECTIONS[collection].table} (job_id, revision, ${columns.join(', ')})
       values ${marks(batch.length, columns.length + 2)}`,
      batch.flatMap((row) => [jobId, row.revision, ...row.values]),
    );
  }
}

async function updateRow(
  db: Queryable,
  jobId: string,
  collection: CollectionName,
  row: Row,
  revision: number,
): Promise<void> {
  const { columns, values: list } = values(collection, row);
  const sets = columns.map((column, i) => `${column} = $${i + 4}`);
  await db.query(
    `update ${COLLECTIONS[collection].table} set ${sets.join(', ')}, revision = $3 where job_id = $1 and id = $2`,
    [jobId, row.id, revision, ...list],
  );
}

/** A row that differs, and by whom, when and with which change. */
export interface NewEvent extends AuditEntry {
  readonly revision: number;
  readonly collection: string;
  readonly rowId: string;
  readonly before: object | null;
  readonly after: object | null;
}

async function addEvents(db: Queryable, events: readonly NewEvent[]): Promise<void> {
  for (let start = 0; start < events.length; start += BATCH) {
    const batch = events.slice(start, start + BATCH);
    await db.query(
      `insert into event (job_id, change_id, at, by, what, collection, row_id, before, after, revision)
       values ${marks(batch.length, 10)}`,
      batch.flatMap((event) => [
        event.jobId,
        event.changeId,
        event.at,
        event.by,
        event.what,
        event.collection,
        event.rowId,
        event.before && JSON.stringify(event.before),
        event.after && JSON.stringify(event.after),
        event.revision,
      ]),
    );
  }
}

/** Where a job stands, or undefined when there is none of that id. */
export async function revisionOfJob(db: Queryable, jobId: string): Promise<number | undefined> {
  const { rows } = await db.query<{ revision: number }>('select revision from job where id = $1', [jobId]);
  return rows[0]?.revision;
}

/**
 * Where jobs stand, with their rows locked until the transaction ends, so that changes of one job come one after the
 * other whoever makes them. All locks are taken in one order, so that no two transactions wait for each other.
 */
export async function lockJobs(db: Queryable, jobIds: readonly string[]): Promise<Map<string, number>> {
  const { rows } = await db.query<{ id: string; revision: number }>(
    'select id, revision from job where id = any($1) order by id for update',
    [jobIds],
  );
  return new Map(rows.map(({ id, revision }) => [id, revision]));
}

export async function createJob(
  db: Queryable,
  jobId: string,
  content: JobContent,
  entry: AuditEntry,
): Promise<StoredJob> {
  await db.query(
    'insert into job (id, name, site, revision, created_at, updated_at) values ($1, $2, $3, 0, $4, $4)',
    [jobId, content.name, content.site, entry.at],
  );
  const empty: StoredJob = {
    id: jobId,
    revision: 0,
    headRevision: 0,
    content: { ...headOf(content), name: '', site: '', ...emptyLists() },
    revisions: Object.fromEntries(
      COLLECTION_NAMES.map((collection) => [collection, new Map()]),
    ) as unknown as Revisions,
  };
  const { job, events } = differenceTo(empty, content, entry);
  await writeChanges(db, empty, job, asItHappened(events));
  return job;
}

/** What came in whole, in the order in which it was done, as far as that is told: the log begins with the last. */
function asItHappened(events: readonly NewEvent[]): NewEvent[] {
  const done = new Map(events.map((event) => [event, Date.parse(whoAndWhen(event).at)]));
  return [...events].sort((a, b) => sure(done.get(a)) - sure(done.get(b)));
}

/** Removes a job and its rows, if it is there; one event with its last content stays. */
export async function removeJob(db: Queryable, job: StoredJob, entry: AuditEntry): Promise<void> {
  const { rows } = await db.query('delete from job where id = $1 returning id', [job.id]);
  if (!rows.length) return;
  await addEvents(db, [
    {
      ...entry,
      revision: job.revision + 1,
      collection: 'job',
      rowId: job.id,
      before: job.content,
      after: null,
    },
  ]);
}
