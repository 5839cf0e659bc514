import { codeOf } from '../messages/index.ts';
import { z } from 'zod';
import { Id, Link, Tag, ShortText } from './words.ts';

export const REGISTER_TYPES = [
  'uint16',
  'int16',
  'uint32',
  'int32',
  'float32',
  'uint64',
  'int64',
  'float64',
] as const;

/** A value in the registers of a unit: where it lies, how, and what it means. */
export const MappedValue = z.strictObject({
  id: Id,
  name: ShortText(40).min(1, codeOf('model.name-value-such-active')),
  table: z.enum(['holding', 'input']),
  /** As sent, from 0. */
  address: z
    .int()
    .min(0, codeOf('model.registers-numbered-0'))
    .max(65535, codeOf('model.registers-numbered-65535')),
  type: z.enum(REGISTER_TYPES),
  /** Which register comes first, and which byte in each. */
  words: z.enum(['high', 'low']).default('high'),
  bytes: z.enum(['high', 'low']).default('high'),
  scale: z
    .number()
    .refine((scale) => scale !== 0, codeOf('model.scale-0-makes-every'))
    .default(1),
  unit: ShortText(12),
  /** The parameter of the device's sheet that it is, if it is one. */
  parameter: ShortText(40).optional(),
});

const Metres = (max: number) =>
  z.number().min(0, codeOf('model.length-0-m-more')).max(max, codeOf('model.most-m'));

/** A participant of a serial line, in its order along the cable. */
export const SerialUnit = z.strictObject({
  id: Id,
  tag: Tag,
  /** The device or module of the job that it is. */
  itemId: Id.optional(),
  /** None for the master. */
  unit: z
    .int()
    .min(0, codeOf('model.unit-numbers-begin-1'))
    .max(255, codeOf('model.unit-numbers-end-247'))
    .optional(),
  baud: z.int().min(300, codeOf('model.least-300-baud')).max(12_000_000, codeOf('model.most-12-mbaud')),
  parity: z.enum(['even', 'odd', 'none']),
  stopBits: z.union([z.literal(1), z.literal(2)]),
  /** How it letters the line that is positive at rest. */
  plusName: z.enum(['+', 'A', 'B', 'D1']),
  terminated: z.boolean(),
  unitLoad: z.number().min(0, codeOf('model.unit-load-0-more')).max(32, codeOf('model.most-32')),
  fromLastM: Metres(5000),
  answerMs: z.number().min(0).max(10000).optional(),
  map: z.array(MappedValue).max(60).default([]),
});

export const SerialPlan = z.strictObject({
  kind: z.literal('serial'),
  id: Id,
  tag: Tag,
  mm2: z.number().min(0.05, codeOf('model.least-0-05-mm')).max(50, codeOf('model.most-50-mm')),
  bias: z
    .object({
      at: Id,
      ohms: z.number().positive(codeOf('model.resistor-more-0')).max(1e6),
      volts: z.number().positive().max(30),
    })
    .optional(),
  /** Where the line answers: a gateway that carries its frames over TCP, and in which framing. */
  link: Link.optional(),
  framing: z.enum(['tcp', 'rtu']).default('rtu'),
  units: z.array(SerialUnit).max(64),
});

export const NETWORK_ROLES = ['controller', 'device', 'panel screen', 'laptop', 'router'] as const;

/** A participant of an Ethernet network; the office router and the laptop are participants too. */
export const NetworkMember = z.strictObject({
  id: Id,
  tag: Tag,
  itemId: Id.optional(),
  role: z.enum(NETWORK_ROLES),
  /** As typed, so that what is wrong can be shown beside it. */
  address: ShortText(20),
  mask: ShortText(20),
  gateway: ShortText(20).optional(),
  /** The name in the controller's project. */
  name: ShortText(240).optional(),
  /** The name that the device itself was given. */
  nameOnDevice: ShortText(240).optional(),
  /** Whether its description file is installed in the controller's project. */
  file: z.enum(['installed', 'missing', 'not needed']).default('not needed'),
  link: Link.optional(),
  unit: z.int().min(0).max(255).optional(),
  map: z.array(MappedValue).max(60).default([]),
});

export const EthernetPlan = z.strictObject({
  kind: z.literal('ethernet'),
  id: Id,
  tag: Tag,
  members: z.array(NetworkMember).max(250),
});

/** A serial line or an Ethernet network as it is planned. */
export const BusPlan = z.discriminatedUnion('kind', [SerialPlan, EthernetPlan]);

export type MappedValue = z.infer<typeof MappedValue>;
export type SerialUnit = z.infer<typeof SerialUnit>;
export type SerialPlan = z.infer<typeof SerialPlan>;
export type NetworkMember = z.infer<typeof NetworkMember>;
export type EthernetPlan = z.infer<typeof EthernetPlan>;
export type BusPlan = z.infer<typeof BusPlan>;
