import { codeOf } from '../../messages/index.ts';
import { z } from 'zod';
import { Logic, OutputKind } from '../../model/index.ts';
import { BehaviourOf } from '../behaviours/behaviourSchema.ts';
import { Name, Node } from './names.ts';
import { SIGNAL_KINDS } from '../signals.ts';
import { Figure } from './figureSchema.ts';
import { FINDING } from './finding.ts';
import { HandlingSchema, ParameterSchema, SettingSchema } from './parameterSchema.ts';
import { Cautions, FaceRow, Indicator, PartTerminal } from './terminals.ts';

const Id = z.string().regex(/^[a-z0-9][a-z0-9._-]{0,47}$/, codeOf('model.id-1-48-small'));

/**
 * What drives an output: a target that comes and goes, a value that moves, a guard, the program (of a load: then it is
 * its input), a fieldbus, pulses, or another output whose opposite it is.
 */
const DRIVERS = ['target', 'value', 'guard', 'command', 'communication', 'pulses', 'complement'] as const;

/** What kind of port an output belongs on. */
const LANDS_ON = [
  'switched',
  'signal',
  'resistance',
  'ratio',
  'thermocouple',
  'pulses',
  'guard',
  'io-link',
  'serial',
  'ethernet',
  'load',
  'none',
] as const;

const ELEMENT_ROLES = ['element', 'sense', 'senseReturn', 'elementReturn'] as const;

/** The rules of landing, each a sentence of the message catalog. */
const LANDING_RULES = [
  'by-kind',
  'guard',
  'trip',
  'loop',
  'signal',
  'resistance',
  'thermocouple',
  'pulse',
  'pair',
  'namur',
  'io-link',
  'serial',
  'ethernet',
  'load',
] as const;

/** One of the signals of a device; a point of a job is about one of them. */
export const OutputDescription = z.strictObject({
  id: Name,
  label: z.string().min(1).max(40),
  drivenBy: z.enum(DRIVERS),
  /** The output whose opposite it is. */
  of: Name.optional(),
  /** Share of the range above which it is on, of an output that a value drives. */
  switchesAt: z.number().min(0).max(1).optional(),
  /** Its own leads; what is not among those of any output is common to all. */
  terminals: z.array(Node).min(1).max(12),
  kinds: z.array(OutputKind).min(1),
  logics: z.array(Logic).min(1),
  /** Whether it sees light while the target is present; photoelectric outputs only. */
  lightWithTarget: z.boolean().optional(),
  landsOn: z.enum(LANDS_ON),
  rule: z.enum(LANDING_RULES),
  /** Element whose state is that of the output, and those that carry its load. */
  element: Name.optional(),
  carries: z.array(Name).max(8).optional(),
  /** Indicator of its own state. */
  indicator: Name.optional(),
  /** Most current that it carries. */
  rated: Figure.optional(),
  /** Least volts and amperes that keep its contact clean. */
  wetting: z.strictObject({ volts: Figure, amps: Figure }).optional(),
  /** The analog signal that a load shows. */
  signal: z.enum(SIGNAL_KINDS).optional(),
  /** Where the leads of a meter go that reads it across itself. */
  across: z.tuple([Node, Node]).optional(),
  /** The two ends of its stimulus in words, and what the stimulus is. */
  words: z.strictObject({ present: z.string().max(40), away: z.string().max(40) }),
  stimulus: z.string().max(120),
  /** Elements that must be on: always, only in the first and only in the last state of its stimulus. */
  expects: z
    .strictObject({
      always: z.array(Name).optional(),
      away: z.array(Name).optional(),
      present: z.array(Name).optional(),
    })
    .optional(),
  /** Its loop carries digital communication and needs so much resistance. */
  digitalOhms: Figure.optional(),
  /** A supply of its own stage, besides that of the electronics. */
  stage: z.strictObject({ plus: Node, minus: Node, minimum: Figure }).optional(),
  /** It pulls one way only; something else must pull the other way. */
  passive: z.boolean().optional(),
  /** It belongs on an amplifier, not on an input. */
  needsAmplifier: z.boolean().optional(),
  /** Its lead meets power on a port of this class. */
  fightsClass: z.enum(['A', 'B']).optional(),
});
export type OutputDescription = z.infer<typeof OutputDescription>;

