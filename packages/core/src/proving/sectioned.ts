import { JobIndex } from '../job/index.ts';
import { keepNewest, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { ownText, sectionsOf, sharedText } from '../network/index.ts';

/** So many sections are kept, of all jobs; the one that was asked for longest ago goes first. */
const MAX_SECTIONS = 2_000;
const MAX_SHARED = 8;

/** What was worked out of a section of a job, point by point. */
class Section<T> {
  readonly #job: JobContent;
  readonly #work: (index: JobIndex, pointId: string) => T;
  readonly #done = new Map<string, T>();
  #index?: JobIndex;

  constructor(job: JobContent, work: (index: JobIndex, pointId: string) => T) {
    this.#job = job;
    this.#work = work;
  }

  of(pointId: string): T {
    if (!this.#done.has(pointId)) {
      this.#index ??= new JobIndex(this.#job);
      this.#done.set(pointId, this.#work(this.#index, pointId));
      // The index holds all that was solved on the way.
      if (this.#done.size === this.#job.points.length) this.#index = undefined;
    }
    return this.#done.get(pointId) as T;
  }
}

/**
 * Works something out for the points of jobs, section by section, and once for as long as a section stays as it is: after
 * a change only the points of the section that it is in are worked out anew. What is worked out of a point may depend on
 * nothing but its section.
 */
export class BySection<T> {
  readonly #work: (index: JobIndex, pointId: string) => T;
  readonly #kept = new Map<string, Section<T>>();
  /** What all sections of a job have in common, as text, by a number. */
  readonly #shared = new Map<string, number>();
  #last = 0;

  constructor(work: (index: JobIndex, pointId: string) => T) {
    this.#work = work;
  }

  /** @returns what gives the outcome for each point of a job, worked out when it is asked for. */
  of(job: JobContent): (pointId: string) => T {
    const sections = new Map<string, Section<T>>();
    const parts = sectionsOf(job);
    const shared = this.#numberOf(job);
    for (const part of parts) {
      const section = this.#section(part, `${shared}|${ownText(part)}`);
      for (const { id } of part.points) sections.set(id, section);
    }
    return (pointId) => sure(sections.get(pointId)).of(pointId);
  }

  #section(part: JobContent, text: string): Section<T> {
    const section = this.#kept.get(text) ?? new Section(part, this.#work);
    return keepNewest(this.#kept, text, section, MAX_SECTIONS);
  }

  #numberOf(job: JobContent): number {
    const text = sharedText(job);
    return keepNewest(this.#shared, text, this.#shared.get(text) ?? ++this.#last, MAX_SHARED);
  }
}
