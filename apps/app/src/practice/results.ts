import { LEVELS } from '@keypost/core/fault';
import type { Level, RoundResult } from '@keypost/core/fault';
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
