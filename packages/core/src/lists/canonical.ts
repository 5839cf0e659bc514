/** A value as JSON that reads the same whatever the order of its keys; what is undefined does not stand in it. */
export const canonical = (value: unknown): string => JSON.stringify(sorted(value)) ?? '';

function sorted(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map(sorted);
  return Object.entries(value)
    .filter(([, inner]) => inner !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, inner]) => [key, sorted(inner)]);
}
