export * from './span.ts';
export * from './netlist.ts';
export { compile } from './compile.ts';
export { solve, Solver } from './solve.ts';
export type { Solution, Outcome } from './solve.ts';
export * from './bands.ts';
export * from './faults.ts';
export { resistanceBetween } from './resistance.ts';
export * from './input.ts';
