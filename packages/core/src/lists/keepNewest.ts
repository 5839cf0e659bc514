/** Keeps a value as the newest of a map, and of all no more than so many: the oldest go first. */
export function keepNewest<K, V>(kept: Map<K, V>, key: K, value: V, most: number): V {
  kept.delete(key);
  kept.set(key, value);
  for (const oldest of kept.keys()) {
    if (kept.size <= most) break;
    kept.delete(oldest);
  }
  return value;
}
