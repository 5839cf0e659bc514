import '@keypost/core/messages/all';
import { JobProblem } from '@keypost/core/model';
import { expose } from 'comlink';
import loadHighs from 'highs';
import wasm from 'highs/runtime';
import { perform } from './tasks';
import type { Outcome, TaskName, Tasks, Tools } from './tasks';

/** The integer programming solver is large: it is fetched for the task that needs it. */
async function toolsFor(name: TaskName): Promise<Tools> {
  if (name !== 'allocate') return {};
  const highs = await loadHighs({ locateFile: () => wasm });
  return { solver: (program, options) => highs.solve(program, options) };
}

/** Does one task away from the page and tells how far it is, ten times a second. */
async function run<N extends TaskName>(
  name: N,
  given: Tasks[N]['given'],
  tell: (count: number) => void,
): Promise<Outcome<N>> {
  try {
    const steps = perform(name, given, await toolsFor(name));
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
