import { analyse } from '@keypost/core/analysis';
import type { Analysis } from '@keypost/core/analysis';
import {
  alike,
  dictionaryOf,
  faultPairs,
  groupsOf,
  hasDictionary,
  hereAfter,
  isReading,
  makeRound,
  middleOf,
  nextLooks,
  sightsOfPair,
  suspects,
  unexplained,
} from '@keypost/core/fault';
import type { Seen, Sight } from '@keypost/core/fault';
import { JobIndex } from '@keypost/core/job';
import { sure } from '@keypost/core/lists';
import { ternRock } from '../apps/server/src/demo/ternRock.ts';

/** So many looks are taken, so many pairs a point, and so many of those found count. */
const LOOKS = 14;
const PAIRS = 5;
const FIRST = 3;

const allAlike = (a: readonly Sight[] | undefined, b: readonly Sight[]): boolean =>
  a !== undefined && a.every((one, i) => alike(one, sure(b[i])));

/** As proposed, of single faults until none explains all, then of pairs; then whatever is left, each as the pair shows it. */
function lookedAt(analysis: Analysis, truth: readonly Sight[]): Seen[] {
  const dictionary = dictionaryOf(analysis);
  const groups = groupsOf(dictionary);
  const seen: Seen[] = [];
  while (seen.length < LOOKS) {
    const found = suspects(groups, seen);
    const best =
      (unexplained(found, seen).length ? faultPairs(analysis, seen).next : undefined) ??
      nextLooks(dictionary, found, seen, hereAfter(dictionary, seen))[0]?.look;
    const look =
      best ??
      dictionary.looks.findIndex(
        (one, i) => one.kind !== 'milliamps' && !seen.some((done) => done.look === i),
      );
    const sight = truth[look];
    if (!sight) break;
    seen.push({ look, is: isReading(sight) ? middleOf(sight) : sight.kind === 'on' });
  }
  return seen;
}

/** Two faults at once at points of the demo: whether they, or what nothing tells from them, are among the first. */
export function pairing(): void {
  const job = ternRock();
  const index = new JobIndex(job);
  let [hidden, all, found, slowest] = [0, 0, 0, 0];
  for (const { id } of job.points) {
    const analysis = analyse(index, id);
    if (!hasDictionary(analysis) || analysis.context.scope.wires.length > 12) continue;
    const dictionary = dictionaryOf(analysis);
    for (let seed = 0, made = 0; seed < 40 && made < PAIRS; seed++) {
      const round = makeRound(analysis, dictionary, { level: 'mean', sort: undefined, point: 0, seed });
      const [first, second] = round?.faults ?? [];
      if (!first || !second) continue;
      made++;
      const truth = sure(sightsOfPair(analysis, [first.id, second.id]));
      if (dictionary.rows.some(({ sights }) => allAlike(sights, truth))) {
        hidden++;
        continue;
      }
      const seen = lookedAt(analysis, truth);
      const start = performance.now();
      const pairs = faultPairs(analysis, seen).pairs.slice(0, FIRST);
      slowest = Math.max(slowest, performance.now() - start);
      all++;
      if (pairs.some((pair) => allAlike(sightsOfPair(analysis, [pair.first.id, pair.second.id]), truth)))
        found++;
    }
  }
  console.log(`Two faults at once                      ${all}, and ${hidden} of which one hides the other`);
  console.log(`  found among the first three (70 %)    ${((100 * found) / all).toFixed(1)} %`);
  console.log(`  pairs of a point, slowest, ms         ${slowest.toFixed(0)}`);
}
