import { ELEMENT_IDS, partTypesOf, settingsOf } from '../../catalog/index.ts';
import { say } from '../../messages/index.ts';
import type { PointContext } from '../../network/index.ts';
import { newParts } from './newParts.ts';
import type { Remedy } from './remedy.ts';

/** The element of a transmitter on whose element side there is nothing, with as many wires as it is set to. */
export function elements(context: PointContext): Remedy[] {
  const { index, device, type } = context;
  const side = type.description.elementSide;
  if (!side) return [];
  const leads = settingsOf(type, device.settings)[side.leads] ?? '';
  const typeId = ELEMENT_IDS[leads];
  const at = (name: string): string => `${device.id}:${name}`;
  const names = Object.values(side.roles).filter((name): name is string => name !== undefined);
  if (typeId === undefined || names.some((name) => index.wiresAt(at(name)).length)) return [];
  const ends = Object.fromEntries(
    partTypesOf(index.job)
      .device({ typeId })
      .terminals.flatMap(({ name, role }) => {
        const to = (side.roles as Readonly<Record<string, string>>)[role ?? ''];
        return to === undefined ? [] : [[name, at(to)] as const];
      }),
  );
  const change = newParts(context, 'e')({ typeId }, ends);
  return [{ sentence: say('remedy.element', { device: device.tag, leads }), change }];
}
