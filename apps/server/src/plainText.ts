import { say } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';
import type { FastifyInstance } from 'fastify';

/** Nothing that is sent is nested deeper. */
const MAX_DEPTH = 32;

/** Signs that no text is made of: NUL, which PostgreSQL does not keep, and halves of a pair of surrogates. */
const isText = (text: string): boolean => !/[\0\p{Surrogate}]/u.test(text);

/** Refuses what can be no data of anybody's, wherever it stands: before schemas look at it, and without recursion. */
export function refuseUnreadable(app: FastifyInstance): void {
  app.addHook('preValidation', async ({ params, query, body }) => {
    for (const [part, value] of Object.entries({ params, query, body })) look(part, value);
  });
}

function look(part: string, whole: unknown): void {
  const open: { path: string; value: unknown; depth: number }[] = [{ path: part, value: whole, depth: 0 }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { path, value, depth } = next;
    if (depth > MAX_DEPTH)
      throw new JobProblem([{ path: part, message: say('service.too-deep', { levels: MAX_DEPTH }) }]);
    if (typeof value === 'string') {
      if (!isText(value))
        throw new JobProblem([{ path: path.slice(0, 200), message: say('service.no-text') }]);
    } else if (typeof value === 'object' && value !== null) {
      for (const [key, inner] of Object.entries(value)) {
        if (!isText(key))
          throw new JobProblem([{ path: path.slice(0, 200), message: say('service.no-text') }]);
        open.push({ path: `${path}.${key}`, value: inner, depth: depth + 1 });
      }
    }
  }
}
