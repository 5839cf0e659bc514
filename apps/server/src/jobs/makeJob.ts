import type { JobContent } from '@keypost/core/model';
import type { Transaction } from '../db/connection.ts';
import { createJob } from '../db/store.ts';
import type { AuditEntry, StoredJob } from '../db/store.ts';
import { putPicture } from '../photos/pictures.ts';
import type { Picture } from '../photos/pictures.ts';

/** A job that is to be made, with the pictures of its photos. */
export interface NewContent {
  readonly job: JobContent;
  readonly pictures: readonly Picture[];
}

/** Puts a new job into the database, whole. */
export async function makeJob(
  tx: Transaction,
  id: string,
  { job, pictures }: NewContent,
  entry: AuditEntry,
): Promise<StoredJob> {
  const stored = await createJob(tx, id, job, entry);
  for (const picture of pictures) await putPicture(tx, id, picture);
  return stored;
}
