import type { createClient } from '@keypost/api';
import { randomUUID } from 'node:crypto';

type Call = ReturnType<typeof createClient>;

/** Makes a job with one point, to be stamped. @returns its id. */
export async function jobWithPoint(call: Call, id: string = randomUUID()): Promise<string> {
  await call('createJob', { body: { id, name: 'Stamped', site: '', by: 'TT' } });
  const point = { id: 'p', tag: 'PX-1', name: 'Point', deviceId: 'd', bit: 'direct' as const };
  const device = { id: 'd', tag: 'PX-1', typeId: 'inductive-3w' };
  await call('changeJob', {
    params: { jobId: id },
    body: { changeId: randomUUID(), by: 'TT', change: { kind: 'addPoint', point, device, place: null } },
  });
  return id;
}

/** A change that adds one row, whatever else is there. */
export const stamp = (call: Call, jobId: string, id: string, changeId: string = randomUUID()) =>
  call('changeJob', {
    params: { jobId },
    body: {
      changeId,
      by: 'TT',
      change: { kind: 'stamp', stamp: { id, pointId: 'p', step: 'tug', fingerprint: {} } },
    },
  });

/** The stamps of a job that are stored. */
export const stampsOf = async (call: Call, jobId: string): Promise<string[]> =>
  (await call('getJob', { params: { jobId } })).content.stamps.map(({ id }) => id);
