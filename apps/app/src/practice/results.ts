import { LEVELS } from '@keypost/core/fault';
import type { Level, RoundResult } from '@keypost/core/fault';
import type { FaultSort } from '@keypost/core/model';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';

const Results = z.array(
  z.object({
    code: z.string(),
    level: z.enum(LEVELS),
    by: z.string(),
    tag: z.string(),
    sort: z.string(),
    found: z.boolean(),
    over: z.string(),
    looks: z.number(),
    seconds: z.number(),
    at: z.string(),
  }),
);

/** Rounds that were answered on this device, oldest first; no job knows of them. */
export const useResults = () => useDraftState<RoundResult[]>('practice.results', Results, []);

export const LEVEL_TEXT: Readonly<Record<Level, string>> = {
  easy: 'Easy',
  usual: 'Usual',
  hard: 'Hard',
  mean: 'Mean',
};

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
