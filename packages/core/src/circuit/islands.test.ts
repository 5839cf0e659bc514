import { FAMILIES } from '../../test/families.ts';
import { analyse, metered } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth } from '../lists/index.ts';
import { islandsOf } from './floating.ts';
import { nodesOf } from './netlist.ts';
import { solvedOnce } from './sameCircuit.ts';

/** A meter between two nodes is itself what joins them: what it reads says whether anything else does. */
test.each(Object.entries(FAMILIES))(
  '%s: what is apart reads nothing, what is tied reads as solved',
  (_, make) => {
    const job = make();
    const { present } = analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal');
    const { netlist, solution } = present;
    const { apart, tied } = islandsOf(netlist, solution.closed);
    const nodes = [...new Set(netlist.elements.flatMap(nodesOf))];
    // Every fifth pair: enough of each kind, and quick.
    const pairs = nodes
      .flatMap((a, i) => nodes.slice(i + 1).map((b) => [a, b] as const))
      .filter((__, i) => i % 5 === 0);
    for (const [a, b] of pairs) {
      if (!apart(a, b) && !(tied(a, b) && solution.floating(a))) continue;
      const quantity = { kind: 'volts', a, b } as const;
      const read = nth(solvedOnce(metered(netlist, a, b), [quantity], 'nominal').bands, 0).nom;
      const expected = apart(a, b) ? 0 : solution.volts(a) - solution.volts(b);
      expect([a, b, Math.abs(read - expected) < 0.02]).toEqual([a, b, true]);
    }
  },
);
