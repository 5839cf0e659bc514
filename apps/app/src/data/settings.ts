import { z } from 'zod';
import { held } from './held';
import { readStored, store } from './stored';

/** What this device remembers of its user; nothing of it is part of a job. */
export interface Settings {
  /** Initials that stamps and results carry. */
  readonly by: string;
  readonly theme: 'system' | 'light' | 'dark';
}

const KEY = 'keypost.settings';
const DEFAULTS: Settings = { by: '', theme: 'system' };
const Theme = z.enum(['system', 'light', 'dark']);
/** `look` is what the theme was called once. */
export const KeptSettings = z
  .object({ by: z.string(), theme: Theme, look: Theme })
  .partial()
  .transform(({ by = DEFAULTS.by, look = DEFAULTS.theme, theme = look }): Settings => ({ by, theme }));
const settings = held(readStored(KEY, KeptSettings) ?? DEFAULTS);

export function changeSettings(patch: Partial<Settings>): void {
  const next = { ...settings.get(), ...patch };
  store(KEY, next);
  settings.put(next);
}

export const useSettings = settings.use;
export const currentSettings = settings.get;
