/** What reads a value that was kept, as the schemas of the validation library do. */
export interface Reads<T> {
  readonly safeParse: (value: unknown) => { success: true; data: T } | { success: false; data?: undefined };
}

/**
 * What this device remembers under a key. What does not fit its schema any more counts as never kept; a browser that
 * keeps nothing still works for this visit.
 */
export function readStored<T>(key: string, schema: Reads<T>): T | undefined {
  try {
    const text = localStorage.getItem(key);
    const read = text === null ? undefined : schema.safeParse(JSON.parse(text));
    return read?.success ? read.data : undefined;
  } catch {
    return undefined;
  }
}

/** Remembers a value on this device; nothing is remembered of `undefined`. */
export function store(key: string, value: unknown): void {
  try {
    if (value === undefined) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // Kept for this visit only.
  }
}
