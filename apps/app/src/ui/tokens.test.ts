import { PATH, TOKENS } from './tokens';
import type { Tokens } from './tokens';

/** Relative luminance of a colour (WCAG 2.2). */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(a: string, b: string): number {
  const [dark = 0, light = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (light + 0.05) / (dark + 0.05);
}

test('contrast is as the standard has it: black on white 21, alike 1', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 6);
  expect(contrast('#0B6A61', '#0B6A61')).toBe(1);
});

describe.each(Object.entries(TOKENS))('%s', (_, tokens: Tokens) => {
  const grounds = ['bone', 'plate'] as const;

  test.each(['ink', 'soft', 'accent', 'pass', 'fail', 'wait'] as const)(
    '%s can be read, small too',
    (name) => {
      for (const ground of grounds)
        expect(contrast(tokens[name], tokens[ground])).toBeGreaterThanOrEqual(4.5);
    },
  );

  test('text stands on the washes as well', () => {
    for (const name of ['ink', 'soft', 'accent', 'wait'] as const)
      expect(contrast(tokens[name], tokens.wash)).toBeGreaterThanOrEqual(4.5);
    for (const name of ['ink', 'soft', 'fail'] as const)
      expect(contrast(tokens[name], tokens.failwash)).toBeGreaterThanOrEqual(4.5);
  });

  test('what can be touched has a rim that is seen', () => {
    for (const ground of grounds) expect(contrast(tokens.rim, tokens[ground])).toBeGreaterThanOrEqual(3);
  });
});

test('the current’s path is seen: by itself on dark, by its rim on light', () => {
  expect(contrast(PATH, TOKENS.dark.bone)).toBeGreaterThanOrEqual(3);
  expect(contrast(PATH, TOKENS.dark.plate)).toBeGreaterThanOrEqual(3);
  expect(contrast(PATH, TOKENS.light.ink)).toBeGreaterThanOrEqual(3);
  expect(contrast(TOKENS.light.ink, TOKENS.light.bone)).toBeGreaterThanOrEqual(3);
});
