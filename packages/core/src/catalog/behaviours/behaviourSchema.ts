import { z } from 'zod';
import { ALL } from './behaviours.ts';
import type { Known } from './behaviours.ts';

type Schema = ReturnType<Known['schema']>;

const SCHEMAS = ALL.map(({ schema }) => schema()) as unknown as [Schema, ...Schema[]];

/** The schema of a behaviour in a description. */
export const BehaviourOf = z.discriminatedUnion('model', SCHEMAS);
