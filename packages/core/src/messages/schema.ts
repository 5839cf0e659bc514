/** What a schema says by itself of a value that does not fit. */
export const SCHEMA = {
  'schema.type': ({ expected }: { expected: string }) => `This must be ${KINDS[expected] ?? expected}.`,
  'schema.too-big': ({ maximum, origin }: { maximum: number; origin: string }) =>
    origin === 'string'
      ? `At most ${maximum} characters fit here.`
      : origin === 'array'
        ? `At most ${maximum} of these fit here.`
        : `This is ${maximum} at most.`,
  'schema.too-small': ({ minimum, origin }: { minimum: number; origin: string }) =>
    origin === 'string'
      ? minimum === 1
        ? 'Enter something here.'
        : `At least ${minimum} characters are needed.`
      : origin === 'array'
        ? `At least ${minimum} of these are needed.`
        : `This is ${minimum} at least.`,
  'schema.value': ({ values }: { values: readonly (string | number)[] }) => `Allowed: ${values.join(', ')}.`,
  'schema.keys': ({ keys }: { keys: readonly string[] }) => `There is no ${keys.join(', ')} here.`,
  'schema.format': 'This is not written as it should be.',
  'schema.step': ({ divisor }: { divisor: number }) => `This must be a multiple of ${divisor}.`,
  'schema.union': 'This fits none of what is allowed here.',
  'schema.other': ({ said }: { said: string }) => said,
} as const;

const KINDS: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
};
