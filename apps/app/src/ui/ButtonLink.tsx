import type { Href } from 'expo-router';
import type { ReactNode } from 'react';
import { BUTTON_BOX, BUTTON_KINDS } from './Button';
import { GoTo } from './GoTo';
import { Text } from './Text';

/** A link to another page that looks like a button. */
export function ButtonLink({
  label,
  to,
  kind = 'plain',
  icon,
}: {
  label: string;
  to: Href;
  kind?: keyof typeof BUTTON_KINDS;
  icon?: ReactNode;
}) {
  const { box, text } = BUTTON_KINDS[kind];
  return (
    <GoTo label={label} to={to} className={`${BUTTON_BOX} ${box}`}>
      {icon}
      <Text as="strong" className={`text-center ${text}`}>
        {label}
      </Text>
    </GoTo>
  );
}
