import { createContext, useContext } from 'react';
import type { ReactNode } from 'react';
import { useColorScheme, View } from 'react-native';
import { vars } from 'nativewind';
import { useSettings } from '../data/settings';
import { TOKENS, variables } from './tokens';
import type { Scheme, Tokens } from './tokens';

const Look = createContext<Scheme>('light');

/** Puts the chosen look round its children. */
export function LookProvider({ children }: { children: ReactNode }) {
  const system = useColorScheme();
  const { look } = useSettings();
  const scheme: Scheme = look === 'system' ? (system === 'dark' ? 'dark' : 'light') : look;
  return (
    <Look.Provider value={scheme}>
      <View style={vars(variables(scheme))} className="flex-1 bg-bone">
        {children}
      </View>
    </Look.Provider>
  );
}

/** Colours for what cannot be styled by class, such as drawings. */
export function useTokens(): Tokens {
  return TOKENS[useContext(Look)];
}

export function useScheme(): Scheme {
  return useContext(Look);
}
