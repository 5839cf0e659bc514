import { z } from 'zod';
import { readStored, store } from '../data/stored';

const MOST = 5;
const keyOf = (of: string): string => `keypost.recent.${of}`;

/** What was chosen last on this device in a list, newest first. */
export const recentOf = (of: string): readonly string[] => readStored(keyOf(of), z.array(z.string())) ?? [];

export function rememberChosen(of: string, value: string): void {
  store(keyOf(of), [value, ...recentOf(of).filter((known) => known !== value)].slice(0, MOST));
}
