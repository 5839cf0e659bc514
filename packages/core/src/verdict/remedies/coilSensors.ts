import { COIL_SENSOR_ID } from '../../catalog/index.ts';
import { say } from '../../messages/index.ts';
import { assemble } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import { coilPlaces, isFree } from '../reasons/coils.ts';
import { newParts } from './newParts.ts';
import type { Remedy } from './remedy.ts';

/** A coil sensor on every pair of terminals of an arc unit on which there is nothing. */
export function coilSensors(context: PointContext): Remedy[] {
  const { index, scope, device } = context;
  if (!context.type.description.chain?.coils) return [];
  const bare = coilPlaces(context, assemble(index, scope, { present: new Set() }))
    .filter(isFree)
    .filter(({ a, b }) => [a, b].every((name) => !index.wiresAt(`${device.id}:${name}`).length));
  if (!bare.length) return [];
  const add = newParts(context, 't');
  const changes = bare.map(({ a, b }) =>
    add({ typeId: COIL_SENSOR_ID }, { k: `${device.id}:${a}`, l: `${device.id}:${b}` }),
  );
  const pairs = bare.map(({ a, b }) => `${a}-${b}`);
  return [{ sentence: say('remedy.coil-sensors', { pairs }), change: { kind: 'batch', changes } }];
}
