import type { createClient, JobView } from '@keypost/api';
import type { Change, SingleChange } from '@keypost/core/job';
import { randomUUID } from 'node:crypto';

type Call = ReturnType<typeof createClient>;

/** What tests do to jobs of their own on a server. @param call is asked for when the server answers. */
export const pumpRoom = (call: () => Call) => ({
  newJob: (): Promise<JobView> =>
    call()('createJob', { body: { id: randomUUID(), name: 'Pump room', site: 'Quay', by: 'TT' } }),
  change: (jobId: string, what: Change, more: object = {}) =>
    call()('changeJob', {
      params: { jobId },
      body: { changeId: randomUUID(), by: 'TT', change: what, ...more },
    }),
});

/** A module of eight inputs. */
export const MODULE: Change = {
  kind: 'addModule',
  module: { id: 'm', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
  commons: ['-'],
};

/** A sensor on one of them. */
export const point = (tag: string, channel: number): SingleChange => ({
  kind: 'addPoint',
  point: { id: tag.toLowerCase(), tag, name: 'Point', deviceId: `${tag.toLowerCase()}-b`, bit: 'direct' },
  device: {
    id: `${tag.toLowerCase()}-b`,
    tag,
    typeId: 'inductive-3w',
    outputs: { output: { kind: 'pnp', logic: 'no' } },
  },
  place: { moduleId: 'm', channel },
});
