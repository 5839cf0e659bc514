/** What a level of alarm does while it stands. */
export type Action = 'show' | 'lamp' | 'flash' | 'sound' | 'pause' | 'stop' | 'lock';

/** Who may clear what is kept: it goes by itself, or it needs somebody. Whoever has the key may do what an operator may. */
export const CLEARERS = ['itself', 'anyone', 'operator', 'key'] as const;
export type Clearer = (typeof CLEARERS)[number];

/** One level of a ladder: from where on it is called for, how long that must last, what it does, and who ends it. */
export interface Level {
  readonly id: string;
  readonly name: string;
  /** In the value's unit. */
  readonly limit: number;
  readonly direction: 'above' | 'below';
  readonly hysteresis: number;
  /** So long beyond its limit before it acts, s. */
  readonly delay: number;
  readonly does: readonly Action[];
  readonly clearedBy: Clearer;
  /** What a break, a short or an invalid value makes of it. */
  readonly onFault: 'acts' | 'rests' | 'holds';
  /** Whether what is kept stands again after a power cut. */
  readonly keptOverPowerCut: boolean;
}

/** Levels over one value, with what holds for all of them. */
export interface Ladder {
  readonly levels: readonly Level[];
  /** Ends of what the value can be. */
  readonly range: { readonly low: number; readonly high: number };
  /** So long after the start no limit counts, s; a fault counts from the first moment unless it waits too. */
  readonly startUp: number;
  readonly faultsWaitToo: boolean;
  /**
   * All levels but those that lock may be passed over for so long, s; 0 where they may not. Without an end it stays until
   * it is taken off.
   */
  readonly bypass: { readonly seconds: number; readonly ends: boolean; readonly shown: boolean };
}

/** What stops something or keeps it from starting: the side that is safe. */
export const isProtective = ({ does }: Pick<Level, 'does'>): boolean =>
  does.includes('stop') || does.includes('lock');
