export { groupsOf, suspects, unexplained } from './diagnose.ts';
export type { Seen, Suspect } from './diagnose.ts';
export { dictionaryOf, hasDictionary, sightsOf } from './dictionary.ts';
export type { Dictionary, DictionaryRow, Sight } from './dictionary.ts';
export type { Look } from './looks.ts';
export { lookText } from './lookText.ts';
export { nextLooks } from './nextLook.ts';
export type { Proposal } from './nextLook.ts';
