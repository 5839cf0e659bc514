import { lazy, Suspense, useEffect } from 'react';
import type { ReactNode } from 'react';
import { SWRConfig } from 'swr';
import { keepForReading, useKeptSince, useNewer } from '../data/kept';
import { NewerNotice } from '../data/NewerNotice';
import { useAsked } from '../data/who';
import { focusPage, keepFocus } from './focus';
import { followPrinting } from './printing';
import { ThemeProvider } from './theme';

/** Hardly ever there: fetched when it is. */
const KeptNotice = lazy(async () => ({ default: (await import('../data/KeptNotice')).KeptNotice }));

const WhoSheet = lazy(async () => ({ default: (await import('../data/WhoSheet')).WhoSheet }));

/** What every screen stands in: look, and how data is read. */
export function Root({ children }: { children: ReactNode }) {
  const since = useKeptSince();
  const isOld = useNewer();
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
        {since !== undefined && (
          <Suspense>
            <KeptNotice since={since} />
          </Suspense>
        )}
        {isOld && <NewerNotice />}
        {children}
        {tell && (
          <Suspense>
            <WhoSheet tell={tell} />
          </Suspense>
        )}
      </ThemeProvider>
    </SWRConfig>
  );
}
