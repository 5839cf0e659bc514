import { say } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';
import { partsOf } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import type { FastifyInstance } from 'fastify';
import type { Jobs } from '../jobs/jobs.ts';
import { register } from '../register.ts';

/** A description file of the largest kind, as a change. */
const MAX_CHANGE_BYTES = 4 * 1024 * 1024;

export function changeResource(app: FastifyInstance, { queue }: Jobs): void {
  register(
    app,
    'changeJob',
    async ({ params, body }) => {
      refuseClaims(body.change);
      return queue.store(params.jobId, body);
    },
    { bodyLimit: MAX_CHANGE_BYTES },
  );
  register(app, 'undoChange', ({ params, body: { of, ...body } }) =>
    queue.store(params.jobId, { ...body, undoes: of, expects: [] }),
  );
}

/** Only a value that this server itself read from a device counts as read. */
function refuseClaims(change: Change): void {
  const claims = partsOf(change).some(
    (part) => part.kind === 'enter' && part.entries.some(({ how }) => how === 'read'),
  );
  if (partsOf(change).some(({ kind }) => kind === 'addPhoto'))
    throw new JobProblem([{ path: 'change.photo', message: say('service.photo-way') }]);
  if (claims)
    throw new JobProblem([{ path: 'change.entries', message: say('service.what-server-read-device') }]);
}
