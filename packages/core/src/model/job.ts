import { z } from 'zod';
import { BusPlan } from './busPlan.ts';
import { Calibration, Scaling } from './scaling.ts';
import { Id, Link, Tag, Words } from './words.ts';

/** Conventions for the insulation colours of mains and control conductors. */
export const COLOUR_REGIONS = ['iec', 'north-america', 'japan'] as const;

/** One end of a wire: a terminal of a supply, a module or a device, as `item:terminal`. */
export const TerminalRef = z
  .string()
  .regex(/^[A-Za-z0-9._-]{1,64}:[^:\s]{1,16}$/, 'A terminal is written item:terminal, such as pe-101:BK.');

export const COLOURS = [
  'BN',
  'BU',
  'BK',
  'WH',
  'GY',
  'RD',
  'OG',
  'YE',
  'GN',
  'VT',
  'PK',
  'TQ',
  'GNYE',
] as const;

/** What somebody chose on a part: switches, links and parameters, by their keys. */
export const Settings = z
  .record(z.string().regex(/^[\w.-]{1,40}$/), z.string().max(60))
  .refine((settings) => Object.keys(settings).length <= 120, 'At most 120 settings fit on a part.');

/** What somebody wants of a parameter other than what follows from the job, and why. */
const ByHand = z.record(
  z.string().regex(/^[\w.-]{1,40}$/),
  z.object({ value: Words(60), reason: Words(200).min(1, 'Say why it is to be otherwise.') }),
);

/** `dc` has a plus and a minus, `ac` a line and a neutral, single-phase, in V r.m.s. */
export const SupplyKind = z.enum(['dc', 'ac']);

/** How a branch is fed from another supply: what protects it, and the pair of conductors that lead to it. */
export const Feed = z.object({
  from: Id,
  protection: z.enum(['fuse', 'breaker']),
  lengthM: z.number().positive('A feeder is longer than 0 m.').max(2000, 'At most 2000 m.'),
  mm2: z.number().min(0.05, 'At least 0.05 mm².').max(50, 'At most 50 mm².'),
});

export const Supply = z.object({
  id: Id,
  tag: Tag,
  kind: SupplyKind.default('dc'),
  volts: z
    .number()
    .min(10, 'A supply has at least 10 V.')
    .max(250, 'Key Post works up to 60 V DC and 250 V AC.'),
  tolerancePercent: z.number().min(0, 'A tolerance is 0 % or more.').max(20, 'A tolerance is 20 % or less.'),
  innerOhms: z.number().min(0, 'An inner resistance cannot be negative.').max(10, 'At most 10 Ω.'),
  /** What it can give; of a branch, what its fuse or electronic breaker lets through. */
  limitAmps: z.number().positive('A supply must be able to give current.').max(100, 'At most 100 A.'),
  /** A branch of another supply, of whose kind, volts and tolerance it is. */
  feed: Feed.optional(),
  /** What else hangs on it that the job does not hold. */
  otherAmps: z
    .number()
    .min(0, 'A current of other loads is 0 A or more.')
    .max(100, 'At most 100 A.')
    .optional(),
});

export const Module = z.object({
  id: Id,
  tag: Tag,
  typeId: z.string().min(1),
  firstByte: z.int().min(0, 'The first byte is 0 or more.').max(65535, 'The first byte is 65535 or less.'),
  settings: Settings.optional(),
  byHand: ByHand.optional(),
  /** Where it answers, of a master that can be spoken to. */
  link: Link.optional(),
});

export const OutputKind = z.enum(['pnp', 'npn', 'pushpull', 'contact', 'twowire', 'none']);
export const Logic = z.enum(['no', 'nc', 'light', 'dark', 'none']);

export const Device = z.object({
  id: Id,
  tag: Tag,
  typeId: z.string().min(1),
  output: OutputKind,
  logic: Logic,
  settings: Settings.optional(),
  byHand: ByHand.optional(),
  /** The description file that says what its parameters are. */
  descriptionId: Id.optional(),
});

/** A measuring range in the unit of the value, such as 0 to 6 bar. */
export const Range = z
  .object({ low: z.number(), high: z.number(), unit: Words(12) })
  .refine(({ low, high }) => low !== high, 'A range needs two different ends.');

/** Facts copied from a name-plate as they stand there, such as `3 in`, by their keys. */
export const Plate = z
  .record(z.string().regex(/^[\w.-]{1,40}$/), Words(60))
  .refine((facts) => Object.keys(facts).length <= 40, 'At most 40 facts fit on a name-plate.');

export const Point = z.object({
  id: Id,
  tag: Tag,
  name: Words(60).min(1, 'Say what the point is for, such as Tray at infeed.'),
  deviceId: Id,
  /** Whether the program uses the input as it is or turned. */
  bit: z.enum(['direct', 'inverted']),
  /** Other devices that belong to it: relay, loads, barrier, resistor. */
  helperIds: z.array(Id).max(40).optional(),
  range: Range.optional(),
  plate: Plate.optional(),
  scaling: Scaling.optional(),
});

/** How a wire was found landed where that is not as planned: elsewhere, in another colour, or not there at all. */
export const Landed = z.object({
  from: TerminalRef.optional(),
  to: TerminalRef.optional(),
  colour: z.enum(COLOURS).optional(),
  missing: z.boolean().optional(),
});

