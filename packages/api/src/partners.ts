import { Said } from './said.ts';
import { z } from 'zod';

/** What came of reading a device: values that were read and kept, what it refused, and whether it went away. */
export const ReadOutcome = z.object({
  values: z.record(z.string(), z.string()),
  refused: z.array(z.object({ key: z.string(), message: Said })),
  /** Why the rest was not asked: no answer, connection broken. */
  away: Said.optional(),
});

/** What came of writing one parameter. Only `kept` says that it stands: it was read back and stored. */
export const WriteOutcome = z.object({
  kept: z.boolean(),
  readBack: z.string().optional(),
  /** Why it is not kept. */
  problem: z.object({ kind: z.enum(['away', 'refused', 'differs']), message: Said }).optional(),
});

/** The simulated partners; none where this server runs without them. */
export const PracticeState = z.object({
  ports: z.array(
    z.object({
      port: z.int(),
      name: z.string(),
      state: z.enum(['plugged', 'unplugged', 'wrong', 'failing', 'empty']),
    }),
  ),
  units: z.array(z.object({ unit: z.int(), silent: z.boolean() })),
  /** Where they answer, `host:port`. */
  links: z
    .object({ ioLink: z.string(), modbusTcp: z.string(), modbusRtu: z.string(), bench: z.string() })
    .optional(),
});

const LivePort = z.object({
  moduleId: z.string(),
  port: z.int(),
  state: z.enum([
    'disabled',
    'no device',
    'wrong device',
    'starting',
    'connected',
    'switching input',
    'switching output',
    'no answer',
  ]),
  valid: z.boolean(),
  /** Process data, two hexadecimal digits a byte. */
  bytes: z.string(),
});

const LiveUnit = z.object({
  planId: z.string(),
  /** The unit or member of the plan. */
  rowId: z.string(),
  /** Why it does not answer, or refuses. */
  problem: Said.optional(),
  /** Registers by the id of the value. */
  registers: z.record(z.string(), z.array(z.int())),
});

/** What changed since the last batch; the first holds everything. One that holds nothing says that the server is there. */
export const LiveBatch = z.object({
  at: z.string(),
  /** Modules by their id, and units as `askedUnit` names them, that were asked once more, whether what they say changed or not. */
  asked: z.array(z.string()),
  ports: z.array(LivePort),
  units: z.array(LiveUnit),
});

export type ReadOutcome = z.infer<typeof ReadOutcome>;
export type WriteOutcome = z.infer<typeof WriteOutcome>;
export type PracticeState = z.infer<typeof PracticeState>;
export type LivePort = z.infer<typeof LivePort>;
export type LiveUnit = z.infer<typeof LiveUnit>;
export type LiveBatch = z.infer<typeof LiveBatch>;
