import type { ReactNode } from 'react';
import { Text as NativeText } from 'react-native';
import type { TextProps } from 'react-native';
import { twMerge } from 'tailwind-merge';

const STYLES = {
  title: 'font-wordbold text-[1.625rem] leading-[1.875rem] text-ink',
  head: 'font-wordbold text-[1.125rem] leading-[1.4375rem] text-ink',
  body: 'font-word text-[1rem] leading-[1.375rem] text-ink',
  strong: 'font-wordsemi text-[1rem] leading-[1.375rem] text-ink',
  soft: 'font-word text-[0.9375rem] leading-[1.25rem] text-soft',
  small: 'font-word text-[0.875rem] leading-[1.125rem] text-soft',
  number: 'font-figurebold text-[1.0625rem] leading-[1.375rem] text-ink',
  mono: 'font-figure text-[0.9375rem] leading-[1.25rem] text-soft',
  fail: 'font-wordsemi text-[0.9375rem] leading-[1.25rem] text-fail',
} as const;

/** All text of the interface goes through here. Classes given win over those of the style. */
export function Text({
  as = 'body',
  className = '',
  children,
  ...rest
}: TextProps & { as?: keyof typeof STYLES; children: ReactNode }) {
  const heading = as === 'title' ? ({ role: 'heading', 'aria-level': 1 } as const) : {};
  return (
    <NativeText {...heading} {...rest} className={twMerge(STYLES[as], className)}>
      {children}
    </NativeText>
  );
}
