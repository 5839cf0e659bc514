import { JobProblem } from '@keypost/core/model';
import { perform } from './tasks';
import type { TaskName, Tasks } from './tasks';
import type { Word } from './useTask';

/** Does one task away from the page and tells how far it is. */
self.onmessage = ({ data }: MessageEvent<{ name: TaskName; given: Tasks[TaskName]['given'] }>) => {
  const say = (word: Word<TaskName>): void => self.postMessage(word);
  try {
    const run = perform(data.name, data.given);
    let told = performance.now();
    for (let step = run.next(); ; step = run.next()) {
      if (step.done) return say({ kind: 'answer', answer: step.value });
      if (performance.now() - told < 100) continue;
      told = performance.now();
      say({ kind: 'progress', count: step.value });
    }
  } catch (error) {
    say(
      error instanceof JobProblem
        ? { kind: 'refused', problems: [...error.problems] }
        : { kind: 'failed', message: String(error) },
    );
  }
};
