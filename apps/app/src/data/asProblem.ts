import { ApiProblem } from '@keypost/api/client';
import { say, textOf } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';

/** Any error as the problem that a screen can show. */
export function asProblem(error: unknown): ApiProblem {
  if (error instanceof ApiProblem) return error;
  const problems = error instanceof JobProblem ? error.problems : [];
  const message =
    problems[0]?.message ??
    say('service.other', { said: error instanceof Error ? error.message : String(error) });
  return new ApiProblem({
    type: `/problems/${message.code}`,
    title: 'Not possible',
    status: 422,
    detail: textOf(message),
    message,
    problems: problems.map((one) => ({ ...one, detail: textOf(one.message) })),
  });
}
