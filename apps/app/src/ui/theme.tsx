import { createContext, useContext, useEffect } from 'react';
import type { ReactNode } from 'react';
import { useColorScheme, View } from 'react-native';
import { vars } from 'nativewind';
import { useSettings } from '../data/settings';
import { useIsPrinting } from './printing';
import { TOKENS, variables } from './tokens';
import type { Scheme, Tokens } from './tokens';

const Theme = createContext<Scheme>('light');

/** Puts the chosen look round its children. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const system = useColorScheme();
  const { theme } = useSettings();
  const isPrinting = useIsPrinting();
  const chosen: Scheme = theme === 'system' ? (system === 'dark' ? 'dark' : 'light') : theme;
  // Paper is white whatever the screen is.
  const scheme = isPrinting ? 'paper' : chosen;
  useEffect(() => {
    const { bone } = TOKENS[scheme];
    // What the browser draws round the page, and behind it where it is pulled.
    document.querySelector('meta[name="theme-color"]')?.setAttribute('content', bone);
    document.body.style.backgroundColor = bone;
  }, [scheme]);
  return (
    <Theme.Provider value={scheme}>
      <View style={vars(variables(scheme))} className="flex-1 bg-bone">
        {children}
      </View>
    </Theme.Provider>
  );
}

/** Colours for what cannot be styled by class, such as drawings. */
export function useTokens(): Tokens {
  return TOKENS[useContext(Theme)];
}

export function useScheme(): Scheme {
  return useContext(Theme);
}
