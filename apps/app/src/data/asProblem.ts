import { ApiProblem } from '@keypost/api/client';
import { problemDetails } from '@keypost/api/problemDetails';
import { say } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model/light';

/** Any error as the problem that a screen can show. */
export function asProblem(error: unknown): ApiProblem {
  if (error instanceof ApiProblem) return error;
  const problems = error instanceof JobProblem ? error.problems : [];
  const message =
    problems[0]?.message ??
    say('schema.other', { said: error instanceof Error ? error.message : String(error) });
  return new ApiProblem(problemDetails(422, 'Not possible', message, problems));
}
