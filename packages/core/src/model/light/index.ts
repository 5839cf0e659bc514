/** What of the model a page begins with: no schemas. */
export { openFaults } from '../openFaults.ts';
export { JobProblem, problemText } from '../problem.ts';
