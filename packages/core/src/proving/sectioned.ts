import { JobIndex } from '../job/index.ts';
import { keepNewest, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { holdsStandIns, nameless, ownText, sectionsOf, sharedText } from '../network/index.ts';

/** So many sections are kept, of all jobs; the one that was asked for longest ago goes first. */
const MAX_SECTIONS = 2_000;
const MAX_SHARED = 8;

/** Gives what is worked out of each point of a section. */
type Section<T> = (pointId: string) => T;

/** Each point's once. */
function once<T>(make: Section<T>): Section<T> {
  const done = new Map<string, T>();
  return (pointId) => {
    if (!done.has(pointId)) done.set(pointId, make(pointId));
    return done.get(pointId) as T;
  };
}

/**
 * Works something out for the points of jobs, section by section: once for sections that differ in nothing but names,
 * and for as long as a section stays as it is. After a change only the points of the section that it is in are worked
 * out anew. What is worked out is plain data; it may depend on nothing but the section of its point, and on no name in it.
 */
export class BySection<T> {
  readonly #work: (index: JobIndex, pointId: string) => T;
  readonly #kept = new Map<string, Section<T>>();
  /** Sections without names. */
  readonly #alike = new Map<string, Section<T>>();
  /** What all sections of a job have in common, as text, by a number. */
  readonly #shared = new Map<string, number>();
  #last = 0;

  constructor(work: (index: JobIndex, pointId: string) => T) {
    this.#work = work;
  }

  /** @returns what gives the outcome for each point of a job, worked out when it is asked for. */
  of(job: JobContent): (pointId: string) => T {
    const sections = new Map<string, Section<T>>();
    const shared = sharedText(job);
    const canBeNameless = !holdsStandIns(shared);
    const number = this.#numberOf(shared);
    for (const part of sectionsOf(job)) {
      const own = ownText(part);
      const make = (): Section<T> => (canBeNameless && this.#named(part, own, number)) || this.#worked(part);
      const section = kept(this.#kept, `${number}|${own}`, make);
      for (const { id } of part.points) sections.set(id, section);
    }
    return (pointId) => sure(sections.get(pointId))(pointId);
  }

  #worked(part: JobContent): Section<T> {
    let index: JobIndex | undefined;
    let left = part.points.length;
    return once((pointId) => {
      index ??= new JobIndex(part);
      const done = this.#work(index, pointId);
      // The index holds all that was solved on the way.
      if (--left === 0) index = undefined;
      return done;
    });
  }

  /** The same with the names of a section that others are like but for these; nothing where its names say something. */
  #named(part: JobContent, own: string, shared: number): Section<T> | undefined {
    const names = holdsStandIns(own) ? undefined : nameless(part);
    if (!names) return undefined;
    const { section, standIn, withNames } = names;
    const alike = kept(this.#alike, `${shared}|${ownText(section)}`, () => this.#worked(section));
    return once((pointId) => withNames(alike(standIn(pointId))));
  }

  #numberOf(shared: string): number {
    return keepNewest(this.#shared, shared, this.#shared.get(shared) ?? ++this.#last, MAX_SHARED);
  }
}

const kept = <V>(known: Map<string, V>, text: string, make: () => V): V =>
  keepNewest(known, text, known.get(text) ?? make(), MAX_SECTIONS);
