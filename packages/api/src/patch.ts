import type { ChangeResponse, JobView } from './schemas.ts';

/**
 * Puts the rows of a change into a job that was read before. Gives undefined when it must be read anew:
 * the change had come before, or others lie between.
 */
export function patchJob(view: JobView, change: ChangeResponse): JobView | undefined {
  if (change.again || change.revision !== view.revision + 1) return undefined;
  const content = { ...view.content, ...change.head };
  const revisions = { ...view.revisions };
  for (const { collection, id, revision, row } of change.rows) {
    if (collection === 'job') {
      revisions[`job/${id}`] = revision;
      continue;
    }
    const rows = content[collection] as { id: string }[];
    const at = rows.findIndex((r) => r.id === id);
    const next = [...rows];
    if (row === null) next.splice(at, at < 0 ? 0 : 1);
    else if (at < 0) next.push(row as { id: string });
    else next[at] = row as { id: string };
    (content as Record<string, unknown>)[collection] = next;
    if (row === null) delete revisions[`${collection}/${id}`];
    else revisions[`${collection}/${id}`] = revision;
  }
  return { ...view, revision: change.revision, content, revisions };
}
