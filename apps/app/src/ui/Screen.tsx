import type { Href } from 'expo-router';
import { ChevronLeft } from './icons';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { usePageTitle } from './pageTitle';
import { Main } from './Main';
import { useTokens } from './theme';
import { Text } from './Text';
import { isLargeText } from './useWide';
import { GoTo } from './GoTo';

/** A page that scrolls under its head, with room for what must stay in reach of the thumb below. */
export function Screen({
  head,
  dock,
  narrow = false,
  pair = false,
  children,
}: {
  head: ReactNode;
  dock?: ReactNode;
  /** Keeps text and forms at a readable width on a wide screen. */
  narrow?: boolean;
  /** The same for a page of two columns. */
  pair?: boolean;
  children: ReactNode;
}) {
  const isLarge = isLargeText();
  return (
    <Main>
      <View className="min-h-0 flex-1 bg-bone">
        <ScrollView tabIndex={0} className="prints flex-1" contentContainerClassName="prints grow">
          <View
            className={`w-full gap-4 px-4 pb-6 pt-3 ${pair ? 'max-w-[1180px] self-center' : narrow ? 'max-w-[680px] self-center' : ''}`}
          >
            {head}
            {children}
          </View>
          {isLarge && dock}
        </ScrollView>
        {!isLarge && dock}
      </View>
    </Main>
  );
}

/** Back, and the name of the page. */
export function PageHead({
  over,
  title,
  beside,
  titled,
  back,
  aside,
}: {
  over?: string;
  title: string;
  /** Stands after the title on its own line. */
  beside?: string;
  /** What the page is called in the browser, if not by its title and what stands over it. */
  titled?: string;
  back?: Href;
  aside?: ReactNode;
}) {
  const { ink } = useTokens();
  usePageTitle(titled ?? [title, over?.trim().replace(/\s+/, ' ')].filter(Boolean).join(', '));
  return (
    <View className="flex-row items-center gap-1">
      {back !== undefined && (
        <GoTo label="Back" to={back} className="-ml-3 h-[48px] w-[48px] items-center justify-center">
          <ChevronLeft size={30} color={ink} />
        </GoTo>
      )}
      <View className="min-w-0 flex-1">
        {over !== undefined && over !== '' && <Text as="soft">{over}</Text>}
        <Text as="title">
          {title}
          {beside !== undefined && (
            <Text as="body" className="text-soft">
              {`  ${beside}`}
            </Text>
          )}
        </Text>
      </View>
      {aside}
    </View>
  );
}
