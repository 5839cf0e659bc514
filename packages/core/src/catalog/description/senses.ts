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
