import { moduleType } from '../catalog/index.ts';
import type { JobContent, Supply } from '../model/job.ts';
import { splitRef } from '../model/job.ts';
import { analyse } from './analysis.ts';
import { otherEnd, JobIndex } from './jobIndex.ts';
import { IDLE } from './world.ts';

/** What one device or module takes from a supply at its worst, A. */
export interface Draw {
  readonly tag: string;
  readonly amps: number;
}

/** What a supply must give when everything takes its most at once. */
export interface SupplyBudget {
  readonly supply: Supply;
  readonly amps: number;
  readonly limitAmps: number;
  /** Share of the limit that is left, below 0 where it is not enough. */
  readonly margin: number;
  /** The largest first. */
  readonly draws: readonly Draw[];
  /** The device that gets the fewest volts in its worst case, V. */
  readonly weakest?: { readonly tag: string; readonly volts: number; readonly needs: number };
}

/** Currents are solved at nominal values; a supply at its upper tolerance and warm coils can take so much more. */
const WORST = 1.1;

/**
 * The load of every supply in its worst state, read off the solved circuits of all points: what every wire on its
 * plus carries at most in any state, and what modules take for themselves.
 */
export function supplyBudgets(job: JobContent): SupplyBudget[] {
  const index = new JobIndex(job);
  const carried = new Map<string, number>();
  const weakest = new Map<string, NonNullable<SupplyBudget['weakest']>>();
  for (const { id } of job.points) {
    const { context, shown, staged } = analyse(index, id);
    for (const { solution } of [...shown, ...staged])
      for (const wire of context.scope.wires)
        carried.set(wire.id, Math.max(carried.get(wire.id) ?? 0, Math.abs(solution.amps(wire.id))));
    const volts = Math.min(...shown.map(({ supplyVolts }) => supplyVolts?.min ?? Infinity));
    const at = weakest.get(context.supply.id);
    if (context.type.supply && Number.isFinite(volts) && volts > 1 && !(at && at.volts <= volts))
      weakest.set(context.supply.id, { tag: context.point.tag, volts, needs: context.type.supply.least });
  }
  return job.supplies.map((supply) => {
    const plus = `${supply.id}:${supply.kind === 'ac' ? 'L' : '+'}`;
    const draws = new Map<string, number>();
    for (const wire of index.wiresAt(plus)) {
      const far = otherEnd(wire, plus);
      const amps = carried.get(wire.id) ?? ownDraw(index, far, supply);
      if (amps > 1e-6) draws.set(index.tagOf(far), (draws.get(index.tagOf(far)) ?? 0) + amps * WORST);
    }
    const amps = [...draws.values()].reduce((sum, each) => sum + each, 0);
    return {
      supply,
      amps,
      limitAmps: supply.limitAmps,
      margin: 1 - amps / supply.limitAmps,
      draws: [...draws].map(([tag, each]) => ({ tag, amps: each })).sort((a, b) => b.amps - a.amps),
      weakest: weakest.get(supply.id),
    };
  });
}

/** What a module takes for itself at a supply terminal that no point's circuit has reached, A. */
function ownDraw(index: JobIndex, ref: string, supply: Supply): number {
  const { item, terminal } = splitRef(ref);
  const module = index.module(item);
  if (!module) return 0;
  const own = moduleType(module.typeId)
    .circuit(IDLE)
    .find((element) => element.kind === 'resistor' && element.id === 'supply' && element.a === terminal);
  return own?.kind === 'resistor' ? supply.volts / own.ohms.nom : 0;
}
