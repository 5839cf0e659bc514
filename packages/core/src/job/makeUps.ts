import { partTypesOf } from '../catalog/index.ts';
import type { MakeUp } from '../catalog/index.ts';
import type { ColourRegion, JobContent } from '../model/index.ts';
import type { UnitSystem } from '../units/index.ts';
import { applyChange } from './changes.ts';
import { NOBODY } from './changeSchema.ts';
import type { SingleChange } from './changeSchema.ts';
import { proposeModule } from './proposeModule.ts';

/** What sensors the inputs are for: those switch plus, or minus. */
export type MostSensors = 'pnp' | 'npn';

/**
 * The modules of a make-up, each with its tag, its first byte and its commons where they belong.
 * @param newId gives an id for each of them.
 */
export function makeUpChanges(
  job: JobContent,
  { modules }: MakeUp,
  sensors: MostSensors,
  newId: () => string,
): SingleChange[] {
  const changes: SingleChange[] = [];
  let next = job;
  for (const typeId of modules) {
    const type = partTypesOf(next).module({ typeId });
    const { tag, firstByte, rails } = proposeModule(next, type);
    const change: SingleChange = {
      kind: 'addModule',
      module: { id: newId(), tag, typeId, firstByte },
      commons: type.groups.map(({ common }) => rails[common] ?? (sensors === 'pnp' ? '-' : '+')),
    };
    changes.push(change);
    next = applyChange(next, change, NOBODY);
  }
  return changes;
}

/** Mains frequency that is usual where a convention of colours is. */
export const USUAL_HERTZ: Readonly<Record<ColourRegion, 50 | 60>> = {
  iec: 50,
  'north-america': 60,
  japan: 50,
};

/** In which units quantities are usually shown first where a convention of colours is. */
export const USUAL_UNITS: Readonly<Record<ColourRegion, UnitSystem>> = {
  iec: 'metric',
  'north-america': 'us',
  japan: 'metric',
};
