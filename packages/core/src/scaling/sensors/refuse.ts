import { JobProblem } from '../../model/problem.ts';

/** @throws JobProblem with what is wrong and what is allowed. */
export function refuse(message: string, path = ''): never {
  throw new JobProblem([{ path, message }]);
}
