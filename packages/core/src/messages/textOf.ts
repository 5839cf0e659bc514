import { FIRST } from './first.ts';
import type { Message, Text, Value } from './message.ts';

type Sentence = string | ((values: Readonly<Record<string, unknown>>) => string);

/** Sentences by code: one language, or a test's own. */
type Wording = Readonly<Record<string, Sentence>>;

/** The sentences that ship, as far as they were fetched. */
let own: Wording = FIRST as unknown as Wording;
let wording: Wording | undefined;

/** Adds sentences to those that ship. */
export function addSentences(more: object): void {
  own = { ...own, ...(more as Wording) };
}

/** Whether a code has a sentence. */
export const hasSentence = (code: string): boolean => code in own;

/** Words everything by another catalog from now on; without one, by the own catalog again. @public */
export function useWording(other?: Wording): void {
  wording = other;
}

/** Every sentence of a catalog between brackets: whatever is shown without them was not worded by it. @public */
export const bracketed = (catalog: Wording = own): Wording =>
  Object.fromEntries(
    Object.entries(catalog).map(([code, sentence]) => [
      code,
      typeof sentence === 'string'
        ? `⟦${sentence}⟧`
        : (values: Readonly<Record<string, unknown>>) => `⟦${sentence(values)}⟧`,
    ]),
  );

/** The sentence of a message; a name as it stands; nothing of nothing. A code that is not known is shown itself. */
export function textOf<T extends Text | undefined>(text: T): T extends undefined ? undefined : string;
export function textOf(text: Text | undefined): string | undefined {
  return text === undefined ? undefined : worded(text, wording ?? own);
}

/** The sentence in the words that ship, whatever is chosen: for what was stored as a sentence once. */
export const ownTextOf = (text: Text): string => worded(text, own);

function worded(text: Text, by: Wording): string {
  if (typeof text === 'string') return text;
  const sentence = by[text.code] ?? text.code;
  if (typeof sentence === 'string') return sentence;
  const values = Object.entries(text.values ?? {});
  return sentence(Object.fromEntries(values.map(([name, value]) => [name, plainValue(value, by)])));
}

function plainValue(value: Value, by: Wording): unknown {
  if (Array.isArray(value)) return value.map((one: Value) => plainValue(one, by));
  return value !== null && typeof value === 'object' ? worded(value as Message, by) : value;
}