export const Wire = z.object({
  id: Id,
  number: Words(12),
  from: TerminalRef,
  to: TerminalRef,
  colour: z.enum(COLOURS),
  /** The cable that it is a core of, and which core. */
  cable: Words(24).optional(),
  core: Words(12).optional(),
  /** Size or colour of its ferrules. */
  ferrule: Words(12).optional(),
  landed: Landed.optional(),
  lengthM: z.number().positive('A wire is longer than 0 m.').max(2000, 'At most 2000 m.'),
  mm2: z.number().min(0.05, 'At least 0.05 mm².').max(50, 'At most 50 mm².'),
});

/** A step that somebody did. Undone with a reason, never removed. */
export const Stamp = z.object({
  id: Id,
  pointId: Id,
  step: z.string().min(1).max(40),
  /** What the step said when it was done; a later change of the wiring opens it again. */
  subject: Words(200),
  by: Words(40).min(1, 'Say who did it.'),
  at: z.iso.datetime(),
  undone: z.object({ by: Words(40), at: z.iso.datetime(), reason: Words(200).min(1, 'Say why.') }).optional(),
});

export const Instrument = z.object({
  name: Words(40).min(1, 'Name the instrument.'),
  /** Accuracy of a reading: percent of it, and a fixed part besides, V where no other unit is told. */
  percent: z.number().min(0, 'An accuracy is 0 % or more.').max(10, 'An accuracy is 10 % or less.'),
  volts: z.number().min(0, 'An accuracy is 0 V or more.').max(5, 'An accuracy is 5 V or less.'),
  unit: Words(12).optional(),
});

/** What was seen or measured at one check of a proof, beside what the circuit predicted. Never overwritten. */
export const Result = z.object({
  id: Id,
  pointId: Id,
  check: z.string().min(1).max(60),
  subject: Words(200),
  expected: z.object({ text: Words(80), min: z.number().optional(), max: z.number().optional() }),
  measured: z.union([z.number(), z.boolean()]),
  pass: z.boolean(),
  difference: z.number(),
  /** Unit of what was measured, where that is not V. */
  unit: Words(12).optional(),
  instrument: Instrument.optional(),
  by: Words(40).min(1, 'Say who measured.'),
  at: z.iso.datetime(),
});

/** Values of a part's parameters as somebody found or left them. Never overwritten; a later one counts. */
export const Entry = z.object({
  id: Id,
  itemId: Id,
  side: z.enum(['found', 'left']),
  /** `read`: the device itself said so. `typed`: somebody looked at its menu or switches. */
  how: z.enum(['typed', 'read']),
  values: Settings,
  by: Words(40).min(1, 'Say who saw it.'),
  at: z.iso.datetime(),
});

/** A device description file of the open format, as it was imported. */
export const Description = z.object({
  id: Id,
  fileName: Words(120).min(1, 'The file has no name.'),
  text: z.string().min(1, 'The file is empty.').max(1_500_000, 'At most 1.5 MB are kept of a description.'),
});

export const MainsHertz = z.union([z.literal(50), z.literal(60)], 'The mains have 50 or 60 Hz.');

/** The lists of rows that a job is made of. */
export const SHELVES = [
  'supplies',
  'modules',
  'devices',
  'points',
  'wires',
  'stamps',
  'results',
  'entries',
  'descriptions',
  'plans',
  'calibrations',
] as const;

export const JobContent = z.object({
  name: Words(60).min(1, 'Give the job a name.'),
  site: Words(60),
  /** Which convention panel wires follow. */
  colours: z.enum(COLOUR_REGIONS).default('iec'),
  /** Mains frequency of the site. */
  mainsHertz: MainsHertz.default(50),
  supplies: z.array(Supply).min(1, 'A job needs a supply.').max(20),
  modules: z.array(Module).max(500),
  devices: z.array(Device).max(5000),
  points: z.array(Point).max(5000),
  wires: z.array(Wire).max(40000),
  stamps: z.array(Stamp).max(100000),
  results: z.array(Result).max(100000),
  entries: z.array(Entry).max(100000).default([]),
  descriptions: z.array(Description).max(60).default([]),
  plans: z.array(BusPlan).max(60).default([]),
  calibrations: z.array(Calibration).max(100000).default([]),
});

export type Landed = z.infer<typeof Landed>;
export type ColourRegion = (typeof COLOUR_REGIONS)[number];
export type Settings = z.infer<typeof Settings>;
export type Range = z.infer<typeof Range>;
export type Feed = z.infer<typeof Feed>;
export type Supply = z.infer<typeof Supply>;
export type Module = z.infer<typeof Module>;
export type Device = z.infer<typeof Device>;
export type Point = z.infer<typeof Point>;
export type Wire = z.infer<typeof Wire>;
export type Stamp = z.infer<typeof Stamp>;
export type Result = z.infer<typeof Result>;
export type Entry = z.infer<typeof Entry>;
export type Description = z.infer<typeof Description>;
type ByHand = z.infer<typeof ByHand>;
export type Plate = z.infer<typeof Plate>;
export type MainsHertz = z.infer<typeof MainsHertz>;
export type Instrument = z.infer<typeof Instrument>;
/** All that a job holds; its own id and revision belong to whoever stores it. */
export type JobContent = z.infer<typeof JobContent>;
export type OutputKind = z.infer<typeof OutputKind>;
export type Logic = z.infer<typeof Logic>;
export type WireColour = (typeof COLOURS)[number];

/** The two halves of a terminal reference. */
export function splitRef(ref: string): { item: string; terminal: string } {
  const at = ref.indexOf(':');
  return { item: ref.slice(0, at), terminal: ref.slice(at + 1) };
}
