import type { FaultSort, Often } from '@keypost/core/model';

/** The sorts of things that can be wrong, in a word or two. */
export const SORT_TEXT: Readonly<Record<FaultSort, string>> = {
  'wire-open': 'wire interrupted',
  'wire-weak': 'bad joint',
  'wires-exchanged': 'wires exchanged',
  'wire-short': 'wire touches a rail',
  supply: 'supply',
  output: 'output stuck',
  target: 'target not seen, or always',
  kind: 'another kind or logic',
  setting: 'setting',
  input: 'input',
  led: 'LED',
  program: 'program',
  part: 'inside a part',
  other: 'other',
};

/** How often a sort is what is wrong. */
export const OFTEN_TEXT: Readonly<Record<Often, string>> = {
  seldom: 'Seldom',
  usual: 'As usual',
  often: 'Often',
};
