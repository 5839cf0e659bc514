import { oncePer } from '@keypost/core/lists';
import Fuse from 'fuse.js';

/** One of many that can be chosen. */
export interface Choice {
  readonly value: string;
  readonly label: string;
  readonly group?: string;
  readonly hint?: string;
  /** What else it is called. */
  readonly terms?: readonly string[];
  /** What is seen of it, by kind of sight. */
  readonly marks?: Readonly<Record<string, readonly string[]>>;
}

/** What was chosen of each kind of sight. */
export type Filters = Readonly<Record<string, string>>;

/** The choices on which everything is seen that was chosen. */
export const filtered = (choices: readonly Choice[], filters: Filters): Choice[] =>
  choices.filter(({ marks }) =>
    Object.entries(filters).every(([kind, word]) => marks?.[kind]?.includes(word)),
  );

/** The words of a kind of sight that still lead to a choice, the most frequent first. */
export function wordsOf(choices: readonly Choice[], filters: Filters, kind: string): string[] {
  const { [kind]: _, ...others } = filters;
  const counts = new Map<string, number>();
  for (const { marks } of filtered(choices, others))
    for (const word of marks?.[kind] ?? []) counts.set(word, (counts.get(word) ?? 0) + 1);
  const words = [...counts.keys()];
  return words.every((word) => /^\d/.test(word))
    ? words.sort((a, b) => parseInt(a) - parseInt(b))
    : words.sort((a, b) => (counts.get(b) ?? 0) - (counts.get(a) ?? 0));
}

const finderOf = oncePer(
  (choices: readonly Choice[]) =>
    new Fuse(choices, {
      keys: [
        { name: 'label', weight: 3 },
        { name: 'terms', weight: 2 },
        { name: 'hint', weight: 1 },
        { name: 'group', weight: 1 },
      ],
      threshold: 0.34,
      ignoreLocation: true,
      useTokenSearch: true,
      tokenMatch: 'all',
    }),
);

/** Finds choices by name and by what else they are called, best first; a wrong letter does no harm. */
export function found(choices: readonly Choice[], sought: string): readonly Choice[] {
  const words = sought.trim();
  return words
    ? finderOf(choices)
        .search(words)
        .map(({ item }) => item)
    : choices;
}
