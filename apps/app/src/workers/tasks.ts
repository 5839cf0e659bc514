import { say } from '@keypost/core/messages';
import {
  allocate,
  allocationChange,
  helpfulChanges,
  planRelay,
  problemOf,
  supplyBudgets,
} from '@keypost/core/planning';
import { analyse } from '@keypost/core/analysis';
import { dictionaryOf, faultPairs, sharedParts } from '@keypost/core/fault';
import type { Dictionary, FoundPairs, Seen, SharedPart } from '@keypost/core/fault';
import { budgetAt, chainOf, executeAll, plcCode, sweepChain } from '@keypost/core/scaling';
import { executeLadder, jobProgram } from '@keypost/core/switching';
import type { JobProgram, LadderExecuted, LadderExecution, RealType } from '@keypost/core/switching';
import { faultExperience, JobIndex } from '@keypost/core/job';
import { JobProblem } from '@keypost/core/model';
import type {
  Allocation,
  AllocationRequest,
  IntegerSolver,
  RelayPlan,
  RelayRequest,
  SupplyBudget,
} from '@keypost/core/planning';
import type { Change } from '@keypost/core/job';
import type { CodeKind, CodeRequest, Execution, Sweep } from '@keypost/core/scaling';
import type { JobContent, Problem } from '@keypost/core/model';

/** Long work on a whole job, by name: what it is given and what it gives back. */
export interface Tasks {
  budgets: { given: { job: JobContent }; answer: SupplyBudget[] };
  relay: { given: { job: JobContent; pointId: string; request: RelayRequest }; answer: RelayPlan };
  allocate: {
    given: { job: JobContent; request: AllocationRequest };
    answer: { allocation: Allocation; change?: Change };
  };
  /** A point's chain, count by count, with its error band. */
  sweep: { given: { job: JobContent; pointId: string }; answer: Sweep };
  /** Code for the controller, executed over every count. */
  execute: { given: { request: CodeRequest; kind: CodeKind }; answer: Execution };
  /** One program for the controller with all points. */
  jobProgram: { given: { job: JobContent; type: RealType }; answer: JobProgram };
  /** An alarm ladder's code, executed beside it. */
  executeLadder: { given: LadderExecution; answer: LadderExecuted };
  /** What a point shows with each thing that can be wrong. */
  faults: { given: { job: JobContent; pointId: string }; answer: Dictionary };
  /** Two faults at once, after what was seen. */
  pairs: { given: { job: JobContent; pointId: string; seen: readonly Seen[] }; answer: FoundPairs };
  /** What several points of a job hang on. */
  shared: { given: { job: JobContent }; answer: SharedPart[] };
}

export type TaskName = keyof Tasks;

/** What came of a task. */
export type Outcome<N extends TaskName> =
  | { readonly kind: 'answer'; readonly answer: Tasks[N]['answer'] }
  | { readonly kind: 'refused'; readonly problems: Problem[] }
  | { readonly kind: 'failed'; readonly message: string };

/** Does a task; yields how far it is, in its own count, and returns its answer. */
export function* perform<N extends TaskName>(
  name: N,
  given: Tasks[N]['given'],
  tools: Tools = {},
): Generator<number, Tasks[N]['answer']> {
  return yield* (STEPS[name] as Steps<N>)(given, tools);
}

/** What some tasks need that is loaded first. */
export interface Tools {
  readonly solver?: IntegerSolver;
}

type Steps<N extends TaskName> = (
  given: Tasks[N]['given'],
  tools: Tools,
) => Generator<number, Tasks[N]['answer']>;

const STEPS: { [N in TaskName]: Steps<N> } = {
  *budgets({ job }) {
    yield 0;
    return supplyBudgets(job);
  },
  *relay({ job, pointId, request }) {
    yield 0;
    return planRelay(job, pointId, request);
  },
  *allocate({ job, request }, { solver }) {
    yield 0;
    if (!solver) throw new Error('Channels are allocated in a worker only.');
    const allocation = allocate(problemOf(job, request), solver, helpfulChanges(job));
    return {
      allocation,
      ...(allocation.kind === 'allocated' && { change: allocationChange(job, allocation) }),
    };
  },
  *sweep({ job, pointId }) {
    const analysis = analyse(new JobIndex(job), pointId);
    const made = chainOf(analysis);
    if (!made || 'problem' in made)
      throw new JobProblem([{ path: '', message: made?.problem ?? say('scaling.nothing-measured') }]);
    const { low, high } = made.chain.sensor;
    const knots = Array.from({ length: 9 }, (_, i) => low + (i / 8) * (high - low)).map((value) => ({
      value,
      plusMinus: budgetAt(analysis, made, value).worst,
    }));
    return yield* sweepChain(made.chain, knots);
  },
  *jobProgram({ job, type }) {
    return yield* jobProgram(new JobIndex(job), type);
  },
  *executeLadder(given) {
    return yield* executeLadder(given);
  },
  *faults({ job, pointId }) {
    yield 0;
    return dictionaryOf(analyse(new JobIndex(job), pointId));
  },
  *pairs({ job, pointId, seen }) {
    yield 0;
    return faultPairs(analyse(new JobIndex(job), pointId), seen, faultExperience(job));
  },
  *shared({ job }) {
    yield 0;
    return sharedParts(new JobIndex(job));
  },
  *execute({ request, kind }) {
    return yield* executeAll(request, plcCode(request, kind));
  },
};
