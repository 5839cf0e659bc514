import { allocate } from '@keypost/core/planning';
import { integerSolver } from '../packages/core/test/integerSolver.ts';
import { nth, seeded } from '@keypost/core/lists';

type Problem = Parameters<typeof allocate>[0];

const PROBLEMS = 300;
const KEYS = ['P', 'N', 'F', 'T', 'L'] as const;
const KINDS = ['both', 'sinks', 'sources', 'some'] as const;

/** Which kind of sensor works in which kind of group: five kinds in four, as panels mix them. */
function fits(key: string, kind: string, rail: string): boolean {
  const on = (minus: string, plus: string): boolean => (rail === '-' ? minus : plus).includes(key);
  switch (kind) {
    case 'sinks':
      return on('PFL', '');
    case 'sources':
      return on('', 'NF');
    case 'some':
      return on('PFT', 'NT');
    default:
      return on('PFT', 'NFT');
  }
}

/** A crowded panel: up to 60 groups and 100 sensors, about half as many as channels up to a few more. */
function crowded(seed: number): Problem {
  const random = seeded(seed);
  let module = 0;
  const groups = Array.from({ length: 3 + Math.floor(random() * 57) }, (_, n): Problem['groups'][number] => {
    if (random() < 0.5) module++;
    const kind = nth(KINDS, Math.floor(random() * KINDS.length));
    const size = 2 + Math.floor(random() * 3) * (1 + Math.floor(random() * 2));
    return {
      id: `g${n}`,
      moduleId: `m${module}`,
      moduleTag: `M${module}`,
      common: `C${n}`,
      channels: Array.from({ length: size }, (__, i) => i),
      spare: 0,
      rails: kind === 'sinks' ? ['-'] : kind === 'sources' ? ['+'] : ['-', '+'],
      kind,
    };
  });
  const room = groups.reduce((sum, { channels }) => sum + channels.length, 0);
  const shares = KEYS.map(() => random());
  const all = shares.reduce((sum, one) => sum + one, 0);
  const count = Math.min(100, Math.floor(room * (0.5 + random() * 0.52)));
  const applicants = Array.from({ length: count }, (_, n) => {
    let at = random() * all;
    const key = KEYS.find((__, k) => (at -= nth(shares, k)) <= 0) ?? 'P';
    return { id: `a${n}`, tag: `A${n}`, words: key, key, area: '' };
  });
  return { applicants, groups, fits };
}

/**
 * How long crowded panels take, impossible ones too, and the longest single solving: a worker ends in the midst of one,
 * but what it was told to do in a time it looks at only between steps of the solver.
 */
export async function crowding(): Promise<void> {
  const solver = await integerSolver();
  const took: number[] = [];
  const came: Record<string, number> = {};
  let longest = 0;
  for (let n = 0; n < PROBLEMS; n++) {
    const problem = crowded(n + 1);
    const started = performance.now();
    const outcome = allocate(problem, (program, options) => {
      const asked = performance.now();
      const answer = solver(program, options);
      longest = Math.max(longest, performance.now() - asked);
      return answer;
    });
    took.push(performance.now() - started);
    const proof =
      outcome.kind === 'allocated' ? outcome.exact : outcome.kind === 'impossible' && outcome.isSmallest;
    const name = `${outcome.kind}, ${proof ? 'proven' : 'as found so far'}`;
    came[name] = (came[name] ?? 0) + 1;
  }
  took.sort((a, b) => a - b);
  const at = (share: number): string => nth(took, Math.floor(share * (PROBLEMS - 1))).toFixed(0);
  console.log(`Crowded panels, ${PROBLEMS} of mixed kinds, seeded`);
  console.log(`  median ${at(0.5)} ms, p95 ${at(0.95)} ms, largest ${at(1)} ms (wanted at most 2000)`);
  console.log(`  longest single solving ${longest.toFixed(0)} ms`);
  for (const [outcome, count] of Object.entries(came)) console.log(`  ${outcome.padEnd(28)} ${count}`);
}
