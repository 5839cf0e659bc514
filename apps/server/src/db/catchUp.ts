import { COLLECTION_NAMES, headOf } from '@keypost/core/model';
import type { CollectionName, JobContent, JobHead } from '@keypost/core/model';
import type { Queryable } from './connection.ts';
import type { StoredJob } from './store.ts';

/** With more events than this a job is read anew. */
const MAX_EVENTS = 1_000;

interface Told {
  readonly revision: number;
  readonly collection: CollectionName | 'job';
  readonly id: string;
  readonly isNew: boolean;
  readonly after: { readonly id: string } | JobHead | null;
}

/**
 * Brings a job that was read before to where it stands now, by what the log holds of it since: other processes store
 * changes too. Belongs into a transaction that sees one state.
 * @returns nothing when the job is gone, too much happened meanwhile, or something that the log does not hold.
 */
export async function catchUp(db: Queryable, before: StoredJob): Promise<StoredJob | undefined> {
  const jobs = await db.query<{ revision: number; headRevision: number }>(
    'select revision, head_revision as "headRevision" from job where id = $1',
    [before.id],
  );
  const [job] = jobs.rows;
  if (!job || job.revision < before.revision) return undefined;
  const { rows: told } = await db.query<Told>(
    `select revision, collection, row_id as id, before is null as "isNew", after from event
      where job_id = $1 and revision > $2 order by revision, event.id limit ${MAX_EVENTS + 1}`,
    [before.id, before.revision],
  );
  // A revision of which nothing is told was made by somebody else than us.
  const revisionsTold = new Set(told.map(({ revision }) => revision)).size;
  if (told.length > MAX_EVENTS || revisionsTold !== job.revision - before.revision) return undefined;
  let head = headOf(before.content);
  const lists = { ...before.content } as Record<CollectionName, readonly { id: string }[]>;
  const revisions = { ...before.revisions } as Record<CollectionName, ReadonlyMap<string, number>>;
  for (const { collection, after } of told)
    if (collection === 'job' && after) head = headOf(after as JobHead);
  for (const collection of COLLECTION_NAMES) {
    const own = told.filter((one) => one.collection === collection);
    if (!own.length) continue;
    const rows = new Map(lists[collection].map((row) => [row.id, row]));
    const counts = new Map(revisions[collection]);
    for (const { id, isNew, after } of own) {
      if (after === null) {
        rows.delete(id);
        counts.delete(id);
        continue;
      }
      rows.set(id, after as { id: string });
      counts.set(id, isNew ? 1 : (counts.get(id) ?? 0) + 1);
    }
    lists[collection] = [...rows.values()];
    revisions[collection] = counts;
  }
  const content = { ...lists, ...head } as unknown as JobContent;
  return { ...before, ...job, content, revisions };
}
