import { JobProblem } from '@keypost/core/model';
import { expose } from 'comlink';
import { perform } from './tasks';
import type { Outcome, TaskName, Tasks } from './tasks';

/** Does one task away from the page and tells how far it is, ten times a second. */
function run<N extends TaskName>(
  name: N,
  given: Tasks[N]['given'],
  tell: (count: number) => void,
): Outcome<N> {
  try {
    const steps = perform(name, given);
    let told = performance.now();
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done) return { kind: 'answer', answer: step.value };
      if (performance.now() - told < 100) continue;
      told = performance.now();
      tell(step.value);
    }
  } catch (error) {
    return error instanceof JobProblem
      ? { kind: 'refused', problems: [...error.problems] }
      : { kind: 'failed', message: String(error) };
  }
}

const planner = { run };
export type Planner = typeof planner;

expose(planner);
