import { createContext, useContext } from 'react';
import type { ReactNode } from 'react';
import { View } from 'react-native';

const Inside = createContext(false);

/** What a page is about, for those who jump to it; within another it is but a part of that. */
export function Main({ children }: { children: ReactNode }) {
  const isInside = useContext(Inside);
  if (isInside) return children;
  return (
    <Inside value>
      <View role="main" nativeID="page" className="min-h-0 flex-1">
        {children}
      </View>
    </Inside>
  );
}
