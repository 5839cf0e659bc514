/** One step of landing a device. */
export interface LandStep {
  readonly key: string;
  /** What to do; it is kept with the stamp, so that a later change of the wiring opens the step again. */
  readonly title: string;
  readonly detail?: string;
  /** What can hurt here. Defers to local rules; never a permission. */
  readonly caution?: string;
  /** Terminals on which a meter is put at this step. */
  readonly meter?: { readonly red: string; readonly black: string };
}