/**
 * What a device is, as data: its terminals, supply, outputs, electrical behaviours with their figures, settings,
 * parameters, indicators and face. Holds nothing that runs.
 */
export const DeviceDescription = z.strictObject({
  id: Id,
  name: z.string().min(1).max(100),
  /** What it is in two words, as on its plate in the drawing: `inductive`. */
  title: z.string().min(1).max(40),
  /** Under which heading it is chosen. */
  group: z.string().min(1).max(40),
  ...FINDING,
  /** Whether it is added to a point as a further part, rather than being one. */
  part: z.boolean().optional(),
  terminals: z.array(PartTerminal).min(1).max(80),
  /** Its supply: between which terminals, and what it is made for. */
  supply: z.strictObject({ plus: Node, minus: Node, volts: Figure }).optional(),
  /** It switches mains rather than a control supply. */
  mains: z.boolean().optional(),
  /** Its own electronics are fed with mains: plus is the line, minus the neutral. */
  fed: z.literal('ac').optional(),
  outputs: z.array(OutputDescription).max(12),
  behaviours: z.array(BehaviourOf).max(80),
  settings: z.array(SettingSchema).max(40).optional(),
  parameters: z.array(ParameterSchema).max(80).optional(),
  handling: HandlingSchema.optional(),
  indicators: z.array(Indicator).max(20).optional(),
  face: z.array(FaceRow).max(24).optional(),
  cautions: Cautions.optional(),
  /** What its relay contacts may carry. */
  contacts: z
    .strictObject({
      poles: z.int().min(1).max(8),
      amps: Figure,
      inrush: Figure,
      maxVolts: Figure,
      minVolts: Figure,
      minAmps: Figure,
    })
    .optional(),
  /** Said wherever it is shown: a check of wiring and function only. */
  safety: z.boolean().optional(),
  /** It is one of a chain whose switches hang on how many there are. */
  chain: z
    .strictObject({
      address: Name,
      last: Name,
      /** Pairs of terminals between which a coil sensor belongs, each with the element that stands there inside. */
      coils: z
        .array(z.strictObject({ a: Name, b: Name, inside: Name }))
        .max(12)
        .optional(),
    })
    .optional(),
  /** The side of a transmitter on which its element is: where each lead goes, and the setting that says how many are used. */
  elementSide: z
    .strictObject({ leads: Name, roles: z.partialRecord(z.enum(ELEMENT_ROLES), Node) })
    .optional(),
  /** Its sensitivity is set between what is seen and what is behind it. */
  sensitivity: z.boolean().optional(),
  /** It stands between others and does as they do; its wires may share a terminal. */
  inline: z.boolean().optional(),
  /**
   * It protects or takes off the line from `a` to `b`: by which settings its rating and characteristic are told; an RCD by
   * the residual current at which it trips. RCD and isolator protect no conductor.
   */
  protects: z
    .strictObject({
      a: Node,
      b: Node,
      kind: z.enum(['fuse', 'mcb', 'electronic', 'rcd', 'isolator']),
      rating: Name.optional(),
      characteristic: Name.optional(),
      milliamps: z.number().positive().optional(),
    })
    .optional(),
  /** The detector that sees the energy by which it moves or heats something: a safety function takes that away. */
  moves: Name.optional(),
  /** A button that somebody presses: the name to force. */
  button: Name.optional(),
  /** A contactor: the name to force where its contacts weld. */
  welds: Name.optional(),
  /** Ends of its mirror contact, which a feedback goes through. */
  mirror: z.tuple([Node, Node]).optional(),
  /** An amplifier for NAMUR sensors: the elements that say its supply, a whole line, and a short. */
  amplifier: z.strictObject({ fed: Name, whole: Name, shorted: Name, plus: Node, minus: Node }).optional(),
  /** Terminals of a stack light's tiers, from the lowest, and the setting of its common. */
  tiers: z.strictObject({ terminals: z.array(Node).min(1).max(8), common: Node, setting: Name }).optional(),
});
export type DeviceDescription = z.infer<typeof DeviceDescription>;
