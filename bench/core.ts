// What the core does alone. `scripts/bench.mjs` puts it into one file first, as the app has it.
import { nth, sure } from '@keypost/core/lists';
import { analyse } from '@keypost/core/analysis';
import { assemble, scopeOf } from '@keypost/core/network';
import { checkJob } from '@keypost/core/proving';
import { compile, Solver } from '@keypost/core/circuit';
import { applyChange, JobIndex, NOBODY } from '@keypost/core/job';
import { all, create } from 'mathjs';
import { pairing } from './faultPairs.ts';
import { faulting } from './faulting.ts';
import { madeJob } from './madeJob.ts';
import { mixedJob } from './mixedJob.ts';
import { median, rate } from './rate.ts';
import { safety } from './safety.ts';
import { scaling } from './scaling.ts';
import { switching } from './switching.ts';

const math = create(sure(all), {});

function seconds(work: () => unknown): number {
  const start = performance.now();
  work();
  return (performance.now() - start) / 1000;
}

/** A typical loop: one three-wire sensor on one input. One solution of ours is several Newton steps. */
function solving(): void {
  const index = new JobIndex(madeJob(1));
  const netlist = assemble(index, scopeOf(index, index.point('p0')), { present: new Set(['d0']) });
  const compiled = compile(netlist);
  const solver = new Solver(compiled);
  const unknowns = compiled.nodeCount + compiled.sourceCount;
  const { matrix, right } = linearOf(compiled, solver);
  const cold = Float64Array.from(compiled.nominal);
  const volts = compiled.nominal.findIndex((value) => value === 24);
  let turn = 0;
  const ours: number[] = [];
  const theirs: number[] = [];
  for (let round = 0; round < 3; round++) {
    ours.push(
      rate(() => {
        cold[volts] = 24 + 0.5 * Math.sin(turn++);
        solver.run(cold);
      }),
    );
    theirs.push(rate(() => math.lusolve(matrix, right)));
  }
  console.log(`A typical loop: ${unknowns} unknowns, Newton until the voltages stand to 1 nV`);
  console.log(`  solves a second                       ${median(ours).toFixed(0)}`);
  console.log(`  mathjs lusolve of the same matrix     ${median(theirs).toFixed(0)} a second`);
  console.log(`  ratio (wanted: 20)                    ${(median(ours) / median(theirs)).toFixed(1)}`);
}

/** The slopes of the loop's equations at its solution, as the plain matrix that a general solver would be given. */
function linearOf(
  compiled: ReturnType<typeof compile>,
  solver: Solver,
): { matrix: number[][]; right: number[] } {
  solver.run(compiled.nominal);
  return solver.linearised(compiled.nominal);
}

function checking(): void {
  const sizes = [100, 500, 1000];
  checkJob({ ...mixedJob(100), name: 'Another, so that nothing of it is known' });
  const took = sizes.map((size) => {
    const job = mixedJob(size);
    return seconds(() => checkJob(job));
  });
  console.log(
    'Checking a made job of mixed families: verdicts, ways out, states and readings of every point',
  );
  sizes.forEach((size, i) =>
    console.log(`  ${String(size).padStart(4)} points                          ${nth(took, i).toFixed(2)} s`),
  );
  console.log(
    `  growth from 100 to 1000 points        ${(nth(took, 2) / nth(took, 0)).toFixed(1)} times (linear: 10)`,
  );
  let job = mixedJob(500);
  checkJob(job);
  const changed = [3, 100, 200, 260, 350, 420, 480].map((n) => {
    const { id } = nth(job.points, n);
    // As a worker gets it: another copy, of which nothing but the text is alike.
    job = structuredClone(applyChange(job, { kind: 'editPoint', id, patch: { name: `Other ${n}` } }, NOBODY));
    return seconds(() => checkJob(job));
  });
  console.log(
    `  500 points after a change of one      median ${median(changed).toFixed(3)} s, largest ${Math.max(...changed).toFixed(3)} s (wanted 0.1)`,
  );
}

function verdicts(): void {
  const index = new JobIndex(mixedJob(500));
  const ids = index.job.points.map(({ id }) => id);
  let n = 0;
  const one = rate(() => analyse(index, nth(ids, n++ % ids.length)));
  console.log(`Points analysed with worst-case bands   ${one.toFixed(0)} a second`);
}

solving();
safety();
verdicts();
checking();
scaling();
switching();
faulting();
pairing();
