import { partTypesOf } from '../catalog/index.ts';
import type { ColourRegion, JobContent } from '../model/index.ts';
import { applyChange } from './changes.ts';
import { NOBODY } from './changeSchema.ts';
import type { SingleChange } from './changeSchema.ts';
import { proposeModule } from './proposeModule.ts';

/** What usually stands in a panel, to begin with. */
export interface MakeUp {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly modules: readonly string[];
}

export const MAKE_UPS: readonly MakeUp[] = [
  { id: 'nothing', label: 'Nothing yet', hint: 'modules are added one by one', modules: [] },
  {
    id: 'compact',
    label: 'A compact controller',
    hint: '14 inputs, two commons',
    modules: ['controller-8-6'],
  },
  {
    id: 'machine',
    label: 'A machine',
    hint: '16 inputs, 8 outputs, 4 relays, a safety relay',
    modules: ['di16-both-8-8', 'do8-high', 'ro4', 'safety-relay-2'],
  },
  {
    id: 'process',
    label: 'A process',
    hint: '8 inputs, 8 analog inputs, 4 thermometers, 8 outputs',
    modules: ['di8-both-8', 'ai8-switch', 'rtd4', 'do8-high'],
  },
  {
    id: 'io-link',
    label: 'IO-Link',
    hint: 'a master of 8 ports, 8 inputs, 8 outputs',
    modules: ['iol-aaaaaaaa', 'di8-both-8', 'do8-high'],
  },
];

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
