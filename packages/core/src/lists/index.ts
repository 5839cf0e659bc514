export { canonical } from './canonical.ts';
export { Groups } from './groups.ts';
export { keepNewest } from './keepNewest.ts';
export { middleOf } from './middle.ts';
export { lastOf, nth } from './nth.ts';
export { oncePer } from './oncePer.ts';
export { own } from './own.ts';
export { pathsTo } from './pathsTo.ts';
export { sure } from './sure.ts';
