import { z } from 'zod';
import { Quantity } from '../../model/index.ts';
import { BehaviourOf } from '../behaviours/behaviourSchema.ts';
import { Name, Node } from './names.ts';
import { Figure } from './figureSchema.ts';
import { FINDING } from './finding.ts';
import { ParameterSchema, SettingSchema } from './parameterSchema.ts';
import { Cautions, FaceRow, Indicator, PartTerminal, TERMINAL_ROLES } from './terminals.ts';

const Id = z
  .string()
  .regex(/^[a-z0-9][a-z0-9._-]{0,47}$/, 'An id has 1 to 48 small letters, digits, points and dashes.');

const sense = z.enum(['sink', 'source', 'both']);
const counter = z.strictObject({ minPulse: z.number().positive(), maxHertz: z.number().positive() });

/** What a port becomes while a setting stands at one of its choices. */
const Case = z.strictObject({
  setting: Name,
  is: z.string().max(60),
  set: z.strictObject({ sense: sense.optional(), common: Node.optional(), counter: counter.optional() }),
});

const base = {
  /** It is such a port only while a setting of its module stands at one of these; the channel may be another one else. */
  when: z.strictObject({ setting: Name, is: z.array(z.string().max(60)).min(1).max(8) }).optional(),
  channel: z.int().min(0).max(1023),
  /** Its name in words of the trade, such as `channel 3` or `analog input 1`. */
  label: z.string().min(1).max(60),
  /** Name of its element in the module's circuit. */
  name: Name,
  terminal: Node,
  /** The terminal, or node inside, against which it works. */
  common: Node,
  /** Where its common is inside the module: the sense of a rail, and its volts. */
  inside: z.strictObject({ rail: z.enum(['+', '-']), volts: Quantity }).optional(),
  /** What each lead of a device wants here. */
  roles: z.partialRecord(z.enum(TERMINAL_ROLES), Node),
  /** Elements that are drawn for it besides its own. */
  draws: z.array(Name).max(8).optional(),
  cases: z.array(Case).max(8).optional(),
};

export const PortDescription = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('digital'),
    /** The behaviour that senses here. */
    input: Name,
    sense,
    iecType: z.int().min(1).max(3).optional(),
    /** Volts r.m.s. of an input for alternating current; nothing of one for direct current. */
    acVolts: z.number().positive().optional(),
    counter: counter.optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('analog'),
    input: Name,
    measures: z.enum(['signal', 'resistance', 'thermocouple', 'ratio']),
    switchKey: Name.optional(),
    rangeKey: Name.optional(),
    wiresKey: Name.optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('output'),
    drives: z.enum(['high', 'low', 'contact', 'analog']),
    rated: Figure,
  }),
  z.strictObject({
    ...base,
    kind: z.enum(['io-link', 'serial', 'ethernet']),
    portClass: z.enum(['A', 'B']).optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('safety'),
    /** What detects each channel, what is on only while both are, and what is released then. */
    detectors: z.tuple([Name, Name]),
    both: Name,
    released: Name,
    /** Safe contacts that it closes; nothing where the part itself is what stops. */
    gives: z.array(Name).min(1).max(8).optional(),
    /** Where its reset and its feedback are led to, and from where. */
    starts: z.strictObject({ from: Node, reset: Node, feedback: Node }).optional(),
  }),
]);
export type PortDescription = z.infer<typeof PortDescription>;

/** What a module is, as data: terminals, groups with their commons, ports, behaviours with their figures. */
export const ModuleDescription = z.strictObject({
  id: Id,
  name: z.string().min(1).max(120),
  /** What it is in two words, as in the drawing: `inputs`. */
  title: z.string().min(1).max(40),
  group: z.string().min(1).max(40),
  terms: FINDING.terms,
  /** The tag that is proposed for it: `DI`, `AI`, `RLY`. */
  tag: z.string().min(1).max(8),
  terminals: z.array(PartTerminal).min(1).max(120),
  groups: z.array(z.strictObject({ common: Node, channels: z.array(z.int().min(0)).min(1) })).max(32),
  ports: z.array(PortDescription).max(64),
  behaviours: z.array(BehaviourOf).max(160),
  settings: z.array(SettingSchema).max(80).optional(),
  parameters: z.array(ParameterSchema).max(200).optional(),
  indicators: z.array(Indicator).max(20).optional(),
  face: z.array(FaceRow).max(24).optional(),
  cautions: Cautions.optional(),
  /** What its channels take in the controller's image: which area, and how much each (IEC 61131-3: X, W, D). */
  image: z.strictObject({ area: z.enum(['I', 'Q']), each: z.enum(['X', 'W', 'D']) }).optional(),
  /** Switching sensors may be distributed over it. */
  allocates: z.boolean().optional(),
  /** It decides a safety function: what it is set to is for a competent person to say. */
  safety: z.boolean().optional(),
  /** Which fieldbus it is the master or the switch of. */
  fieldbus: z.enum(['io-link', 'serial', 'ethernet']).optional(),
});
export type ModuleDescription = z.infer<typeof ModuleDescription>;
