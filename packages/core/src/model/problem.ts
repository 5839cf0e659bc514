/** One thing that is wrong: where it stands, what is wrong, and what is allowed, in a sentence. */
export interface Problem {
  /** Path to the field, such as `points[3].tag`. */
  readonly path: string;
  readonly message: string;
}

/** Refused input. Carries every problem that was found. */
export class JobProblem extends Error {
  readonly problems: readonly Problem[];
  constructor(problems: readonly Problem[]) {
    super(problems.map((p) => (p.path ? `${p.path}: ${p.message}` : p.message)).join('\n'));
    this.name = 'JobProblem';
    this.problems = problems;
  }
}

/** Path in the way that people write it: `points[3].tag`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text === '' ? String(part) : `${text}.${String(part)}`,
    '',
  );
}

/** @throws JobProblem with one sentence that says what is wrong and what is allowed. */
export function refuse(message: string, path = ''): never {
  throw new JobProblem([{ path, message }]);
}

/** What an act gives; nothing where it is refused. Any other error goes on. */
export function unlessRefused<T>(act: () => T): T | undefined {
  try {
    return act();
  } catch (error) {
    if (error instanceof JobProblem) return undefined;
    throw error;
  }
}
