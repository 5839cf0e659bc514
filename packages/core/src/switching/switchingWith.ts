import type { Switching } from '../model/index.ts';

/** What switches at a point with some of it changed; nothing where nothing is left. */
export function switchingWith(
  switching: Switching | undefined,
  patch: { readonly [Key in keyof Switching]: Switching[Key] | null },
): Switching | null {
  const { ladder, channels, outputs, safeInput } = { ...switching, ...patch };
  const next: Switching = {
    ...(ladder && { ladder }),
    ...(channels?.length && { channels }),
    ...(outputs?.length && { outputs }),
    ...(safeInput && { safeInput }),
  };
  return Object.keys(next).length ? next : null;
}
