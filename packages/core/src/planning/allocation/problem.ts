import type { Message, Text } from '../../messages/index.ts';
/** A rail on which a group's common may be put. */
export type CommonRail = '+' | '-';

/** A device that wants a channel. */
export interface Applicant {
  readonly id: string;
  readonly tag: string;
  /** What it is, in a word or two, for the sentence that explains its place. */
  readonly words: string;
  /** Devices with the same key fit the same places. */
  readonly key: string;
  readonly area: string;
  /** Where it is now: it stays there if the fewest modules and commons allow it. */
  readonly current?: { readonly groupId: string; readonly channel: number };
  readonly pinned?: { readonly groupId: string; readonly channel: number };
}

/** A group of channels with one common. */
export interface Group {
  readonly id: string;
  readonly moduleId: string;
  readonly moduleTag: Text;
  readonly common: string;
  /** Channels that are free to be given, lowest first. */
  readonly channels: readonly number[];
  /** Channels that must stay free here. */
  readonly spare: number;
  /** The rail on which its common is now. */
  readonly now?: CommonRail;
  /** Rails that its common may be put on. */
  readonly rails: readonly CommonRail[];
  /** Groups of the same kind are alike for every device. */
  readonly kind: string;
}

export interface AllocationProblem {
  readonly applicants: readonly Applicant[];
  readonly groups: readonly Group[];
  /** Whether devices of a key work in groups of a kind whose common is on a rail. */
  readonly fits: (key: string, kind: string, rail: CommonRail) => boolean;
}

/** One device's place and why it is there. */
export interface Placement {
  readonly applicant: Applicant;
  readonly group: Group;
  readonly channel: number;
  readonly rail: CommonRail;
  readonly sentence: Text;
}

export interface Allocated {
  readonly kind: 'allocated';
  readonly placements: readonly Placement[];
  readonly rails: ReadonlyMap<string, CommonRail>;
  readonly modules: number;
  readonly commons: number;
  /** Whether the count of modules, then of commons, is proven to be the least. */
  readonly exact: boolean;
}

export interface Impossible {
  readonly kind: 'impossible';
  /** Devices that cannot be placed together. */
  readonly conflict: readonly Applicant[];
  /** None of them can go without the rest having places; otherwise it is what was found in the time allowed. */
  readonly isSmallest: boolean;
  readonly sentence: Message;
  readonly remedies: readonly Message[];
}

/** Neither places for all nor a proof that there are none were found in the time allowed. */
interface Undecided {
  readonly kind: 'undecided';
}

export type Allocation = Allocated | Impossible | Undecided;
