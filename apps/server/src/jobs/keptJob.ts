import type { JobView } from '@keypost/api';
import { soundPart } from '@keypost/core/proving';
import type { DamagedRow } from '@keypost/core/proving';
import { COLLECTION_NAMES, headOf } from '@keypost/core/model';
import type { JobContent } from '@keypost/core/model';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { StoredJob } from '../db/store.ts';

const zip = promisify(gzip);

/** The text of a list as JSON; a list is never changed, only replaced. */
const texts = new WeakMap<readonly unknown[], string>();

function textOfList(rows: readonly unknown[]): string {
  let text = texts.get(rows);
  if (text === undefined) texts.set(rows, (text = JSON.stringify(rows)));
  return text;
}

/** A job at a revision, with what is made of it for whoever asks. Nothing of it ever changes. */
export class KeptJob {
  readonly stored: StoredJob;
  /** What can be read, solved and shown of it: all, where nothing is damaged. */
  readonly content: JobContent;
  readonly damaged: readonly DamagedRow[];
  #text: string | undefined;
  #zipped: Promise<Buffer> | undefined;

  constructor(stored: StoredJob, content: JobContent, damaged: readonly DamagedRow[] = []) {
    this.stored = stored;
    this.content = content;
    this.damaged = damaged;
  }

  /** As it was read from the database: each row is looked at once. */
  static read(stored: StoredJob): KeptJob {
    const { job, damaged } = soundPart(stored.content);
    return new KeptJob(stored, job, damaged);
  }

  get revision(): number {
    return this.stored.revision;
  }

  /** Names this state of it (RFC 9110, 8.8.3). */
  get tag(): string {
    return `"${this.stored.revision}-${this.damaged.length}"`;
  }

  /** The answer to whoever reads it, as JSON: a `JobView`. */
  text(): string {
    this.#text ??= this.#write();
    return this.#text;
  }

  /** The same, compressed. */
  zipped(): Promise<Buffer> {
    this.#zipped ??= zip(this.text(), { level: 5 });
    return this.#zipped;
  }

  #write(): string {
    const { id, revision, revisions, headRevision } = this.stored;
    const head = JSON.stringify(headOf(this.content)).slice(1, -1);
    const lists = COLLECTION_NAMES.map((name) => `"${name}":${textOfList(this.content[name])}`);
    const counted = Object.fromEntries(
      COLLECTION_NAMES.flatMap((name) =>
        [...revisions[name]].map(([row, count]) => [`${name}/${row}`, count] as const),
      ),
    );
    const rest = JSON.stringify({
      revisions: { ...counted, [`job/${id}`]: headRevision },
      damaged: this.damaged,
    } satisfies Pick<JobView, 'revisions' | 'damaged'>).slice(1);
    return `{"id":${JSON.stringify(id)},"revision":${revision},"content":{${head},${lists.join(',')}},${rest}`;
  }
}
