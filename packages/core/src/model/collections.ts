import { codeOf } from '../messages/index.ts';
import { KEPT_STYLE, NUMBER_STYLES, UNIT_SYSTEMS } from '../units/index.ts';
import { z } from 'zod';
import { BusPlan } from './busPlan.ts';
import {
  COLOUR_REGIONS,
  Description,
  Device,
  Entry,
  MainsHertz,
  Module,
  OwnKind,
  Point,
  Result,
  Stamp,
  Supply,
  Wire,
} from './job.ts';
import { FaultRecord } from './fault.ts';
import { Photo } from './photo.ts';
import { Calibration } from './scaling.ts';
import { ShortText } from './words.ts';

/** How a field of a row is kept and told of. */
export interface FieldDescriptor {
  /** What it is called in the log and beside a conflict; a code of the message catalog where it is nothing. */
  readonly label: string;
  /** Its column where that is not its name in small letters with underscores. */
  readonly column?: string;
  /** It holds more than a text, a number or a truth, and is kept as JSON. */
  readonly json?: boolean;
  /** Too long to be told in a line: only that it changed. */
  readonly folded?: boolean;
}

/** One list of rows of a job: its schema, its table, its limits, and what its fields are called. */
export interface CollectionDescriptor<S extends z.ZodType = z.ZodType> {
  readonly row: S;
  readonly table: string;
  /** What one row is called. */
  readonly label: string;
  readonly min?: number;
  readonly max: number;
  readonly fields: Readonly<Record<string, FieldDescriptor>>;
}

type Keys<T> = T extends unknown ? Exclude<keyof T, number | symbol> : never;

const collection = <S extends z.ZodType>(
  descriptor: CollectionDescriptor<S> & {
    readonly fields: Readonly<Record<Keys<z.infer<S>>, FieldDescriptor>>;
  },
): CollectionDescriptor<S> => descriptor;

const ID: FieldDescriptor = { label: 'id' };
const TAG: FieldDescriptor = { label: 'tag' };
const BY: FieldDescriptor = { label: 'by' };
const AT: FieldDescriptor = { label: 'at' };
const POINT: FieldDescriptor = { label: 'point' };
const SETTINGS: FieldDescriptor = { label: 'switches', json: true, folded: true };
const OVERRIDE: FieldDescriptor = { label: 'required by hand', json: true, folded: true };
const FIGURES: FieldDescriptor = { label: 'figures', json: true, folded: true };
const LINK: FieldDescriptor = { label: 'address' };
const FINGERPRINT: FieldDescriptor = { label: 'what it was about', json: true, folded: true };

/**
 * Everything that a job is made of, in the order of the job file. A new field of a row stands in its schema and here;
 * the database, the log and a conflict take it from this place.
 */
