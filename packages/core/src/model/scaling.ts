import { codeOf } from '../messages/index.ts';
import { z } from 'zod';
import { Id, ShortText, Quantity } from './words.ts';

const percent = (max: number) =>
  z.number().min(0, codeOf('model.share-0-more')).max(max, codeOf('model.at-most'));

/** A pair of a calibration table: the signal at the sensor's wires, and the value that it stands for. */
export const TablePoint = z.strictObject({ in: Quantity, out: Quantity });

/** At most so many points fit into a table. */
export const MAX_TABLE_POINTS = 64;

/** How a converter writes what it measures as a number. */
export const RawFormat = z
  .object({
    id: z.string().regex(/^[\w.-]{1,24}$/),
    name: ShortText(40).min(1, codeOf('model.give-format-name')),
    /** `share`: counts stand for a share of the range; `unit`: so many counts for each unit of the value. */
    kind: z.enum(['share', 'unit']),
    low: z.int(codeOf('model.counts-whole-numbers')),
    high: z.int(codeOf('model.counts-whole-numbers')),
    /** Counts at which the converter stops. */
    min: z.int(codeOf('model.counts-whole-numbers')),
    max: z.int(codeOf('model.counts-whole-numbers')),
    /** Counts from one value to the next, of converters that do not use every count. */
    step: z.int().min(1, codeOf('model.step-1-count-more')).default(1),
    /** Whether the range lies on both sides of zero: `low` stands for its negative end. */
    bothSides: z.boolean().default(false),
  })
  .refine(({ low, high }) => low < high, codeOf('model.counts-top-more-those'))
  .refine(({ low, min }) => min <= low, codeOf('model.converter-must-reach-counts'))
  .refine(({ high, max }) => max >= high, codeOf('model.converter-must-reach-counts-top'))
  .refine(({ min, max }) => max - min <= 2 ** 24, codeOf('model.most-24-bits-worked'));

/** Where a signal is no measurement any more, in its own unit; and what the controller does then. */
export const Bands = z
  .object({
    /**
     * At or below the one and at or above the other something is wrong with the wire: of currents and voltages low is a
     * break and high a short, of resistances and thermocouples the other way round.
     */
    lowFault: Quantity,
    highFault: Quantity,
    /** Below and above it the value is outside its range. */
    underAt: Quantity,
    overAt: Quantity,
    /** So long it must last before it counts, s. */
    delay: z.number().min(0, codeOf('model.delay-0-s-more')).max(3600, codeOf('model.most-hour')),
    reaction: z.enum(['hold', 'substitute', 'fail']),
    substitute: Quantity.optional(),
  })
  .refine(
    ({ lowFault, underAt, overAt, highFault }) =>
      lowFault <= underAt && underAt < overAt && overAt <= highFault,
    codeOf('model.low-high-limits-stand'),
  )
  .refine(
    ({ reaction, substitute }) => reaction !== 'substitute' || substitute !== undefined,
    codeOf('model.say-which-value-put'),
  );

const SensorShape = z.enum(['linear', 'square', 'table']);
const ControllerShape = z.enum(['linear', 'root', 'table']);
export const SensorClass = z.enum(['AA', 'A', 'B', 'C', 'Ni', '1', '2', '3']);

/** A number by which a value is multiplied on its way, such as the lines of a rope. */
const Multiplier = z
  .number()
  .positive(codeOf('model.multiplier-above-0'))
  .max(1e6, codeOf('model.multiplier-most-1000000'));

/** The screen that an operator reads. */
export const Display = z
  .object({
    label: ShortText(24).min(1, codeOf('model.name-screen')),
    unit: ShortText(12),
    /** What the controller's value at both ends of its range stands for there. */
    low: Quantity,
    high: Quantity,
    decimals: z.int().min(0).max(6, codeOf('model.most-6-decimal-places')),
    /** Below this share of the top it shows zero. */
    cutoffPercent: percent(100).default(0),
  })
  .refine(({ low, high }) => low !== high, codeOf('model.screen-span-needs-two'));

const rawEnds = {
  low: z.int(codeOf('model.raw-whole-number')),
  high: z.int(codeOf('model.raw-whole-number')),
};

