import loadHighs from 'highs';
import type { IntegerSolver } from '../src/planning/index.ts';

/** The integer programming solver with which the app allocates. */
export async function integerSolver(): Promise<IntegerSolver> {
  const highs = await loadHighs();
  return (program, options) => highs.solve(program, options);
}
