import {
  allocate,
  allocationChange,
  helpfulChanges,
  planRelay,
  problemOf,
  supplyBudgets,
} from '@keypost/core';
import type {
  Allocation,
  AllocationWish,
  Change,
  JobContent,
  RelayPlan,
  RelayWish,
  SupplyBudget,
} from '@keypost/core';

/** Long work on a whole job, by name: what it is given and what it gives back. */
export interface Tasks {
  budgets: { given: { job: JobContent }; answer: SupplyBudget[] };
  relay: { given: { job: JobContent; pointId: string; wish: RelayWish }; answer: RelayPlan };
  allocate: {
    given: { job: JobContent; wish: AllocationWish };
    answer: { allocation: Allocation; change?: Change };
  };
}

export type TaskName = keyof Tasks;

/** Does a task; yields how far it is, in its own count, and returns its answer. */
export function* perform<N extends TaskName>(
  name: N,
  given: Tasks[N]['given'],
): Generator<number, Tasks[N]['answer']> {
  const steps = STEPS[name] as (g: Tasks[N]['given']) => Generator<number, Tasks[N]['answer']>;
  return yield* steps(given);
}

const STEPS: { [N in TaskName]: (given: Tasks[N]['given']) => Generator<number, Tasks[N]['answer']> } = {
  *budgets({ job }) {
    yield 0;
    return supplyBudgets(job);
  },
  *relay({ job, pointId, wish }) {
    yield 0;
    return planRelay(job, pointId, wish);
  },
  *allocate({ job, wish }) {
    const allocation = yield* allocate(problemOf(job, wish), helpfulChanges(job));
    return {
      allocation,
      ...(allocation.kind === 'allocated' && { change: allocationChange(job, allocation) }),
    };
  },
};
