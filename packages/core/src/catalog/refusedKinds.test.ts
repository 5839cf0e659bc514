import { DEVICE_TYPES, refusedKind } from './index.ts';

test.each(['Muting lamp', 'mute', 'ENABLING device', 'enab', 'two-hand control', 'dead  man'])(
  '“%s” is refused, and leads to the safety engineer',
  (sought) => expect(refusedKind(sought)?.code).toBe('landing.defer-to-safety-engineer'),
);

test.each(['', 'mut', 'emergency', 'guard', 'button', 'inductive', 'two wires'])('“%s” is not', (sought) =>
  expect(refusedKind(sought)).toBeUndefined(),
);

test('no device that ships is called so', () => {
  const words = DEVICE_TYPES.flatMap(({ name, description }) => [name, ...(description.terms ?? [])]);
  expect(words.filter((word) => refusedKind(word))).toEqual([]);
});
