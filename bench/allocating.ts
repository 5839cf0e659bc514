import { nth } from '@keypost/core/lists';
import { integerSolver } from '../packages/core/test/integerSolver.ts';
import { allocate, problemOf } from '@keypost/core/planning';
import { applyChange } from '@keypost/core/job';
import { emptyJob } from '@keypost/core/model';
import type { Device, JobContent, OutputKind, Point } from '@keypost/core/model';

const ACTOR = { by: 'BN', at: '2026-01-01T00:00:00.000Z' };
const OUTPUTS: readonly OutputKind[] = ['pnp', 'pnp', 'npn', 'pnp', 'pushpull'];

/** A job of `count` unplaced sensors and half as many channels again, on modules of one and of two commons. */
function unplaced(count: number): JobContent {
  let job = emptyJob('Unplaced', '');
  for (let m = 0, channels = 0; channels < count * 1.5; m++) {
    const [typeId, size] = m % 3 === 0 ? (['di8-both-8', 8] as const) : (['di16-both-8-8', 16] as const);
    const module = { id: `m${m}`, tag: `DI ${m}`, typeId, firstByte: 2 * m };
    job = applyChange(job, { kind: 'addModule', module, commons: [] }, ACTOR);
    channels += size;
  }
  const devices = Array.from({ length: count }, (_, n): Device => ({
    id: `d${n}`,
    tag: `P-${n}`,
    typeId: 'inductive-3w',
    outputs: { output: { kind: OUTPUTS[n % OUTPUTS.length] ?? 'pnp', logic: 'no' } },
  }));
  const points = devices.map(({ id, tag }, n): Point => ({
    id: `p${n}`,
    tag,
    name: `Area ${n % 12}, part`,
    deviceId: id,
    bit: 'direct',
  }));
  return { ...job, devices, points };
}

/** Time and outcome of an allocation, and how the time grows with the number of devices. */
export async function allocating(): Promise<void> {
  const solver = await integerSolver();
  const sizes = [100, 300, 1000];
  console.log('Allocating unplaced sensors: fewest modules, then fewest commons');
  allocate(problemOf(unplaced(50), { pinned: new Set(), spareShare: 0.1 }), solver);
  const took = sizes.map((size) => {
    const job = unplaced(size);
    const start = performance.now();
    const outcome = allocate(problemOf(job, { pinned: new Set(), spareShare: 0.1 }), solver);
    const seconds = (performance.now() - start) / 1000;
    const found =
      outcome.kind === 'allocated'
        ? `${outcome.modules} modules, ${outcome.commons} commons${outcome.exact ? ', proven' : ''}`
        : 'impossible';
    console.log(
      `  ${String(size).padStart(4)} devices                         ${seconds.toFixed(2)} s: ${found}`,
    );
    return seconds;
  });
  console.log(`  growth from 100 to 1000 devices       ${(nth(took, 2) / nth(took, 0)).toFixed(1)} times`);
}
