import { codeOf } from '../messages/index.ts';
import { NUMBER_STYLES, UNIT_SYSTEMS } from '../units/index.ts';
import { z } from 'zod';
import {
  Area,
  AsFound,
  BusPlan,
  Calibration,
  COLOUR_REGIONS,
  Description,
  Device,
  Entry,
  FaultRecord,
  FigurePath,
  Id,
  JobHead,
  Link,
  Logic,
  MainsHertz,
  Module,
  OutputKind,
  OwnFigure,
  OwnKind,
  Card,
  Photo,
  Point,
  Program,
  Range,
  Result,
  Scaling,
  Switching,
  Settings,
  Stamp,
  Supply,
  SupplyKind,
  TerminalRef,
  Wire,
} from '../model/index.ts';

const Rail = z.enum(['+', '-', 'L', 'N']).nullable();
/** Patches leave out what they do not touch: nothing in them has a default. */
const SupplyPatch = Supply.omit({ id: true, kind: true }).partial().extend({ kind: SupplyKind.optional() });
const ModulePatch = Module.omit({ id: true, settings: true, override: true, figures: true, link: true })
  .partial()
  .extend({ settings: Settings.optional(), link: Link.nullable().optional() });
const WIRE_WORDS = z.strictObject({
  cable: z.string().trim().max(24),
  core: z.string().trim().max(12),
  ferrule: z.string().trim().max(12),
});
const Place = z.strictObject({ moduleId: Id, channel: z.int().min(0).max(1023) });

/** What a client sends of a stamp or result; who and when are added by whoever takes it. */
const NewStamp = Stamp.omit({ by: true, at: true, undone: true });
const NewResult = Result.omit({ by: true, at: true });
const NewEntry = Entry.omit({ by: true, at: true });
const NewFigure = z.strictObject(OwnFigure.shape).omit({ by: true, at: true });
const NewFault = FaultRecord.omit({ by: true, at: true });
const NewPhoto = Photo.omit({ by: true, at: true, removed: true });
const NewCalibration = Calibration.omit({ by: true, at: true });

