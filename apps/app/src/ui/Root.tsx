import { lazy, Suspense, useEffect } from 'react';
import type { ReactNode } from 'react';
import { SWRConfig } from 'swr';
import { keepForReading, useKeptSince } from '../data/kept';
import { ProgramNotice } from '../data/ProgramNotice';
import { arriving } from '../data/notFetched';
import { useAsked } from '../data/who';
import { focusPage, keepFocus } from './focus';
import { PageGuard } from './PageGuard';
import { followPrinting } from './printing';
import { ThemeProvider } from './theme';

/** Hardly ever there: fetched when it is. */
const KeptNotice = lazy(async () => ({ default: (await arriving(import('../data/KeptNotice'))).KeptNotice }));

const WhoSheet = lazy(async () => ({ default: (await arriving(import('../data/WhoSheet'))).WhoSheet }));

/** What every screen stands in: look, and how data is read. */
export function Root({ children }: { children: ReactNode }) {
  const since = useKeptSince();
  const tell = useAsked();
  useEffect(keepForReading, []);
  useEffect(keepFocus, []);
  useEffect(followPrinting, []);
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
        <a
          href="#page"
          className="skip"
          onClick={(event) => {
            event.preventDefault();
            focusPage();
          }}
        >
          Skip to the page
        </a>
        <PageGuard>
          <ProgramNotice />
          {since !== undefined && (
            <Suspense>
              <KeptNotice since={since} />
            </Suspense>
          )}
          {children}
          {tell && (
            <Suspense>
              <WhoSheet tell={tell} />
            </Suspense>
          )}
        </PageGuard>
      </ThemeProvider>
    </SWRConfig>
  );
}
