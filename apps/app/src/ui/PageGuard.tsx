import { useEffect, useState } from 'react';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { usePathname } from 'expo-router';
import { ErrorBoundary } from 'react-error-boundary';
import type { FallbackProps } from 'react-error-boundary';
import { NotFetched } from '../data/notFetched';
import { Button } from './Button';
import { Notice } from './Notice';
import { Text } from './Text';

/** Keeps a page that failed from leaving nothing at all: says what was lost and what was not, and the way on. */
export function PageGuard({ children }: { children: ReactNode }) {
  return <ErrorBoundary FallbackComponent={Failed}>{children}</ErrorBoundary>;
}

function Failed({ error }: FallbackProps) {
  // The router goes with the page and takes its address along, or had not come to show it.
  const path = usePathname();
  const { pathname, href } = window.location;
  const [address] = useState(path === pathname ? href : path);
  // The way back leads to a page that has to be begun anew.
  useEffect(() => {
    const anew = () => window.location.reload();
    window.addEventListener('popstate', anew);
    return () => window.removeEventListener('popstate', anew);
  }, []);
  const again = () => {
    window.history.replaceState(null, '', address);
    window.location.reload();
  };
  const isFetching = error instanceof NotFetched;
  return (
    <View role="main" className="mx-auto w-full max-w-[640px] gap-4 p-4">
      <Text as="head" role="heading" aria-level={1}>
        {isFetching ? 'This page did not arrive' : 'This page stopped'}
      </Text>
      <Notice
        actions={
          <>
            <Button label="Try again" kind="main" onPress={again} />
            <Button label="To the jobs" onPress={() => window.location.assign('/')} />
          </>
        }
      >
        {isFetching
          ? 'A part of the program could not be fetched: no network, or it was replaced by a newer one. What was stored is stored, and what you typed stays on this device.'
          : 'A fault in Key Post itself, not in your panel. What was stored is stored, and what you typed stays on this device.'}
      </Notice>
      {!isFetching && <Text as="mono">{error instanceof Error ? error.message : String(error)}</Text>}
    </View>
  );
}
