import { nth } from '@keypost/core/lists';
import type { JobContent } from '@keypost/core/model';
import { FAMILIES } from '../packages/core/test/families.ts';
import { madeJob } from './madeJob.ts';

/**
 * A made job of `count` points of all families: every other one a sensor on a full 16-channel module, the rest in
 * turn one of each family with its own module, relays, loads and resistors.
 */
export function mixedJob(count: number): JobContent {
  let job = madeJob(Math.floor(count / 2));
  const cells = Object.values(FAMILIES).map((make) => make());
  let firstByte = 2 * job.modules.length;
  for (let n = 0; job.points.length < count; n++) {
    const cell = nth(cells, n % cells.length);
    job = joined(job, cell, `c${n}`, firstByte, count - job.points.length);
    firstByte += 64;
  }
  return { ...job, name: `Mixed job of ${count}` };
}

/** A job with another's parts beside its own, on the same supplies; the parts' ids and tags get a prefix. */
function joined(
  job: JobContent,
  cell: JobContent,
  prefix: string,
  firstByte: number,
  max: number,
): JobContent {
  const shared = new Set(cell.supplies.map(({ id }) => id));
  const id = (own: string): string => (shared.has(own) ? own : `${prefix}-${own}`);
  const ref = (own: string): string => {
    const at = own.indexOf(':');
    return `${id(own.slice(0, at))}${own.slice(at)}`;
  };
  const tagged = <T extends { id: string; tag: string }>(row: T): T => ({
    ...row,
    id: id(row.id),
    tag: `${prefix} ${row.tag}`,
  });
  const known = new Set(job.supplies.map((supply) => supply.id));
  const points = cell.points.slice(0, max);
  return {
    ...job,
    supplies: [...job.supplies, ...cell.supplies.filter((supply) => !known.has(supply.id))],
    modules: [
      ...job.modules,
      ...cell.modules.map((row) => ({ ...tagged(row), firstByte: firstByte + row.firstByte })),
    ],
    devices: [...job.devices, ...cell.devices.map(tagged)],
    points: [
      ...job.points,
      ...points.map((row) => ({
        ...tagged(row),
        deviceId: id(row.deviceId),
        ...(row.helperIds && { helperIds: row.helperIds.map(id) }),
      })),
    ],
    wires: [
      ...job.wires,
      ...cell.wires.map((row) => ({
        ...row,
        id: `${prefix}-${row.id.replace(/[^\w.-]/g, '_')}`,
        from: ref(row.from),
        to: ref(row.to),
      })),
    ],
  };
}
