import { nth } from '../lists/index.ts';
import { codeOf } from '../messages/index.ts';
import { canBe } from '../units/index.ts';
import { z } from 'zod';
import { Scaling } from './scaling.ts';
import { Switching } from './switching.ts';
import { Id, Link, Tag, ShortText, Quantity } from './words.ts';
import { LOGICS, OUTPUT_KINDS } from './outputNames.ts';

/** Conventions for the insulation colours of mains and control conductors. */
export const COLOUR_REGIONS = ['iec', 'north-america', 'japan'] as const;

/** One end of a wire: a terminal of a supply, a module or a device, as `item:terminal`. */
export const TerminalRef = z
  .string()
  .regex(/^[A-Za-z0-9._-]{1,64}:[^:\s]{1,16}$/, codeOf('model.terminal-written-item-terminal'));

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
  .refine((settings) => Object.keys(settings).length <= 120, codeOf('model.most-120-settings-fit'));

/** What somebody wants of a parameter other than what follows from the job, and why. */
const Overrides = z.record(
  z.string().regex(/^[\w.-]{1,40}$/),
  z.strictObject({ value: ShortText(60), reason: ShortText(200).min(1, codeOf('model.say-why-otherwise')) }),
);

/** `dc` has a plus and a minus, `ac` a line and a neutral, single-phase, in V r.m.s. */
export const SupplyKind = z.enum(['dc', 'ac']);

/** What protects a branch: a fuse, an electronic breaker, a miniature circuit breaker by its characteristic. */
const PROTECTIONS = ['fuse', 'breaker', 'mcb-b', 'mcb-c', 'mcb-d'] as const;

/** How a branch is fed from another supply: what protects it, and the pair of conductors that lead to it. */
export const Feed = z.strictObject({
  from: Id,
  protection: z.enum(PROTECTIONS),
  lengthM: z.number().positive(codeOf('model.feeder-longer-0-m')).max(2000, codeOf('model.most-2000-m')),
  mm2: z.number().min(0.05, codeOf('model.least-0-05-mm')).max(50, codeOf('model.most-50-mm')),
});

export const Supply = z.strictObject({
  id: Id,
  tag: Tag,
  kind: SupplyKind.default('dc'),
  volts: z.number().min(10, codeOf('model.supply-least-10-v')).max(250, codeOf('model.key-post-works-up')),
  tolerancePercent: z
    .number()
    .min(0, codeOf('model.tolerance-0-more'))
    .max(20, codeOf('model.tolerance-20-less')),
  internalOhms: z.number().min(0, codeOf('model.inner-resistance-negative')).max(10, codeOf('model.most-10')),
  /** What it can give; of a branch, what its fuse or electronic breaker lets through. */
  limitAmps: z.number().positive(codeOf('model.supply-must-able-give')).max(100, codeOf('model.most-100')),
  /** A branch of another supply, of whose kind, volts and tolerance it is. */
  feed: Feed.optional(),
  /** What else hangs on it that the job does not hold. */
  otherAmps: z
    .number()
    .min(0, codeOf('model.current-other-loads-0'))
    .max(100, codeOf('model.most-100'))
    .optional(),
});

/** A figure of a part's own datasheet or name-plate, in place of what is typical of its kind: from what, by whom, when. */
export const OwnFigure = z
  .object({
    min: Quantity.optional(),
    nominal: Quantity.optional(),
    max: Quantity.optional(),
    unit: ShortText(12),
    from: ShortText(80).min(1, codeOf('model.say-where-figure-such')),
    by: ShortText(40).min(1, codeOf('model.say-who-read')),
    at: z.iso.datetime(),
  })
  .refine(
    ({ min, nominal, max }) => min !== undefined || nominal !== undefined || max !== undefined,
    codeOf('model.enter-minimum-nominal-value'),
  )
  .refine(({ min, nominal, max }) => {
    const given = [min, nominal, max].filter((value) => value !== undefined);
    return given.every((value, i) => i === 0 || value >= nth(given, i - 1));
  }, codeOf('model.minimum-over-nominal-maximum'));

/** Own figures by the path at which they stand in the part's description, such as `behaviours.output.drop`. */
export const FigurePath = z.string().regex(/^[\w.-]{1,120}$/);
const Figures = z
  .record(FigurePath, OwnFigure)
  .refine((figures) => Object.keys(figures).length <= 60, codeOf('model.most-60-figures-fit'));

