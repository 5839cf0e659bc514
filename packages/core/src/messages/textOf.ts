import { CATALOG } from './catalog.ts';
import type { Message, Text, Value } from './message.ts';

type Sentence = string | ((values: Readonly<Record<string, unknown>>) => string);

/** Sentences by code: one language, or a test's own. */
type Wording = Readonly<Record<string, Sentence>>;

const OWN = CATALOG as unknown as Wording;
let wording: Wording = OWN;

/** Words everything by another catalog from now on; without one, by the own catalog again. @public */
export function useWording(other: Wording = OWN): void {
  wording = other;
}

/** Every sentence of a catalog between brackets: whatever is shown without them was not worded by it. @public */
export const bracketed = (catalog: Wording = OWN): Wording =>
  Object.fromEntries(
    Object.entries(catalog).map(([code, sentence]) => [
      code,
      typeof sentence === 'string'
        ? `⟦${sentence}⟧`
        : (values: Readonly<Record<string, unknown>>) => `⟦${sentence(values)}⟧`,
    ]),
  );

/** The sentence in the words that ship, whatever is chosen: for what was stored as a sentence once. */
export const ownTextOf = (text: Text): string => withWording(OWN, () => textOf(text));

function withWording<T>(other: Wording, act: () => T): T {
  const before = wording;
  wording = other;
  try {
    return act();
  } finally {
    wording = before;
  }
}

/** The sentence of a message; a name as it stands; nothing of nothing. A code that is not known is shown itself. */
export function textOf<T extends Text | undefined>(text: T): T extends undefined ? undefined : string;
export function textOf(text: Text | undefined): string | undefined {
  if (text === undefined || typeof text === 'string') return text;
  const sentence = wording[text.code] ?? text.code;
  return typeof sentence === 'string' ? sentence : sentence(worded(text.values ?? {}));
}

const worded = (values: NonNullable<Message['values']>): Readonly<Record<string, unknown>> =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [name, plainValue(value)]));

function plainValue(value: Value): unknown {
  if (Array.isArray(value)) return value.map(plainValue);
  return value !== null && typeof value === 'object' ? textOf(value as Message) : value;
}
