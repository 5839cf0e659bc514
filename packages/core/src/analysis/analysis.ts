import { lastOf, nth } from '../lists/index.ts';
import { contextOf } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import { guardNets, guardRun } from './guardRun.ts';
import type { JobIndex } from '../job/index.ts';
import { situationsOf } from './situations.ts';
import type { Situation } from './situations.ts';
import { netlistOf, solveState } from './states.ts';
import type { Nets, PointState, Wanted } from './states.ts';

export interface Analysis {
  readonly context: PointContext;
  /** One state for each thing that is done to the point; `away` is the first of them, `present` the last. */
  readonly shown: readonly PointState[];
  readonly away: PointState;
  readonly present: PointState;
  /** All solved states, those with the other devices of a loose common active among them. */
  readonly states: readonly PointState[];
  /** Of a guard that is reset by hand: closed, with the button held down. */
  readonly pressed?: PointState;
  /**
   * Further states that are looked at: of a guard, its reset, its single channels and its test pulses. They are solved
   * when they are first asked for.
   */
  readonly staged: readonly PointState[];
  /** The first state as it is before anything was ever on; only where the circuit has a memory. */
  readonly cold?: PointState;
}

/**
 * Solves a point for every state of its target and, where they act on it, of its neighbours.
 * @param wanted `nominal` leaves the worst cases out: quicker, for what only has to be thrown out early.
 */
export function analyse(index: JobIndex, pointId: string, wanted: Wanted = 'bands'): Analysis {
  const context = contextOf(index, pointId);
  if (context.output.drivenBy === 'guard') {
    const { shown, pressed, staged } = guardRun(context, wanted);
    const own = { context, shown, away: nth(shown, 0), present: nth(shown, 1), states: shown, pressed };
    let further: readonly PointState[] | undefined;
    return {
      ...own,
      get staged() {
        return (further ??= staged());
      },
    };
  }
  const situations = situationsOf(context);
  const { shown, cold } = run(context, situations, wanted);
  const others = context.scope.mateIds.length
    ? run(
        context,
        situations.map((situation) => ({ ...situation, others: true })),
        wanted,
      ).shown
    : [];
  return {
    context,
    shown,
    away: nth(shown, 0),
    present: lastOf(shown),
    states: [...shown, ...others],
    staged: [],
    cold,
  };
}

/** The circuits of a point at the ends of what is done to it, as those of an analysis, but for what was on before. */
export function netsIn(context: PointContext): Nets {
  if (context.output.drivenBy === 'guard') return guardNets(context);
  const situations = situationsOf(context);
  return {
    away: netlistOf(context, nth(situations, 0)),
    present: netlistOf(context, lastOf(situations)),
  };
}

/** Goes through the states in turn, each beginning with what the one before left on; twice round if that matters. */
function run(
  context: PointContext,
  situations: readonly Situation[],
  wanted: Wanted,
): { shown: PointState[]; cold?: PointState } {
  const first = solveState(context, nth(situations, 0), undefined, wanted);
  const remembers = first.netlist.elements.some(({ kind }) => kind === 'detector' || kind === 'latch');
  if (!remembers)
    return {
      shown: [
        first,
        ...situations.slice(1).map((situation) => solveState(context, situation, undefined, wanted)),
      ],
    };
  let { held } = first.solution;
  const round = (bands: Wanted): PointState[] =>
    situations.map((situation) => {
      const state = solveState(context, situation, held, bands);
      ({ held } = state.solution);
      return state;
    });
  round('nominal');
  return { shown: round(wanted), cold: first };
}
