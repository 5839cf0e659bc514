import { JobIndex } from '../job/index.ts';
import { Groups, sure } from '../lists/index.ts';
import { COLLECTION_NAMES, emptyLists } from '../model/index.ts';
import type { CollectionName, JobContent } from '../model/index.ts';
import { railJoints } from './railJoints.ts';

/** Lists that every part of a plant may look into; all others belong to the parts that their rows name. */
const SHARED = ['supplies', 'descriptions', 'ownDevices', 'ownModules'] as const satisfies CollectionName[];

/** Whether every part of a plant may look into a list. */
export const isShared = (name: CollectionName): boolean => (SHARED as readonly string[]).includes(name);

/** What a section has for itself, as text. */
export const ownText = (section: JobContent): string =>
  JSON.stringify(COLLECTION_NAMES.filter((name) => !isShared(name)).map((name) => section[name]));

/** What all sections of a job have in common, as text. */
export const sharedText = (job: JobContent): string =>
  JSON.stringify(Object.entries(job).filter(([name]) => isShared(name as CollectionName) || !isList(name)));

const isList = (name: string): boolean => (COLLECTION_NAMES as readonly string[]).includes(name);

/** Names of rows that others refer to. */
const NAMED = ['modules', 'devices', 'points'] as const satisfies CollectionName[];

/**
 * Parts of a job that have nothing in common but supplies, kinds and descriptions, each as a job of its own: a point is
 * in its section as it is in the whole. Rows that name each other are in one section; the units of an arc chain too.
 * Where something joins rails, which stops whatever is on them, the whole job is one section.
 */
export function sectionsOf(job: JobContent): JobContent[] {
  const index = new JobIndex(job);
  if (railJoints(index).length > 0) return [job];
  const groups = new Groups();
  const known = new Set(NAMED.flatMap((name) => job[name].map(({ id }) => id)));
  const chained = job.devices.filter((device) => index.deviceType(device).description.chain);
  chained.forEach(({ id }) => groups.join(id, sure(chained[0]).id));
  const owners = new Map<object, string | undefined>();
  for (const name of COLLECTION_NAMES) {
    if (isShared(name)) continue;
    for (const row of job[name]) {
      const named = namedIn(row, known);
      named.forEach((id) => groups.join(id, sure(named[0])));
      owners.set(row, named[0]);
    }
  }
  return divided(job, (row) => {
    const owner = owners.get(row);
    return owner === undefined ? undefined : groups.of(owner);
  });
}

/** The parts that a row is about: whatever text in it is the id of one, or of one of its terminals; as often as it is. */
export function namedIn(row: unknown, known: ReadonlySet<string>): string[] {
  const found: string[] = [];
  const look = (value: unknown): void => {
    if (typeof value === 'string') {
      const colon = value.indexOf(':');
      const id = colon < 0 ? value : value.slice(0, colon);
      if (known.has(id)) found.push(id);
    } else if (typeof value === 'object' && value !== null) Object.values(value).forEach(look);
  };
  look(row);
  return found;
}

/** Rows of a job by what they belong to; what belongs to nothing is in all of them. */
function divided(job: JobContent, ownerOf: (row: object) => string | undefined): JobContent[] {
  type Lists = Record<CollectionName, object[]>;
  const sections = new Map<string, Lists>();
  const names = COLLECTION_NAMES.filter((name) => !isShared(name));
  for (const name of NAMED)
    for (const row of job[name]) {
      const owner = sure(ownerOf(row));
      if (!sections.has(owner)) sections.set(owner, emptyLists());
    }
  for (const name of names)
    for (const row of job[name]) {
      const owner = ownerOf(row);
      for (const lists of owner === undefined ? sections.values() : [sure(sections.get(owner))])
        lists[name].push(row);
    }
  // What is shared is the same list in all: what is known of it is known for all.
  return [...sections.values()].map((lists) => {
    const own = Object.fromEntries(names.map((name) => [name, lists[name]]));
    return { ...job, ...own } as unknown as JobContent;
  });
}
