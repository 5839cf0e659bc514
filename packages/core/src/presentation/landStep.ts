import type { Text } from '../messages/index.ts';
import type { Fingerprint } from '../model/index.ts';

/** One step of landing a device. */
export interface LandStep {
  readonly key: string;
  readonly title: Text;
  /** The part of the job that it is about, worked out when it is asked for: a change of that opens the step again. */
  readonly about: () => Fingerprint;
  readonly detail?: Text;
  /** What can hurt here. Defers to local rules; never a permission. */
  readonly caution?: Text;
  /** Terminals on which a meter is put at this step. */
  readonly meter?: { readonly red: string; readonly black: string };
}

/** Of a step that no change of the job opens again. */
export const nothing = (): Fingerprint => ({});
