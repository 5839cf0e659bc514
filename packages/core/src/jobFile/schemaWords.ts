import { COLLECTION_NAMES, COLLECTIONS, HEAD_FIELDS } from '../model/index.ts';
import type { CollectionName, FieldDescriptor } from '../model/index.ts';

/** A JSON Schema, as far as words are put into it. */
export interface Described {
  title?: string;
  description?: string;
  properties?: Record<string, Described>;
  items?: Described;
  oneOf?: Described[];
  anyOf?: Described[];
}

/** What each list of a job is, for who reads the file with a program of their own. */
const LISTS: Readonly<Record<CollectionName, string>> = {
  supplies:
    'Supplies, mains and branches behind their own fuse or breaker. Volts, amperes, ohms, metres, mm².',
  modules: 'Cards with inputs and outputs; how each is, stands in the catalog or in the job’s own kinds.',
  devices: 'Sensors, actuators, relays, terminals and whatever else has terminals and is no card.',
  points: 'What is wired and proven: one output of a device, with its name, its range and its signal chain.',
  wires: 'Wires between terminals, written item:terminal; with what was found in the panel instead.',
  stamps: 'Steps that somebody did, with the fingerprint of what they were about. Never overwritten.',
  results: 'What was measured, beside what was expected. Never overwritten.',
  entries: 'Parameters of a part as found, as left or as read from it. Never overwritten.',
  descriptions: 'Device descriptions (IODD) that devices of the job refer to.',
  plans: 'Serial lines and Ethernet networks with their participants and register maps.',
  calibrations: 'Calibrations and teachings with their readings. Never overwritten.',
  faults: 'Faults as they were reported, looked for and mended. Never overwritten.',
  photos: 'Photos of points, parts, steps and results; their pictures lie beside the job, by SHA-256.',
  ownDevices: 'Kinds of device that the job brings along, as docs/device-format.md tells.',
  ownModules: 'Kinds of module that the job brings along, as docs/device-format.md tells.',
};

/** The schema of a job file with titles and descriptions. */
export function inWords(schema: Described): Described {
  const job = schema.properties?.job;
  if (job?.properties) {
    job.title = 'Job';
    job.description = 'A job with all its rows. Rows name each other by their ids.';
    name(job.properties, HEAD_FIELDS);
    for (const list of COLLECTION_NAMES) {
      const rows = job.properties[list];
      if (!rows?.items) continue;
      const { label, fields } = COLLECTIONS[list];
      rows.description = LISTS[list];
      rows.items.title = label;
      for (const one of [rows.items, ...(rows.items.oneOf ?? []), ...(rows.items.anyOf ?? [])])
        if (one.properties) name(one.properties, fields);
    }
  }
  return {
    title: 'Key Post job file',
    description: 'One job, with the pictures of its photos. docs/job-format.md tells it in words.',
    ...schema,
  };
}

const name = (
  properties: Record<string, Described>,
  fields: Readonly<Record<string, FieldDescriptor>>,
): void => {
  for (const [field, { label }] of Object.entries(fields)) {
    const property = properties[field];
    if (property) property.title = label;
  }
};
