import { nth } from '../lists/index.ts';
import type { Dictionary, DictionaryRow } from './dictionary.ts';

/**
 * Of what guards people: whether with this fault something still acts, or is still released, with the guard open, that
 * would be off with nothing wrong. It then stops nothing, whatever else works.
 */
export function goesOn({ looks, rows }: Dictionary, { sights }: DictionaryRow): boolean {
  const sound = nth(rows, 0).sights;
  return looks.some(
    ({ kind, state }, i) =>
      (kind === 'acts' || kind === 'lit') &&
      state === 'away' &&
      nth(sound, i).kind === 'off' &&
      nth(sights, i).kind !== 'off',
  );
}
