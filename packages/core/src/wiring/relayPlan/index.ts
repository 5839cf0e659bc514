export * from './wish.ts';
export { planRelay } from './planRelay.ts';
export type { RelayPlan, RelayTerminal, Tried } from './planRelay.ts';
export type { Contact, Pole } from './poles.ts';