export const Module = z.strictObject({
  id: Id,
  tag: Tag,
  typeId: z.string().min(1),
  firstByte: z
    .int()
    .min(0, codeOf('model.first-byte-0-more'))
    .max(65535, codeOf('model.first-byte-65535-less')),
  settings: Settings.optional(),
  override: Overrides.optional(),
  figures: Figures.optional(),
  /** Where it answers, of a master that can be spoken to. */
  link: Link.optional(),
});

export const OutputKind = z.enum(OUTPUT_KINDS);
export const Logic = z.enum(LOGICS);

/** How the outputs of a device were chosen, by their ids; the first that its description offers where nothing is said. */
const Outputs = z
  .record(z.string().min(1).max(40), z.strictObject({ kind: OutputKind, logic: Logic }))
  .refine((outputs) => Object.keys(outputs).length <= 12, codeOf('model.device-most-12-outputs'));

export const Device = z.strictObject({
  id: Id,
  tag: Tag,
  typeId: z.string().min(1),
  outputs: Outputs.optional(),
  settings: Settings.optional(),
  override: Overrides.optional(),
  figures: Figures.optional(),
  /** The description file that says what its parameters are. */
  descriptionId: Id.optional(),
});

/** A measuring range in the unit of the value, such as 0 to 6 bar. */
export const Range = z
  .object({ low: Quantity, high: Quantity, unit: ShortText(12) })
  .refine(({ low, high }) => low !== high, codeOf('model.range-needs-two-different'))
  .refine(({ low, high, unit }) => canBe(low, unit) && canBe(high, unit), {
    error: codeOf('model.range-below-absolute-zero'),
    path: ['low'],
  });

/** Facts copied from a name-plate as they stand there, such as `3 in`, by their keys. */
export const Card = z
  .record(z.string().regex(/^[\w.-]{1,40}$/), ShortText(60))
  .refine((facts) => Object.keys(facts).length <= 40, codeOf('model.most-40-facts-fit'));

/** A part of the plant by its name. */
export const Area = ShortText(40).min(1, codeOf('model.name-area'));

/** Seconds that a program waits. */
const Wait = z
  .number()
  .min(0, codeOf('model.wait-not-negative'))
  .max(86_400, codeOf('model.wait-most-a-day'));

/**
 * What the program makes of inputs to switch an output: all of them or any, each as it is or turned; held from then on
 * until another comes, on and off later.
 */
export const Program = z.strictObject({
  how: z.enum(['all', 'any']),
  of: z
    .array(z.strictObject({ pointId: Id, turned: z.boolean().optional() }))
    .min(1, codeOf('model.program-needs-input'))
    .max(8, codeOf('model.program-most-inputs')),
  /** The input that ends what is held. */
  until: Id.optional(),
  onDelay: Wait.optional(),
  offDelay: Wait.optional(),
});

export const Point = z.strictObject({
  id: Id,
  tag: Tag,
  name: ShortText(60).min(1, codeOf('model.say-what-point-such')),
  deviceId: Id,
  /** The output of the device that it is about; its first where nothing is said. */
  outputId: z.string().min(1).max(40).optional(),
  /** Whether the program uses the input as it is or turned. */
  bit: z.enum(['direct', 'inverted']),
  /** Where in the plant it is, such as a hall or a machine. */
  area: Area.optional(),
  /** Other devices that belong to it: relay, loads, barrier, resistor. */
  helperIds: z.array(Id).max(40).optional(),
  /** Contactors, valves and drives that a safety function stops, besides those that its own wires lead to. */
  stops: z.array(Id).max(20).optional(),
  /** What switches it, of an output. */
  program: Program.optional(),
  range: Range.optional(),
  plate: Card.optional(),
  scaling: Scaling.optional(),
  switching: Switching.optional(),
});

/** How a wire was found where that is not as planned: elsewhere, in another colour, or not there at all. */
export const AsFound = z.strictObject({
  from: TerminalRef.optional(),
  to: TerminalRef.optional(),
  colour: z.enum(COLOURS).optional(),
  missing: z.boolean().optional(),
});

