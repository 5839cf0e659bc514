import type { JobContent, Wire } from '../../model/index.ts';
import { emptyLists, headOf, splitRef } from '../../model/index.ts';
import type { JobIndex } from '../../job/index.ts';
import { railJoints } from '../../network/index.ts';

/** No row of any list: an excerpt holds what is named there, and nothing of a list that comes later. */
const NOTHING = emptyLists();

/**
 * The part of a job that a change of some devices and modules can act on, so that trying it does not depend on the
 * job's size.
 */
export function excerpt(
  index: JobIndex,
  deviceIds: Iterable<string>,
  moduleIds: ReadonlySet<string>,
): JobContent {
  const { job } = index;
  const ids = new Set(deviceIds);
  for (const moduleId of moduleIds)
    for (const { terminal } of index.portsOf(moduleId))
      for (const ref of index.across(`${moduleId}:${terminal}`))
        if (index.device(splitRef(ref).item)) ids.add(splitRef(ref).item);
  const points = new Set([...ids].flatMap((id) => index.pointsFor(id)));
  for (const point of points) for (const id of [point.deviceId, ...(point.helperIds ?? [])]) ids.add(id);
  return {
    ...NOTHING,
    ...headOf(job),
    supplies: job.supplies,
    descriptions: job.descriptions,
    ownDevices: job.ownDevices,
    ownModules: job.ownModules,
    modules: [...moduleIds].flatMap((id) => index.module(id) ?? []),
    devices: [...ids].flatMap((id) => index.device(id) ?? []),
    points: [...points],
    wires: [...new Set([...wiresOf(index, ids, moduleIds), ...joining(index)])],
    // What was mended counts for what was proven, not for the circuit; a part that was swapped is set anew.
    faults: job.faults.filter(({ body }) => body.kind === 'mended' && body.swapped !== undefined),
    // What was set counts for the circuit; plans of buses do not.
    entries: job.entries.filter(({ itemId }) => ids.has(itemId) || moduleIds.has(itemId)),
  };
}

/** What joins rails anywhere in the panel: it stops every point on them. */
function joining(index: JobIndex): Wire[] {
  const ids = new Set(railJoints(index).flatMap(({ wires }) => wires.map(({ id }) => id)));
  return ids.size > 0 ? index.job.wires.filter(({ id }) => ids.has(id)) : [];
}

/** The terminals of a device or module. */
function terminalsOf(index: JobIndex, id: string): readonly { readonly name: string }[] {
  const device = index.device(id);
  if (device) return index.deviceType(device).terminals;
  const module = index.module(id);
  return module ? index.moduleType(module).terminals : [];
}

function wiresOf(index: JobIndex, deviceIds: ReadonlySet<string>, moduleIds: ReadonlySet<string>): Wire[] {
  const refs = [
    ...[...deviceIds].flatMap((id) => terminalsOf(index, id).map(({ name }) => `${id}:${name}`)),
    ...[...moduleIds].flatMap((id) => terminalsOf(index, id).map(({ name }) => `${id}:${name}`)),
  ];
  const known = new Set(refs);
  const inside = (ref: string | undefined): boolean =>
    ref === undefined || known.has(ref) || index.supply(splitRef(ref).item) !== undefined;
  // Each wire with its plan and with how it was found, as the job holds it.
  const wires = new Set(refs.flatMap((ref) => [...index.plannedAt(ref), ...index.foundAt(ref)]));
  return [...wires].filter(
    ({ from, to, asFound }) => inside(from) && inside(to) && inside(asFound?.from) && inside(asFound?.to),
  );
}
