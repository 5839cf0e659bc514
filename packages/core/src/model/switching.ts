import { codeOf } from '../messages/index.ts';
import { z } from 'zod';
import { Id, Quantity, ShortText } from './words.ts';

/** Times of switching functions and ladders, s; controllers count in whole milliseconds. */
const Seconds = z
  .number()
  .min(0, codeOf('model.wait-not-negative'))
  .max(86_400, codeOf('model.wait-most-a-day'))
  .refine(
    (value) => Math.abs(value * 1000 - Math.round(value * 1000)) < 1e-6,
    codeOf('model.whole-milliseconds'),
  );

/** What a level of alarm does while it stands. */
export const ACTIONS = ['show', 'lamp', 'flash', 'sound', 'pause', 'stop', 'lock'] as const;

/** Who may clear what is kept: it goes by itself, or it needs somebody. Whoever has the key may do what an operator may. */
export const CLEARERS = ['itself', 'anyone', 'operator', 'key'] as const;

/** How often a lamp flashes: so long lit, so long dark, s. */
const Rhythm = z.strictObject({
  lit: Seconds.refine((value) => value > 0, codeOf('model.rhythm-above-zero')),
  dark: Seconds.refine((value) => value > 0, codeOf('model.rhythm-above-zero')),
});

/** One level of a ladder: from where on it is called for, how long that must last, what it does, and who ends it. */
export const Level = z.strictObject({
  id: Id,
  name: ShortText(24).min(1, codeOf('model.name-level')),
  /** In the value's unit. */
  limit: Quantity,
  direction: z.enum(['above', 'below']),
  hysteresis: Quantity.refine((value) => value >= 0, codeOf('model.hysteresis-not-negative')),
  /** So long beyond its limit before it acts, s. */
  delay: Seconds,
  does: z.array(z.enum(ACTIONS)).max(ACTIONS.length),
  rhythm: Rhythm.optional(),
  clearedBy: z.enum(CLEARERS),
  /** What a break, a short or an invalid value makes of it. */
  onFault: z.enum(['acts', 'rests', 'holds']),
  /** Whether what is kept stands again after a power cut. */
  keptOverPowerCut: z.boolean(),
});

/** At most so many levels stand over one value. */
export const MAX_LEVELS = 8;

/** Levels over one value, with what holds for all of them; the range of the value is that of its chain. */
export const LadderPlan = z
  .object({
    /** Unit of the limits and hystereses. */
    unit: ShortText(12),
    levels: z
      .array(Level)
      .min(1, codeOf('model.one-level-least'))
      .max(MAX_LEVELS, codeOf('model.most-8-levels')),
    /** So long after the start no limit counts, s; a fault counts from the first moment unless it waits too. */
    startUp: Seconds,
    faultsWaitToo: z.boolean(),
    /**
     * All levels but those that lock may be passed over for so long, s; 0 where they may not. Without an end it stays
     * until it is taken off.
     */
    bypass: z.strictObject({ seconds: Seconds, ends: z.boolean(), shown: z.boolean() }),
  })
  .refine(
    ({ levels }) => new Set(levels.map(({ id }) => id)).size === levels.length,
    codeOf('model.levels-one-id'),
  );

/** At which values something is on; the numbers are in the point's unit. */
const Mode = z.discriminatedUnion('kind', [
  z
    .object({ kind: z.literal('points'), set: Quantity, reset: Quantity })
    .refine(({ set, reset }) => set !== reset, { error: codeOf('model.set-is-reset'), path: ['reset'] }),
  z
    .object({ kind: z.literal('window'), low: Quantity, high: Quantity, hysteresis: Quantity })
    .refine(({ low, high }) => low < high, { error: codeOf('model.window-turned'), path: ['high'] })
    .refine(({ hysteresis }) => hysteresis >= 0, {
      error: codeOf('model.hysteresis-not-negative'),
      path: ['hysteresis'],
    }),
]);

/** A switching function that the device itself decides, in one of its switching signal channels. */
export const DeviceChannel = z.strictObject({
  channel: z.union([z.literal(1), z.literal(2)]),
  unit: ShortText(12),
  mode: Mode,
  logic: z.enum(['no', 'nc']),
});

/** What a switching function gives while its signal says nothing. */
const InFault = z.enum(['on', 'off', 'hold']);

/** A link of the signal chain at which something can be compared. */
export const WATCHED = ['value', 'signal', 'counts', 'engineering'] as const;

/** Which state of something is the safe one. */
const SafeSide = z.enum(['on', 'off']);

/** A switching function that a bit of the program decides, or a relay that watches the signal. */
export const SwitchingOutput = z.strictObject({
  id: Id,
  name: ShortText(24).min(1, codeOf('model.name-threshold')),
  decidedBy: z.enum(['controller', 'relay']),
  /** What it compares; the numbers of its mode are in the unit of that link. */
  watches: z.enum(WATCHED),
  unit: ShortText(12),
  mode: Mode,
  logic: z.enum(['no', 'nc']),
  /** Time constant of a damping ahead of it, s. */
  damping: Seconds,
  onDelay: Seconds,
  offDelay: Seconds,
  startUp: Seconds,
  leastPulse: Seconds,
  /** Who resets it once the value calls for it no more. */
  clearedBy: z.enum(CLEARERS),
  onFault: z.strictObject({ break: InFault, short: InFault, invalid: InFault }),
  /** The state of its output that protects; absent where nothing hangs on it. */
  safeSide: SafeSide.optional(),
  /** Of a relay: ± so much of the span of the signal that it takes. */
  accuracyPercent: z
    .number()
    .min(0, codeOf('model.accuracy-not-negative'))
    .max(20, codeOf('model.accuracy-most-20'))
    .optional(),
});

/** At most so many stand over one value. */
const MAX_OUTPUTS = 8;

/**
 * What switches at a point's value: alarms in the controller, bits and relays of their own, and channels of the device; of a
 * point that only switches, what its input has to read where in doubt.
 */
export const Switching = z
  .object({
    ladder: LadderPlan.optional(),
    channels: z.array(DeviceChannel).max(2).optional(),
    outputs: z.array(SwitchingOutput).max(MAX_OUTPUTS, codeOf('model.most-8-thresholds')).optional(),
    safeInput: SafeSide.optional(),
  })
  .refine(
    ({ ladder, channels, outputs, safeInput }) =>
      ladder !== undefined ||
      (channels?.length ?? 0) > 0 ||
      (outputs?.length ?? 0) > 0 ||
      safeInput !== undefined,
    codeOf('model.nothing-switches'),
  )
  .refine(
    ({ outputs = [] }) => new Set(outputs.map(({ id }) => id)).size === outputs.length,
    codeOf('model.thresholds-one-id'),
  )
  .refine(
    ({ channels = [] }) => new Set(channels.map(({ channel }) => channel)).size === channels.length,
    codeOf('model.channel-twice'),
  );

export type Action = (typeof ACTIONS)[number];
export type Clearer = (typeof CLEARERS)[number];
export type Level = z.infer<typeof Level>;
export type LadderPlan = z.infer<typeof LadderPlan>;
export type DeviceChannel = z.infer<typeof DeviceChannel>;
export type SwitchingOutput = z.infer<typeof SwitchingOutput>;
export type Switching = z.infer<typeof Switching>;
