import type { JobEvent } from '@keypost/api';
import type { RowChange } from '@keypost/core/job';
import type { Queryable } from './connection.ts';

/** Which of some changes of a job were stored before. */
export async function seenChanges(
  db: Queryable,
  jobId: string,
  changeIds: readonly string[],
): Promise<Set<string>> {
  const { rows } = await db.query<{ id: string }>(
    'select distinct change_id as id from event where job_id = $1 and change_id = any($2)',
    [jobId, changeIds],
  );
  return new Set(rows.map(({ id }) => id));
}

/** What a stored change made differ, row by row in the order in which it was told; nothing where there is no such change. */
export async function rowsOfChange(
  db: Queryable,
  jobId: string,
  changeId: string,
): Promise<(RowChange & { readonly what: string })[]> {
  const { rows } = await db.query<RowChange & { what: string }>(
    `select what, collection, row_id as "rowId", before, after from event
      where job_id = $1 and change_id = $2 order by id`,
    [jobId, changeId],
  );
  return rows;
}

/** Whether a job of this id was ever made, by the change of this id or by any. */
export async function wasMade(db: Queryable, jobId: string): Promise<boolean> {
  const { rows } = await db.query('select 1 from event where job_id = $1 limit 1', [jobId]);
  return rows.length > 0;
}

/** Events newest first, those before one where it is told; with a point, only those of its own rows. */
export async function listEvents(
  db: Queryable,
  jobId: string,
  { pointId, before, limit }: { pointId?: string; before?: number; limit: number },
): Promise<JobEvent[]> {
  const { rows } = await db.query<Omit<JobEvent, 'at'> & { at: Date }>(
    `select id::int, at, by, change_id as "changeId", what, collection, row_id as "rowId",
            case when collection = 'descriptions' then before - 'text' else before end as before,
            case when collection = 'descriptions' then after - 'text' else after end as after
       from event
      where job_id = $1
        and ($4::bigint is null or id < $4)
        and ($2::text is null
             or (collection = 'points' and row_id = $2)
             or coalesce(after, before) ->> 'pointId' = $2
             or (collection = 'entries' and exists (
                   select 1 from point p where p.job_id = $1 and p.id = $2
                    and (coalesce(after, before) ->> 'itemId' = p.device_id
                         or p.helper_ids ? (coalesce(after, before) ->> 'itemId'))))
             or (collection = 'photos' and (
                   coalesce(after, before) -> 'subject' ->> 'pointId' = $2
                   or exists (
                        select 1 from point p where p.job_id = $1 and p.id = $2
                         and (coalesce(after, before) -> 'subject' ->> 'itemId' = p.device_id
                              or p.helper_ids ? (coalesce(after, before) -> 'subject' ->> 'itemId')))))
             or (collection = 'devices' and exists (
                   select 1 from point p where p.job_id = $1 and p.id = $2
                    and (row_id = p.device_id or p.helper_ids ? row_id)))
             or (collection = 'wires' and exists (
                   select 1 from point p,
                          unnest(array[split_part(coalesce(after, before) ->> 'from', ':', 1),
                                       split_part(coalesce(after, before) ->> 'to', ':', 1)]) as part (id)
                    where p.job_id = $1 and p.id = $2
                      and (part.id = p.device_id or p.helper_ids ? part.id))))
      order by id desc limit $3`,
    [jobId, pointId ?? null, limit, before ?? null],
  );
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}
