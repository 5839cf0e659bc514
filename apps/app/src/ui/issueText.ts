import { messageOfIssue, textOf } from '@keypost/core/messages';
import type { z } from 'zod';

type Issue = z.ZodError['issues'][number];

/** What is wrong with a field, in a sentence; a number that is missing or none is asked for. */
export const issueText = (issue: Issue): string =>
  issue.code === 'invalid_type' ? 'Enter a number.' : textOf(messageOfIssue(issue));

/** The first thing that is wrong at each field. @param fieldOf name of a field by the path of an issue. */
export function problemsBy(
  { issues }: z.ZodError,
  fieldOf: (path: readonly PropertyKey[]) => string,
): Readonly<Record<string, string>> {
  const problems: Record<string, string> = {};
  for (const issue of issues) problems[fieldOf(issue.path)] ??= issueText(issue);
  return problems;
}
