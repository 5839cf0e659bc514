export { lastOf, nth } from './nth.ts';
export { sure } from './sure.ts';
