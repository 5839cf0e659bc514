/**
 * What the core has to say: a stable code and its parameters. What is decided, stored or compared is this; the
 * sentence is made at the edge, by `textOf`.
 */
export interface Message {
  /** `area.name`, such as `reason.same-pull`. Never changes once it is out. */
  readonly code: string;
  /** Quantities in SI base units unless the name says otherwise, names as they stand in the job. */
  readonly values?: Readonly<Record<string, Value>>;
}

export type Value = string | number | boolean | undefined | null | Message | readonly Value[];

/** A message, or a name out of the job or a description that is shown as it stands. */
export type Text = string | Message;

/** Two messages that say the same of the same. */
export const sameMessage = (a: Text | undefined, b: Text | undefined): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/** Each message once, in order. */
export const distinct = <T extends Text>(messages: readonly T[]): T[] =>
  messages.filter((one, i) => messages.findIndex((other) => sameMessage(one, other)) === i);
