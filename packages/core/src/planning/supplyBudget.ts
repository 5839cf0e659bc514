import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { JobContent, Supply } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import { analyse } from '../analysis/index.ts';
import { copperAmps, wireOhms, IDLE } from '../network/index.ts';
import { feedersOf, plusOf, otherEnd, JobIndex } from '../job/index.ts';

/** What one device or module takes from a supply at its worst, A. */
interface Draw {
  readonly tag: Text;
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
  /** The feeder of a branch at that load. */
  readonly feeder?: {
    readonly from: string;
    /** Drop along both conductors, V, and as a share of the supply’s volts. */
    readonly drop: number;
    readonly share: number;
    /** Current that its copper bears, A, and whether what protects it lets no more through. */
    readonly bears: number;
    readonly protects: boolean;
  };
  /** The device that gets the fewest volts in its worst case, V. */
  readonly weakest?: { readonly tag: string; readonly volts: number; readonly needs: number };
}

/** How loads are called that the job does not hold. */
const OTHERS = say('planning.other-loads');

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
      weakest.set(context.supply.id, { tag: context.point.tag, volts, needs: context.type.supply.min });
  }
  const budgets = new Map<string, SupplyBudget>();
  const budgetOf = (supply: Supply): SupplyBudget => {
    const known = budgets.get(supply.id);
    if (known) return known;
    const branches = job.supplies.filter(({ feed }) => feed?.from === supply.id).map(budgetOf);
    const draws = [
      ...drawsOn(index, supply, carried),
      ...branches.map((branch): Draw => ({ tag: branch.supply.tag, amps: branch.amps })),
      ...(supply.otherAmps ? [{ tag: OTHERS, amps: supply.otherAmps }] : []),
    ].filter(({ amps }) => amps > 1e-6);
    const amps = draws.reduce((total, each) => total + each.amps, 0);
    const budget: SupplyBudget = {
      supply,
      amps,
      limitAmps: supply.limitAmps,
      margin: 1 - amps / supply.limitAmps,
      draws: draws.sort((x, y) => y.amps - x.amps),
      weakest: weakest.get(supply.id),
      feeder: feederOf(job.supplies, supply, amps),
    };
    budgets.set(supply.id, budget);
    return budget;
  };
  return job.supplies.map(budgetOf);
}

/** What hangs on a supply’s plus directly, each with what it takes at its worst. */
function drawsOn(index: JobIndex, supply: Supply, carried: ReadonlyMap<string, number>): Draw[] {
  const plus = plusOf(supply);
  const draws = new Map<string, number>();
  for (const wire of index.wiresAt(plus)) {
    const far = otherEnd(wire, plus);
    const tag = index.tagOf(far);
    const amps = carried.get(wire.id) ?? ownDraw(index, far, supply);
    draws.set(tag, (draws.get(tag) ?? 0) + amps * WORST);
  }
  return [...draws].map(([tag, amps]) => ({ tag, amps }));
}

/** The drop along a branch’s feeder at the branch’s worst load, and the current that its conductors bear. */
function feederOf(supplies: readonly Supply[], supply: Supply, amps: number): SupplyBudget['feeder'] {
  const { feed } = supply;
  if (!feed) return undefined;
  const drop = amps * wireOhms({ lengthM: 2 * feed.lengthM, mm2: feed.mm2 }).max;
  const bears = copperAmps(feed.mm2);
  return {
    from: feedersOf(supplies, supply)[0]?.tag ?? feed.from,
    drop,
    share: drop / supply.volts,
    bears,
    protects: supply.limitAmps <= bears,
  };
}

/** What a module takes for itself at a supply terminal that no point's circuit has reached, A. */
function ownDraw(index: JobIndex, ref: string, supply: Supply): number {
  const { item, terminal } = splitRef(ref);
  const module = index.module(item);
  if (!module) return 0;
  const own = index
    .moduleType(module)
    .circuit(IDLE)
    .find((element) => element.kind === 'resistor' && element.id === 'supply' && element.a === terminal);
  return own?.kind === 'resistor' ? supply.volts / own.ohms.nom : 0;
}
