import { Link } from 'expo-router';
import type { Href } from 'expo-router';
import { Pressable } from 'react-native';
import type { PressableProps } from 'react-native';
import type { ReactNode } from 'react';

/** A place to press that leads to another page: a true link, for keyboards, readers and new windows. */
export function GoTo({
  to,
  label,
  here,
  replace = false,
  className,
  children,
  ...rest
}: Omit<PressableProps, 'children' | 'onPress'> & {
  to: Href;
  label: string;
  /** Whether it leads to where one is. */
  here?: boolean;
  /** It takes the place of this page in the history: a part of the same thing. */
  replace?: boolean;
  className: string;
  children: ReactNode;
}) {
  return (
    <Link href={to} replace={replace} asChild>
      <Pressable {...rest} aria-label={label} aria-current={here ? 'page' : undefined} className={className}>
        {children}
      </Pressable>
    </Link>
  );
}
