import { refusalOf, said } from '../../test/said.ts';
import fc from 'fast-check';
import { sensitivitySetting } from './sensitivity.ts';

test('halfway between lost and seen, with both margins', () => {
  const { setting, toObject, toBackground, verdict, sentence } = sensitivitySetting({
    scale: 10,
    objectLost: 3,
    backgroundSeen: 8,
    stable: true,
  });
  expect([setting, toObject, toBackground, verdict]).toEqual([5.5, 2.5, 2.5, 'good']);
  expect(said(sentence)).toBe(
    'switching.set-losing-object-seeing setting=5.5 scale=10 margin=2.5 backgroundSeen=8 tight=false tight2=(switching.too-tight-dirt-another why=(switching.stability-lamp-both-states) narrow=false stable=true)',
  );
});

test('a background that is never seen counts as seen at full scale', () => {
  expect(sensitivitySetting({ scale: 10, objectLost: 4, stable: true }).setting).toBe(7);
});

test.each([
  ['little between them', 4, 5.8, true, 'switching.set-losing-object-seeing'],
  ['a stability LED that is off', 2, 8, false, 'switching.set-losing-object-seeing'],
  ['both', 4, 5, false, 'switching.set-losing-object-seeing'],
])('%s is too tight, and says what to do', (_, objectLost, backgroundSeen, stable, words) => {
  const { verdict, sentence } = sensitivitySetting({ scale: 10, objectLost, backgroundSeen, stable });
  expect(verdict).toBe('tight');
  expect(said(sentence)).toMatch(words);
  expect(said(sentence)).toMatch('switching.set-losing-object-seeing');
});

test.each([
  [{ scale: 0, objectLost: 0 }, 'switching.scale-adjuster-longer-0'],
  [{ scale: 10, objectLost: -1 }, 'switching.object-lost-somewhere-0 scale=10'],
  [{ scale: 10, objectLost: 10 }, 'switching.object-lost-somewhere-0 scale=10'],
  [{ scale: 10, objectLost: 2, backgroundSeen: 11 }, 'switching.background-seen-somewhere-above scale=10'],
  [{ scale: 10, objectLost: 6, backgroundSeen: 5 }, 'switching.background-seen-before-object'],
])('%j cannot be', (found, words) => {
  expect(refusalOf(() => sensitivitySetting({ stable: true, ...found }))).toMatch(words);
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
