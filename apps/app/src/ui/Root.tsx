import { lazy, Suspense, useEffect } from 'react';
import type { ReactNode } from 'react';
import { SWRConfig } from 'swr';
import { keepForReading, useKeptSince } from '../data/kept';
import { ThemeProvider } from './theme';

/** Hardly ever there: fetched when it is. */
const KeptNotice = lazy(async () => ({ default: (await import('../data/KeptNotice')).KeptNotice }));

/** What every screen stands in: look, and how data is read. */
export function Root({ children }: { children: ReactNode }) {
  const since = useKeptSince();
  useEffect(keepForReading, []);
  return (
    <SWRConfig
      value={{
        revalidateOnFocus: true,
        shouldRetryOnError: true,
        errorRetryInterval: 4000,
        keepPreviousData: true,
      }}
    >
      <ThemeProvider>
        {since !== undefined && (
          <Suspense>
            <KeptNotice since={since} />
          </Suspense>
        )}
        {children}
      </ThemeProvider>
    </SWRConfig>
  );
}
