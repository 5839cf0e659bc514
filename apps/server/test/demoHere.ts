import path from 'node:path';

/** Stands in for the demo's own way to its files, which the tests' module format does not have. */
export const here = path.resolve(__dirname, '../src/demo');
