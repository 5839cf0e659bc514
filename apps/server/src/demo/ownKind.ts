import { sure } from '@keypost/core/lists';
import { DEVICE_TYPES } from '@keypost/core/catalog';
import type { SingleChange } from '@keypost/core/job';

/** The name of the demo's own kind. */
export const OWN_KIND = 'brine-level';

/** A kind that somebody described in the job: a capacitive sensor as the catalog has it, for brine, by its leaflet. */
export function ownKind(): SingleChange {
  const { description } = sure(DEVICE_TYPES.find(({ id }) => id === 'capacitive-3w'));
  return {
    kind: 'setOwnKind',
    collection: 'ownDevices',
    own: {
      id: OWN_KIND,
      description: {
        ...description,
        id: OWN_KIND,
        name: 'Capacitive level sensor for brine, three-wire',
        title: 'capacitive, brine',
      },
    },
  };
}
