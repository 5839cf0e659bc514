/**
 * The ends that are reached from a node, the nearest first, each with the steps of a shortest way there. An end is not
 * gone through; where the start is one itself it is the only one, with no step.
 */
export function pathsTo<Step>(
  start: string,
  stepsAt: (node: string) => Iterable<readonly [to: string, step: Step]>,
  isEnd: (node: string) => boolean,
): ReadonlyMap<string, readonly Step[]> {
  const found = new Map<string, readonly Step[]>();
  const seen = new Set([start]);
  const queue: { node: string; path: readonly Step[] }[] = [{ node: start, path: [] }];
  for (let next = queue.shift(); next; next = queue.shift()) {
    const { node, path } = next;
    if (isEnd(node)) {
      found.set(node, path);
      continue;
    }
    for (const [to, step] of stepsAt(node))
      if (!seen.has(to)) {
        seen.add(to);
        queue.push({ node: to, path: [...path, step] });
      }
  }
  return found;
}