const SINGLE = [
  z.strictObject({
    kind: z.literal('editJob'),
    patch: JobHead.pick({ name: true, site: true })
      .partial()
      .extend({
        colours: z.enum(COLOUR_REGIONS).optional(),
        mainsHertz: MainsHertz.optional(),
        numbers: z.enum(NUMBER_STYLES).optional(),
        units: z.enum(UNIT_SYSTEMS).optional(),
      }),
  }),
  z.strictObject({ kind: z.literal('editSupply'), id: Id, patch: SupplyPatch }),
  z.strictObject({ kind: z.literal('addSupply'), supply: Supply }),
  z.strictObject({ kind: z.literal('removeSupply'), id: Id }),
  z.strictObject({ kind: z.literal('addModule'), module: Module, commons: z.array(Rail).max(16) }),
  z.strictObject({ kind: z.literal('editModule'), id: Id, patch: ModulePatch }),
  z.strictObject({ kind: z.literal('removeModule'), id: Id }),
  /** A point with its device; without one it is about another output of a device that the job holds. */
  z.strictObject({
    kind: z.literal('addPoint'),
    point: Point,
    device: Device.nullable(),
    place: Place.nullable(),
  }),
  z.strictObject({
    kind: z.literal('editPoint'),
    id: Id,
    patch: Point.pick({ tag: true, name: true, bit: true, stops: true })
      .extend({ typeId: Device.shape.typeId, outputId: z.string().min(1).max(40) })
      .partial()
      .extend({
        /** How its output is chosen. */
        output: z.strictObject({ kind: OutputKind, logic: Logic }).partial().optional(),
        settings: Settings.optional(),
        range: Range.nullable().optional(),
        area: Area.nullable().optional(),
        program: Program.nullable().optional(),
      }),
  }),
  z.strictObject({ kind: z.literal('removePoint'), id: Id }),
  z.strictObject({ kind: z.literal('addHelper'), pointId: Id, device: Device, wires: z.array(Wire).max(40) }),
  z.strictObject({
    kind: z.literal('editDevice'),
    id: Id,
    patch: Device.pick({ tag: true, typeId: true })
      .partial()
      .extend({ settings: Settings.optional(), descriptionId: Id.nullable().optional() }),
  }),
  z.strictObject({ kind: z.literal('removeHelper'), id: Id }),
  z.strictObject({ kind: z.literal('assign'), pointId: Id, place: Place.nullable() }),
  z.strictObject({
    kind: z.literal('setCommon'),
    moduleId: Id,
    common: z.string().regex(/^[^:\s]{1,16}$/),
    rail: Rail,
  }),
  z.strictObject({ kind: z.literal('addWire'), wire: Wire }),
  z.strictObject({
    kind: z.literal('moveWire'),
    wireId: Id,
    from: TerminalRef.optional(),
    to: TerminalRef.optional(),
  }),
  z.strictObject({
    kind: z.literal('editWire'),
    wireId: Id,
    patch: Wire.pick({
      number: true,
      colour: true,
      lengthM: true,
      mm2: true,
    })
      .partial()
      .extend(WIRE_WORDS.partial().shape),
  }),
  z.strictObject({ kind: z.literal('landWire'), wireId: Id, asFound: AsFound.nullable() }),
  z.strictObject({ kind: z.literal('removeWire'), wireId: Id }),
  z.strictObject({ kind: z.literal('stamp'), stamp: NewStamp }),
  z.strictObject({
    kind: z.literal('undoStamp'),
    id: Id,
    reason: z.string().trim().min(1, codeOf('job.say-why-undone')).max(200),
  }),
  z.strictObject({ kind: z.literal('setPlate'), pointId: Id, plate: Card }),
  /** What a parameter is to be by hand, with the reason; null lets it follow from the job again. */
  z.strictObject({
    kind: z.literal('require'),
    itemId: Id,
    key: z.string().regex(/^[\w.-]{1,40}$/),
    override: z
      .object({
        value: z.string().max(60),
        reason: z.string().trim().min(1, codeOf('model.say-why-otherwise')).max(200),
      })
      .nullable(),
  }),
  /** A figure of a part's own datasheet in place of the typical one; null goes back to that. */
  z.strictObject({
    kind: z.literal('setFigure'),
    itemId: Id,
    path: FigurePath,
    figure: NewFigure.nullable(),
  }),
  /** A kind of device or module of one's own, new or in place of the one with its id. */
  z.strictObject({
    kind: z.literal('setOwnKind'),
    collection: z.enum(['ownDevices', 'ownModules']),
    own: OwnKind,
  }),
  z.strictObject({
    kind: z.literal('removeOwnKind'),
    collection: z.enum(['ownDevices', 'ownModules']),
    id: Id,
  }),
  z.strictObject({ kind: z.literal('enter'), entries: z.array(NewEntry).min(1).max(50) }),
  z.strictObject({ kind: z.literal('addDescription'), description: Description }),
  z.strictObject({ kind: z.literal('removeDescription'), id: Id }),
  z.strictObject({ kind: z.literal('setPlan'), plan: BusPlan }),
  z.strictObject({ kind: z.literal('removePlan'), id: Id }),
  /** What is chosen along a point's chain; null takes all of it back. */
  z.strictObject({ kind: z.literal('setScaling'), pointId: Id, scaling: Scaling.nullable() }),
  /** What switches at a point's value; null takes all of it away. */
  z.strictObject({ kind: z.literal('setSwitching'), pointId: Id, switching: Switching.nullable() }),
  z.strictObject({ kind: z.literal('reportFault'), fault: NewFault }),
  /** A photo whose picture came with it: the server takes it only by the way of photos. */
  z.strictObject({ kind: z.literal('addPhoto'), photo: NewPhoto }),
  z.strictObject({ kind: z.literal('wordPhoto'), id: Id, caption: Photo.shape.caption }),
  z.strictObject({
    kind: z.literal('removePhoto'),
    id: Id,
    reason: z.string().trim().min(1, codeOf('model.say-why')).max(200),
  }),
  z.strictObject({ kind: z.literal('calibrate'), calibrations: z.array(NewCalibration).min(1).max(70) }),
  z.strictObject({ kind: z.literal('record'), results: z.array(NewResult).min(1).max(50) }),
] as const;

const SingleChange = z.discriminatedUnion('kind', SINGLE);

/** Everything that can be done to a job. Each is applied whole or refused whole; a batch holds single changes. */
export const Change = z.discriminatedUnion('kind', [
  ...SINGLE,
  z.strictObject({ kind: z.literal('batch'), changes: z.array(SingleChange).min(1).max(400) }),
]);

export type Change = z.infer<typeof Change>;
export type SingleChange = z.infer<typeof SingleChange>;

/** Who makes a change, and when (ISO 8601, UTC). */
export interface Actor {
  readonly by: string;
  readonly at: string;
}

/** Makes trials that are never stored. */
export const NOBODY: Actor = { by: 'Key Post', at: '2000-01-01T00:00:00.000Z' };

/** The single changes of which a change is made. */
export const partsOf = (change: Change): SingleChange[] =>
  change.kind === 'batch' ? change.changes : [change];
