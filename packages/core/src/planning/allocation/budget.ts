/** Trials between two looks at whether it is to go on: a few milliseconds. */
export const STEP = 20;

/** How many arrangements may be tried for something: what takes longer is content with what was found until then. */
export class Budget {
  readonly #most: number;
  #tried = 0;

  constructor(most: number) {
    this.#most = most;
  }

  get isSpent(): boolean {
    return this.#tried > this.#most;
  }

  /** Counts a trial, and yields now and then, so that whoever runs it can be watched and stopped. */
  *trial(): Generator<number, void> {
    if (++this.#tried % STEP === 0) yield this.#tried;
  }
}
