import { textOf } from '../messages/index.ts';
import fc from 'fast-check';
import { sensitivitySetting } from './diffuseSetting.ts';

test('halfway between lost and seen, with both margins', () => {
  const { setting, toObject, toBackground, verdict, sentence } = sensitivitySetting({
    scale: 10,
    objectLost: 3,
    backgroundSeen: 8,
    stable: true,
  });
  expect([setting, toObject, toBackground, verdict]).toEqual([5.5, 2.5, 2.5, 'good']);
  expect(textOf(sentence)).toBe(
    'Set it to 5.5 of 10: 2.5 from losing the object, 2.5 from seeing the background.',
  );
});

test('a background that is never seen counts as seen at full scale', () => {
  expect(sensitivitySetting({ scale: 10, objectLost: 4, stable: true }).setting).toBe(7);
});

test.each([
  ['little between them', 4, 5.8, true, /less than 1\.0 is left to either side\./],
  ['a stability LED that is off', 2, 8, false, /the stability LED is not on/],
  ['both', 4, 5, false, /less than 1\.0 is left to either side, and the stability LED/],
])('%s is too tight, and says what to do', (_, objectLost, backgroundSeen, stable, words) => {
  const { verdict, sentence } = sensitivitySetting({ scale: 10, objectLost, backgroundSeen, stable });
  expect(verdict).toBe('tight');
  expect(textOf(sentence)).toMatch(words);
  expect(textOf(sentence)).toMatch(/background suppression/);
});

test.each([
  [{ scale: 0, objectLost: 0 }, /longer than 0/],
  [{ scale: 10, objectLost: -1 }, /from 0 to below 10/],
  [{ scale: 10, objectLost: 10 }, /from 0 to below 10/],
  [{ scale: 10, objectLost: 2, backgroundSeen: 11 }, /up to 10/],
  [{ scale: 10, objectLost: 6, backgroundSeen: 5 }, /seen before the object/],
])('%j cannot be', (found, words) => {
  expect(() => sensitivitySetting({ stable: true, ...found })).toThrow(words);
});

test('the setting is always between the two, its margins alike, and their sum what lies between', () => {
  const pair = fc
    .tuple(fc.double({ min: 0, max: 99, noNaN: true }), fc.double({ min: 0.01, max: 100, noNaN: true }))
    .filter(([lost, seen]) => lost < seen);
  fc.assert(
    fc.property(pair, fc.boolean(), ([objectLost, backgroundSeen], stable) => {
      const s = sensitivitySetting({ scale: 100, objectLost, backgroundSeen, stable });
      expect(s.setting).toBeGreaterThanOrEqual(objectLost);
      expect(s.setting).toBeLessThanOrEqual(backgroundSeen);
      expect(s.toObject + s.toBackground).toBeCloseTo(backgroundSeen - objectLost, 9);
      expect(s.verdict === 'good').toBe(stable && s.toObject >= 10);
    }),
  );
});