/** What is chosen of a value that arrives as data: which it is, its line where no file tells it, what it stands for. */
const DataChoice = z.strictObject({
  /** Name of the item in the process data, or id of the value in the register map. */
  item: ShortText(64).optional(),
  /** Value = raw × gradient + offset, as the leaflet says it. */
  line: z
    .object({
      gradient: Quantity.refine((gradient) => gradient !== 0, codeOf('model.scale-0-makes-every')),
      offset: Quantity,
      unit: ShortText(12),
    })
    .optional(),
  /** Raw numbers between which it measures. */
  raw: z
    .object(rawEnds)
    .refine(({ low, high }) => low < high, codeOf('model.raw-top-above-bottom'))
    .optional(),
  /** What it stands for: two of its values, and the wanted value at each, such as a level for a distance. */
  stands: z
    .object({ at: Quantity, low: Quantity, atOther: Quantity, high: Quantity, unit: ShortText(12) })
    .refine(({ at, atOther }) => at !== atOther, codeOf('model.range-needs-two-different'))
    .refine(({ low, high }) => low !== high, codeOf('model.range-needs-two-different'))
    .optional(),
  /** What the program was told, where somebody looked: two raw numbers and what it makes of them. */
  program: z
    .object({ rawLow: z.int(), rawHigh: z.int(), low: Quantity, high: Quantity })
    .refine(({ rawLow, rawHigh }) => rawLow !== rawHigh, codeOf('model.range-needs-two-different'))
    .refine(({ low, high }) => low !== high, codeOf('model.range-needs-two-different'))
    .optional(),
});

/** What is chosen along the chain of a point beyond what its parts and their parameters say. */
export const Scaling = z.strictObject({
  sensor: z
    .object({
      shape: SensorShape.default('linear'),
      /** Accuracy, % of span; of elements and couples the class says it. */
      percent: percent(50).optional(),
      class: SensorClass.optional(),
      /** How many times the sensor's own value the wanted one is: lines of a rope, a ratio. */
      multiplier: Multiplier.default(1),
    })
    .prefault({}),
  converter: z
    .object({
      formatId: z.string().max(24).optional(),
      own: RawFormat.optional(),
      /** Whether the counts at the bottom stand for the live zero, or for no signal at all. */
      zero: z.enum(['removed', 'included']).default('removed'),
      percent: percent(10).default(0.1),
      updateMs: z.number().positive(codeOf('model.update-takes-more-0')).max(60000).optional(),
      filterMs: z.number().min(0, codeOf('model.filter-takes-0-ms')).max(600000).optional(),
      /** Error of the cold junction's temperature, K; thermocouples only. */
      coldKelvin: z.number().min(0).max(20).default(0.5),
    })
    .prefault({}),
  controller: z
    .object({
      shape: ControllerShape.default('linear'),
      /** Below this share of its range a root gives zero. */
      cutPercent: percent(20).default(0),
      multiplier: Multiplier.default(1),
    })
    .prefault({}),
  bands: Bands.optional(),
  display: Display.optional(),
  data: DataChoice.optional(),
});

const Reading = z.strictObject({
  /** Share of the range at which it was done, %. */
  share: Quantity,
  injected: Quantity,
  read: Quantity,
});

/** The source or gauge against which a calibration is made: % of its reading, and a fixed part in its unit. */
export const Reference = z.strictObject({
  name: ShortText(40).min(1, codeOf('model.name-reference')),
  percent: z.number().min(0, codeOf('model.accuracy-0-more')).max(10, codeOf('model.accuracy-10-less')),
  fixed: z.number().min(0, codeOf('model.accuracy-0-more-2')),
});

const Unit = ShortText(12);
const Note = ShortText(200);

