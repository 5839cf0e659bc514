import { held } from './held';
import { oneOf, partial, text } from './plain';
import { readStored, store } from './stored';

/** What this device remembers of its user; nothing of it is part of a job. */
export interface Settings {
  /** Initials that stamps and results carry. */
  readonly by: string;
  readonly theme: 'system' | 'light' | 'dark';
}

const KEY = 'keypost.settings';
const DEFAULTS: Settings = { by: '', theme: 'system' };
const theme = oneOf(['system', 'light', 'dark']);
/** `look` is what the theme was called once. */
const Kept = partial({ by: text, theme, look: theme });

/** The settings as this device keeps them; as they are at first where it keeps none, or one that does not fit. */
export function keptSettings(): Settings {
  const { by = DEFAULTS.by, look = DEFAULTS.theme, theme = look } = readStored(KEY, Kept) ?? {};
  return { by, theme };
}

const settings = held(keptSettings());

export function changeSettings(patch: Partial<Settings>): void {
  const next = { ...settings.get(), ...patch };
  store(KEY, next);
  settings.put(next);
}

export const useSettings = settings.use;
export const currentSettings = settings.get;
