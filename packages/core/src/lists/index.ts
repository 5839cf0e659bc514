export { Groups } from './groups.ts';
export { lastOf, nth } from './nth.ts';
export { own } from './own.ts';
export { pathsTo } from './pathsTo.ts';
export { sure } from './sure.ts';