/** What was calibrated at a point. Each is kept; none is overwritten. */
export const CalibrationBody = z.discriminatedUnion('kind', [
  /** A table as the workshop measured it. */
  z.strictObject({
    kind: z.literal('workshop'),
    unitIn: Unit,
    unitOut: Unit,
    points: z
      .array(TablePoint)
      .min(2, codeOf('scaling.table-needs-two-points'))
      .max(MAX_TABLE_POINTS, codeOf('model.most-points-fit-into')),
    note: Note,
  }),
  /** One pair from a known load in the field. */
  z.strictObject({
    kind: z.literal('field'),
    unitIn: Unit,
    unitOut: Unit,
    in: Quantity,
    out: Quantity,
    note: Note,
  }),
  /** A field point or table that does not count any more, and why. */
  z.strictObject({
    kind: z.literal('void'),
    of: Id,
    reason: ShortText(200).min(1, codeOf('model.say-why-does-count')),
  }),
  z.strictObject({ kind: z.literal('inForce'), table: z.enum(['none', 'workshop', 'field']), note: Note }),
  /** A transmitter checked against a reference. */
  z.strictObject({
    kind: z.literal('transmitter'),
    side: z.enum(['found', 'left']),
    injects: z.strictObject({ low: Quantity, high: Quantity, unit: Unit }),
    gives: z.strictObject({ low: Quantity, high: Quantity, unit: Unit }),
    readings: z.array(Reading).min(2, codeOf('model.two-readings-least')).max(40),
    limitPercent: z.number().positive(codeOf('model.limit-above-0')).max(20, codeOf('model.most-20')),
    reference: Reference,
    /** Output with its sensor opened, and which way it was to go. */
    burnout: z.strictObject({ wanted: z.enum(['low', 'high']), read: Quantity }).optional(),
    /** Largest error, % of span. */
    worstPercent: Quantity,
    pass: z.boolean(),
  }),
  /** Two displays made to agree. */
  z.strictObject({
    kind: z.literal('displays'),
    unit: Unit,
    pairs: z
      .array(z.strictObject({ first: Quantity, second: Quantity }))
      .min(1)
      .max(40),
    was: z.strictObject({ low: Quantity, high: Quantity }),
    becomes: z.strictObject({ low: Quantity, high: Quantity }),
    remains: Quantity,
  }),
  /** Raw numbers beside what a tape or gauge measured: whether they lie on the line that is stated. */
  z.strictObject({
    kind: z.literal('line'),
    unit: Unit,
    pairs: z
      .array(z.strictObject({ raw: Quantity, measured: Quantity }))
      .min(2, codeOf('model.two-readings-least'))
      .max(20),
    stated: z.strictObject({ gradient: Quantity, offset: Quantity }),
    found: z.strictObject({ gradient: Quantity, offset: Quantity }),
    allowed: z.number().positive(codeOf('model.limit-above-0')),
    worst: Quantity,
    pass: z.boolean(),
  }),
  /** What a device was taught from, and what came of it; nothing where it was not to be taught. */
  z.strictObject({
    kind: z.literal('taught'),
    how: z.enum(['margin', 'two', 'window', 'flow', 'cycle', 'zero', 'sensitivity']),
    unit: Unit,
    /** Of a sensitivity: where the object is lost, and after it where the background is seen. */
    readings: z.array(Quantity).min(1).max(400),
    second: z.array(Quantity).max(400).optional(),
    /** Between two readings, s; nothing of what an adjuster was turned to. */
    period: z.number().positive().optional(),
    /** Full scale of the adjuster that was turned. */
    scale: z.number().positive().optional(),
    ok: z.boolean(),
    /** On and off again, both ends of a window or range, the zero, or what the adjuster is set to. */
    gives: z.array(Quantity).max(2),
    /** How far apart it is, and how far at least it has to be. */
    distance: Quantity,
    least: Quantity,
    conditions: ShortText(200),
  }),
  /** A result of the tool drawer that was sent here. */
  z.strictObject({
    kind: z.literal('note'),
    tool: z.string().max(24),
    title: ShortText(80),
    text: ShortText(1000),
  }),
]);

export const Calibration = z.strictObject({
  id: Id,
  pointId: Id,
  body: CalibrationBody,
  by: ShortText(40).min(1, codeOf('model.say-who-did')),
  at: z.iso.datetime(),
});

export type TablePoint = z.infer<typeof TablePoint>;
export type RawFormat = z.infer<typeof RawFormat>;
export type Bands = z.infer<typeof Bands>;
type SensorShape = z.infer<typeof SensorShape>;
type ControllerShape = z.infer<typeof ControllerShape>;
export type SensorClass = z.infer<typeof SensorClass>;
export type Display = z.infer<typeof Display>;
export type DataChoice = z.infer<typeof DataChoice>;
export type Scaling = z.infer<typeof Scaling>;
export type Reference = z.infer<typeof Reference>;
export type CalibrationBody = z.infer<typeof CalibrationBody>;
export type Calibration = z.infer<typeof Calibration>;
export type CalibrationOf<K extends CalibrationBody['kind']> = Extract<CalibrationBody, { kind: K }>;
