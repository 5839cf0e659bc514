/** The two halves of a terminal reference. */
export function splitRef(ref: string): { item: string; terminal: string } {
  const at = ref.indexOf(':');
  return { item: ref.slice(0, at), terminal: ref.slice(at + 1) };
}
