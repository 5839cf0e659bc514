import { COIL_SENSOR_ID } from '../../catalog/index.ts';
import { numbering, PANEL } from '../../job/index.ts';
import type { SingleChange } from '../../job/index.ts';
import { say } from '../../messages/index.ts';
import type { Wire } from '../../model/index.ts';
import { assemble } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import { coilPlaces, isFree } from '../reasons/coils.ts';
import type { CoilPlace } from '../reasons/coils.ts';
import type { Remedy } from './remedy.ts';

/** A coil sensor on every pair of terminals of an arc unit on which there is nothing. */
export function coilSensors(context: PointContext): Remedy[] {
  const { index, scope, device, point } = context;
  if (!context.type.description.chain?.coils) return [];
  const bare = coilPlaces(context, assemble(index, scope, { present: new Set() }))
    .filter(isFree)
    .filter(({ a, b }) => [a, b].every((name) => !index.wiresAt(`${device.id}:${name}`).length));
  if (!bare.length) return [];
  const number = numbering(index.job);
  const free = freeNames(context);
  const changes = bare.map(({ a, b }: CoilPlace): SingleChange => {
    const { id, tag } = free();
    const wire = (own: string, to: string): Wire => ({
      id: `${id}-${own}`,
      number: number(),
      from: `${id}:${own}`,
      to: `${device.id}:${to}`,
      colour: 'BK',
      ...PANEL,
    });
    return {
      kind: 'addHelper',
      pointId: point.id,
      device: { id, tag, typeId: COIL_SENSOR_ID },
      wires: [wire('k', a), wire('l', b)],
    };
  });
  const pairs = bare.map(({ a, b }) => `${a}-${b}`);
  return [{ sentence: say('remedy.coil-sensors', { pairs }), change: { kind: 'batch', changes } }];
}

/** Ids and tags for coil sensors of a point that nobody has yet. */
function freeNames({ index, point }: PointContext): () => { id: string; tag: string } {
  const ids = new Set(index.job.devices.map(({ id }) => id));
  let n = 0;
  return () => {
    do n++;
    while (ids.has(`${point.id}-t${n}`));
    return { id: `${point.id}-t${n}`, tag: `${point.tag.slice(0, 20)}-T${n}` };
  };
}