export const Wire = z.strictObject({
  id: Id,
  number: ShortText(12),
  from: TerminalRef,
  to: TerminalRef,
  colour: z.enum(COLOURS),
  /** The cable that it is a core of, and which core. */
  cable: ShortText(24).optional(),
  core: ShortText(12).optional(),
  /** Size or colour of its ferrules. */
  ferrule: ShortText(12).optional(),
  asFound: AsFound.optional(),
  lengthM: z.number().positive(codeOf('model.wire-longer-0-m')).max(2000, codeOf('model.most-2000-m')),
  mm2: z.number().min(0.05, codeOf('model.least-0-05-mm')).max(50, codeOf('model.most-50-mm')),
});

/**
 * What a step or a result was about: each part of the job that it rests on, with a hash of how that stood. A part that
 * stands otherwise now opens it again.
 */
export const Fingerprint = z
  .record(z.string().min(1).max(140), z.string().max(16))
  .refine((parts) => Object.keys(parts).length <= 400, codeOf('model.most-400-parts-fit'));

/** A step that somebody did. Undone with a reason, never removed. */
export const Stamp = z.strictObject({
  id: Id,
  pointId: Id,
  step: z.string().min(1).max(100),
  fingerprint: Fingerprint,
  /** What was found while it was done, by name, where a step asks for numbers. */
  values: z.record(z.string().max(40), Quantity).optional(),
  by: ShortText(40).min(1, codeOf('model.say-who-did')),
  at: z.iso.datetime(),
  undone: z
    .object({
      by: ShortText(40),
      at: z.iso.datetime(),
      reason: ShortText(200).min(1, codeOf('model.say-why')),
    })
    .optional(),
});

export const Instrument = z.strictObject({
  name: ShortText(40).min(1, codeOf('model.name-instrument')),
  /** Accuracy of a reading: percent of it, and a fixed part besides, V where no other unit is told. */
  percent: z.number().min(0, codeOf('model.accuracy-0-more')).max(10, codeOf('model.accuracy-10-less')),
  fixed: z.number().min(0, codeOf('model.accuracy-0-more-2')).max(5, codeOf('model.accuracy-5-less')),
  unit: ShortText(12).optional(),
});

/** What was seen or measured at one check of a proof, beside what the circuit predicted. Never overwritten. */
export const Result = z.strictObject({
  id: Id,
  pointId: Id,
  check: z.string().min(1).max(120),
  fingerprint: Fingerprint,
  /** Limits of a value, or what was to be seen. */
  expected: z.union([
    z.strictObject({ min: Quantity, max: Quantity }),
    z.strictObject({ seen: z.boolean() }),
  ]),
  measured: z.union([Quantity, z.boolean()]),
  pass: z.boolean(),
  difference: Quantity,
  /** Unit of what was measured, where that is not V. */
  unit: ShortText(12).optional(),
  instrument: Instrument.optional(),
  by: ShortText(40).min(1, codeOf('model.say-who-measured')),
  at: z.iso.datetime(),
});

/** Values of a part's parameters as somebody found or left them. Never overwritten; a later one counts. */
export const Entry = z.strictObject({
  id: Id,
  itemId: Id,
  side: z.enum(['found', 'left']),
  /** `read`: the device itself said so. `typed`: somebody looked at its menu or switches. */
  how: z.enum(['typed', 'read']),
  values: Settings,
  by: ShortText(40).min(1, codeOf('model.say-who-saw')),
  at: z.iso.datetime(),
});

/** A device description file of the open format, as it was imported. */
export const Description = z.strictObject({
  id: Id,
  fileName: ShortText(120).min(1, codeOf('model.file-name')),
  text: z.string().min(1, codeOf('model.file-empty')).max(1_500_000, codeOf('model.most-1-5-mb')),
});

/** A kind of device or module of one's own: its description in the open format, kept in the job. */
export const OwnKind = z.strictObject({ id: Id, description: z.record(z.string(), z.unknown()) });

export const MainsHertz = z.union([z.literal(50), z.literal(60)], codeOf('model.mains-50-60-hz'));

export type AsFound = z.infer<typeof AsFound>;
export type OwnFigure = z.infer<typeof OwnFigure>;
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
export type OwnKind = z.infer<typeof OwnKind>;
export type Fingerprint = z.infer<typeof Fingerprint>;
type Overrides = z.infer<typeof Overrides>;
export type Card = z.infer<typeof Card>;
export type MainsHertz = z.infer<typeof MainsHertz>;
export type Instrument = z.infer<typeof Instrument>;
export type OutputKind = z.infer<typeof OutputKind>;
export type Logic = z.infer<typeof Logic>;
export type Program = z.infer<typeof Program>;
export type WireColour = (typeof COLOURS)[number];
