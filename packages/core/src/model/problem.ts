import { nth } from '../lists/index.ts';
import { messageOfIssue, textOf } from '../messages/index.ts';
import type { Issue, Message } from '../messages/index.ts';
/** One thing that is wrong: where it stands, what is wrong, and what is allowed, in a sentence. */
export interface Problem {
  /** Path to the field, such as `points[3].tag`. */
  readonly path: string;
  readonly message: Message;
}

/** A problem in a line: where it is, and what. */
export const problemText = ({ path, message }: Problem): string =>
  [path, textOf(message)].filter(Boolean).join(': ');

/** Refused input. Carries every problem that was found. */
export class JobProblem extends Error {
  readonly problems: readonly Problem[];
  constructor(problems: readonly Problem[]) {
    super(problems.map(problemText).join('\n'));
    this.name = 'JobProblem';
    this.problems = problems;
  }
  /** The first of them, for where there is room for one. */
  get first(): Message {
    return nth(this.problems, 0).message;
  }
}

/** What a schema found wrong, at most so many. */
export const problemsOfIssues = (
  issues: readonly (Issue & { readonly path: readonly PropertyKey[] })[],
  max = 20,
): Problem[] =>
  issues.slice(0, max).map((issue) => ({ path: pathText(issue.path), message: messageOfIssue(issue) }));

/** Path in the way that people write it: `points[3].tag`. */
function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text === '' ? String(part) : `${text}.${String(part)}`,
    '',
  );
}

/** @throws JobProblem with one sentence that says what is wrong and what is allowed. */
export function refuse(message: Message, path = ''): never {
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
