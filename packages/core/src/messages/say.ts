import type { CATALOG } from './catalog.ts';
import type { Message, Text, Value } from './message.ts';

type Catalog = typeof CATALOG;
type Code = keyof Catalog;

/** A parameter that is text may be given as a message; it is worded together with the one that it stands in. */
type Given<V> = V extends string ? Text : V extends readonly string[] ? readonly Text[] : V;

type ValuesOf<C extends Code> = Catalog[C] extends (values: infer V) => string
  ? [{ readonly [K in keyof V]: Given<V[K]> }]
  : [];

/** Makes a message; code and parameters must be those of the catalog. */
export const say = <C extends Code>(code: C, ...[values]: ValuesOf<C>): Message =>
  values === undefined ? { code } : { code, values: values as Readonly<Record<string, Value>> };

/** The code of a message in place of its sentence: for schemas, whose issues bring the parameters themselves. */
export const codeOf = <C extends Code>(code: C): C => code;
