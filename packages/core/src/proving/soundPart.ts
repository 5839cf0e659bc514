import { COLLECTION_NAMES, COLLECTIONS, problemsOfIssues, splitRef } from '../model/index.ts';
import type { CollectionDescriptor, CollectionName, JobContent, Problem } from '../model/index.ts';
import { partTypesOf } from '../catalog/index.ts';
import { checkIntegrity } from '../job/index.ts';

type Row = { readonly id: string };
type Lists = Record<CollectionName, readonly Row[]>;

/** A row that is not as its schema wants it, or that rests on one. */
export interface DamagedRow {
  readonly collection: CollectionName;
  readonly id: string;
  /** What stands on its label, as far as that can be read. */
  readonly name?: string;
  /** What is wrong with it; nothing of a row that is only left without another. */
  readonly problem?: Problem;
}

/**
 * The part of a stored job that can be read, solved and shown, where a row of it is damaged: that row and all that
 * rests on it are left out and named. Nothing is mended, and nothing is guessed.
 */
export function soundPart(job: JobContent): {
  readonly job: JobContent;
  readonly damaged: readonly DamagedRow[];
} {
  const damaged: DamagedRow[] = [];
  const lists = Object.fromEntries(
    COLLECTION_NAMES.map((name) => {
      const { row: schema } = COLLECTIONS[name] as CollectionDescriptor;
      const rows = (job[name] as readonly Row[]).filter((row) => {
        const parsed = schema.safeParse(row);
        if (!parsed.success)
          damaged.push({ ...named(name, row), problem: problemsOfIssues(parsed.error.issues, 1)[0] });
        return parsed.success;
      });
      return [name, rows.length === job[name].length ? job[name] : rows];
    }),
  ) as unknown as Lists;
  const sound = { ...job, ...lists } as JobContent;
  // A job whose rows are all whole is sound: it was checked when each was stored.
  return damaged.length ? { job: withoutLoose(sound, damaged), damaged } : { job: sound, damaged };
}

/** A row by its id, and by what stands on its label. */
function named(collection: CollectionName, row: Row): DamagedRow {
  const { tag, number, fileName } = row as { tag?: unknown; number?: unknown; fileName?: unknown };
  const name = [tag, number, fileName].find((one) => typeof one === 'string');
  return { collection, id: row.id, ...(name !== undefined && { name }) };
}

/** Without rows that rest on one that is not there, round by round until none is left. */
function withoutLoose(job: JobContent, damaged: DamagedRow[]): JobContent {
  let next = job;
  for (let round = 0; round < 20; round++) {
    const loose = looseRows(next);
    if (!loose.length) break;
    damaged.push(...loose);
    const gone = new Set(loose.map(({ collection, id }) => `${collection}/${id}`));
    next = Object.fromEntries(
      Object.entries(next).map(([name, rows]) => [
        name,
        Array.isArray(rows) ? (rows as Row[]).filter(({ id }) => !gone.has(`${name}/${id}`)) : rows,
      ]),
    ) as unknown as JobContent;
  }
  return next;
}

function looseRows(job: JobContent): DamagedRow[] {
  const types = partTypesOf(job);
  const terminals = new Map<string, ReadonlySet<string> | undefined>();
  for (const { id } of job.supplies) terminals.set(id, undefined);
  for (const module of job.modules)
    terminals.set(module.id, new Set(types.findModule(module)?.terminals.map(({ name }) => name)));
  for (const device of job.devices)
    terminals.set(device.id, new Set(types.findDevice(device)?.terminals.map(({ name }) => name)));
  const isThere = (ref: string | undefined): boolean => {
    if (ref === undefined) return true;
    const { item, terminal } = splitRef(ref);
    return terminals.has(item) && (terminals.get(item)?.has(terminal) ?? true);
  };
  const devices = new Set(job.devices.map(({ id }) => id));
  const points = new Set(job.points.map(({ id }) => id));
  const loose: Record<string, (row: never) => boolean> = {
    modules: (row: JobContent['modules'][number]) => !types.findModule(row),
    devices: (row: JobContent['devices'][number]) => !types.findDevice(row),
    points: (row: JobContent['points'][number]) =>
      !devices.has(row.deviceId) || (row.helperIds ?? []).some((id) => !devices.has(id)),
    wires: (row: JobContent['wires'][number]) =>
      ![row.from, row.to, row.asFound?.from, row.asFound?.to].every(isThere),
    stamps: (row: JobContent['stamps'][number]) => !points.has(row.pointId),
    results: (row: JobContent['results'][number]) => !points.has(row.pointId),
    calibrations: (row: JobContent['calibrations'][number]) => !points.has(row.pointId),
    faults: (row: JobContent['faults'][number]) => !points.has(row.pointId),
    photos: ({ subject }: JobContent['photos'][number]) =>
      subject.kind === 'part' ? !terminals.has(subject.itemId) : !points.has(subject.pointId),
    entries: (row: JobContent['entries'][number]) => !terminals.has(row.itemId),
  };
  const found = COLLECTION_NAMES.flatMap((collection) =>
    (job[collection] as readonly Row[])
      .filter((row) => loose[collection]?.(row as never))
      .map((row) => named(collection, row)),
  );
  return found.length ? found : namedByIntegrity(job);
}

/** Rows that the check of the whole names: `points[3].helperIds` is the fourth of the points. */
function namedByIntegrity(job: JobContent): DamagedRow[] {
  return checkIntegrity(job).flatMap(({ path }) => {
    const match = /^(\w+)\[(\d+)\]/.exec(path);
    const collection = COLLECTION_NAMES.find((name) => name === match?.[1]);
    const row = collection && (job[collection] as readonly Row[])[Number(match?.[2])];
    return collection && row ? [named(collection, row)] : [];
  });
}
