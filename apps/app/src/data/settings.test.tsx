import { sure } from '@keypost/core/lists';
import { act, render, screen } from '@testing-library/react';
import { ThemeProvider, useScheme, useTokens } from '../ui/theme';
import { TOKENS, variables } from '../ui/tokens';
import { changeSettings, keptSettings, useSettings } from './settings';

function Probe() {
  const { by, theme } = useSettings();
  const scheme = useScheme();
  return <p>{`${by} ${theme} ${scheme} ${useTokens().ink}`}</p>;
}

beforeEach(() => changeSettings({ by: '', theme: 'system' }));

test('what is changed is seen at once, and kept on this device', () => {
  render(
    <ThemeProvider>
      <Probe />
    </ThemeProvider>,
  );
  act(() => changeSettings({ by: 'MR', theme: 'dark' }));
  expect(screen.getByText(`MR dark dark ${TOKENS.dark.ink}`)).toBeTruthy();
  act(() => changeSettings({ theme: 'light' }));
  expect(screen.getByText(`MR light light ${TOKENS.light.ink}`)).toBeTruthy();
  expect(JSON.parse(sure(localStorage.getItem('keypost.settings')))).toEqual({ by: 'MR', theme: 'light' });
});

test('what was kept under the older name of the theme still counts', () => {
  const read = (kept: unknown) => {
    localStorage.setItem('keypost.settings', JSON.stringify(kept));
    return keptSettings();
  };
  expect(read({ by: 'MR', look: 'dark' })).toEqual({ by: 'MR', theme: 'dark' });
  expect(read({ by: 'MR', look: 'dark', theme: 'light' })).toEqual({ by: 'MR', theme: 'light' });
  const none = { by: '', theme: 'system' };
  for (const odd of [{}, { by: 'MR', theme: 'pink' }, { by: 7 }, [], null, 'MR'])
    expect(read(odd)).toEqual(none);
});

test('both looks have the same tokens, as channels for the style sheet', () => {
  expect(Object.keys(TOKENS.dark)).toEqual(Object.keys(TOKENS.light));
  expect(variables('light')['--ink']).toBe('28 32 29');
});

/** Relative luminance and contrast of WCAG 2. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string): number => {
    const [r, g, bl] = [1, 3, 5].map((at) => {
      const c = parseInt(hex.slice(at, at + 2), 16) / 255;
      return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * sure(r) + 0.7152 * sure(g) + 0.0722 * sure(bl);
  };
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

test.each(['light', 'dark'] as const)(
  'in the %s look every text colour can be read on plate and ground',
  (scheme) => {
    const t = TOKENS[scheme];
    for (const text of [t.ink, t.soft, t.accent, t.pass, t.fail, t.wait])
      for (const ground of [t.plate, t.bone]) expect(contrast(text, ground)).toBeGreaterThanOrEqual(4.5);
  },
);
