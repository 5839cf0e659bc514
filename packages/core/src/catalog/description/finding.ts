import { z } from 'zod';

/** What a device can be made to sense, by key, with the word for it. */
export const SENSES = {
  metal: 'Metal',
  object: 'Any object',
  beam: 'Light beam',
  level: 'Level',
  flow: 'Flow',
  pressure: 'Pressure',
  temperature: 'Temperature',
  distance: 'Distance',
  force: 'Force or load',
  position: 'Position or movement',
  rotation: 'Rotation or speed',
  guard: 'Guard or stop',
  quality: 'Gas or liquid',
  electric: 'Current or power',
} as const;
export type Sense = keyof typeof SENSES;

/** By what else than its name a part is found: what it senses, and what people call it. */
export const FINDING = {
  senses: z
    .array(z.enum(Object.keys(SENSES) as [Sense, ...Sense[]]))
    .max(6)
    .optional(),
  terms: z.array(z.string().min(1).max(40)).max(20).optional(),
};