export const COLLECTIONS = {
  supplies: collection({
    row: Supply,
    table: 'supply',
    label: 'Supply',
    min: 1,
    max: 20,
    fields: {
      id: ID,
      tag: TAG,
      kind: { label: 'kind' },
      volts: { label: 'voltage' },
      tolerancePercent: { label: 'tolerance' },
      internalOhms: { label: 'internal resistance' },
      limitAmps: { label: 'current limit' },
      feed: { label: 'feed', json: true, folded: true },
      otherAmps: { label: 'other loads' },
    },
  }),
  modules: collection({
    row: Module,
    table: 'module',
    label: 'Module',
    max: 500,
    fields: {
      id: ID,
      tag: TAG,
      typeId: { label: 'type' },
      firstByte: { label: 'first byte' },
      settings: SETTINGS,
      override: OVERRIDE,
      figures: FIGURES,
      link: LINK,
    },
  }),
  devices: collection({
    row: Device,
    table: 'device',
    label: 'Device',
    max: 5000,
    fields: {
      id: ID,
      tag: TAG,
      typeId: { label: 'type' },
      outputs: { label: 'outputs', json: true, folded: true },
      settings: SETTINGS,
      override: OVERRIDE,
      figures: FIGURES,
      descriptionId: { label: 'description file' },
    },
  }),
  points: collection({
    row: Point,
    table: 'point',
    label: 'Point',
    max: 5000,
    fields: {
      id: ID,
      tag: TAG,
      name: { label: 'name' },
      deviceId: { label: 'device' },
      outputId: { label: 'output' },
      bit: { label: 'program bit' },
      area: { label: 'area' },
      helperIds: { label: 'parts', json: true },
      stops: { label: 'what it stops', json: true },
      program: { label: 'what switches it', json: true },
      range: { label: 'range', json: true },
      plate: { label: 'name-plate', json: true, folded: true },
      scaling: { label: 'signal chain', json: true, folded: true },
      switching: { label: 'alarms and set points', json: true, folded: true },
    },
  }),
  wires: collection({
    row: Wire,
    table: 'wire',
    label: 'Wire',
    max: 40000,
    fields: {
      id: ID,
      number: { label: 'number' },
      from: { label: 'one end', column: 'from_terminal' },
      to: { label: 'other end', column: 'to_terminal' },
      colour: { label: 'colour' },
      lengthM: { label: 'length' },
      mm2: { label: 'cross-section' },
      cable: { label: 'cable' },
      core: { label: 'core' },
      ferrule: { label: 'ferrule' },
      asFound: { label: 'as found', json: true, folded: true },
    },
  }),
  stamps: collection({
    row: Stamp,
    table: 'stamp',
    label: 'Step',
    max: 100_000,
    fields: {
      id: ID,
      pointId: POINT,
      step: { label: 'step' },
      fingerprint: FINGERPRINT,
      values: { label: 'values', json: true },
      by: BY,
      at: AT,
      undone: { label: 'undone', json: true },
    },
  }),
  results: collection({
    row: Result,
    table: 'result',
    label: 'Result',
    max: 100_000,
    fields: {
      id: ID,
      pointId: POINT,
      check: { label: 'check' },
      fingerprint: FINGERPRINT,
      expected: { label: 'expected', json: true },
      measured: { label: 'measured', json: true },
      pass: { label: 'pass' },
      difference: { label: 'difference' },
      unit: { label: 'unit' },
      instrument: { label: 'instrument', json: true, folded: true },
      by: BY,
      at: AT,
    },
  }),
  entries: collection({
    row: Entry,
    table: 'entry',
    label: 'Values',
    max: 100_000,
    fields: {
      id: ID,
      itemId: { label: 'part' },
      side: { label: 'side' },
      how: { label: 'how' },
      values: { label: 'values', json: true, folded: true },
      by: BY,
      at: AT,
    },
  }),
  descriptions: collection({
    row: Description,
    table: 'description',
    label: 'Description file',
    max: 60,
    fields: { id: ID, fileName: { label: 'file' }, text: { label: 'text', folded: true } },
  }),
  plans: collection({
    row: BusPlan,
    table: 'plan',
    label: 'Plan',
    max: 60,
    fields: {
      kind: { label: 'kind' },
      id: ID,
      tag: TAG,
      mm2: { label: 'cross-section' },
      bias: { label: 'bias', json: true, folded: true },
      link: LINK,
      framing: { label: 'framing' },
      units: { label: 'units', json: true, folded: true },
      members: { label: 'participants', json: true, folded: true },
    },
  }),
  calibrations: collection({
    row: Calibration,
    table: 'calibration',
    label: 'Calibration',
    max: 100_000,
    fields: {
      id: ID,
      pointId: POINT,
      body: { label: 'calibration', json: true, folded: true },
      by: BY,
      at: AT,
    },
  }),
  faults: collection({
    row: FaultRecord,
    table: 'fault',
    label: 'Fault',
    max: 20_000,
    fields: {
      id: ID,
      pointId: POINT,
      body: { label: 'fault', json: true, folded: true },
      by: BY,
      at: AT,
    },
  }),
  photos: collection({
    row: Photo,
    table: 'photo',
    label: 'Photo',
    max: 500,
    fields: {
      id: ID,
      subject: { label: 'what it shows', json: true, folded: true },
      caption: { label: 'words' },
      width: { label: 'width' },
      height: { label: 'height' },
      bytes: { label: 'size' },
      sha256: { label: 'check sum', folded: true },
      by: BY,
      at: AT,
      removed: { label: 'removed', json: true },
    },
  }),
  ownDevices: collection({
    row: OwnKind,
    table: 'own_device',
    label: 'Kind of device',
    max: 200,
    fields: { id: ID, description: { label: 'description', json: true, folded: true } },
  }),
  ownModules: collection({
    row: OwnKind,
    table: 'own_module',
    label: 'Kind of module',
    max: 200,
    fields: { id: ID, description: { label: 'description', json: true, folded: true } },
  }),
} as const;

export type CollectionName = keyof typeof COLLECTIONS;

/** The names of all collections, in the order of the job file. */
export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as [CollectionName, ...CollectionName[]];

/** What a job says of itself, beside its rows. */
export const JobHead = z.strictObject({
  name: ShortText(60).min(1, codeOf('model.name-job')),
  site: ShortText(60),
  /** Which convention panel wires follow. */
  colours: z.enum(COLOUR_REGIONS).default('iec'),
  /** Mains frequency of the site. */
  mainsHertz: MainsHertz.default(50),
  /** Which decimal mark numbers are typed and written to files with. */
  numbers: z.enum(NUMBER_STYLES).default(KEPT_STYLE),
  /** In which units quantities are shown first. */
  units: z.enum(UNIT_SYSTEMS).default('metric'),
});

/** How the job's head is kept and told of. */
export const HEAD_FIELDS: Readonly<Record<keyof JobHead, FieldDescriptor>> = {
  name: { label: 'name' },
  site: { label: 'site' },
  colours: { label: 'colours' },
  mainsHertz: { label: 'mains frequency' },
  numbers: { label: 'decimal mark' },
  units: { label: 'units' },
};

const HEAD = Object.keys(HEAD_FIELDS) as (keyof JobHead)[];

/** What a job says of itself, beside its rows. */
export const headOf = (job: JobHead): JobHead =>
  Object.fromEntries(HEAD.map((field) => [field, job[field]])) as unknown as JobHead;

type Lists = { [N in CollectionName]: z.ZodDefault<z.ZodArray<(typeof COLLECTIONS)[N]['row']>> };

const LISTS = Object.fromEntries(
  COLLECTION_NAMES.map((name) => {
    const { row, max, min } = COLLECTIONS[name] as CollectionDescriptor;
    const rows = z.array(row).max(max, codeOf('model.rows'));
    return [name, min ? rows.min(min, codeOf('model.needs-supply')) : rows.default([])];
  }),
) as unknown as Lists;

/** All that a job holds; its own id and revision belong to whoever stores it. */
export const JobContent = JobHead.extend(LISTS);

export type JobHead = z.infer<typeof JobHead>;
export type JobContent = z.infer<typeof JobContent>;

/** The name of a column from that of a field. */
export const columnOf = (field: string, { column }: FieldDescriptor): string =>
  column ?? field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
