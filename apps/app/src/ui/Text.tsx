import type { ReactNode } from 'react';
import { Text as NativeText } from 'react-native';
import type { TextProps } from 'react-native';
import { twMerge } from 'tailwind-merge';

const STYLES = {
  title: 'font-wordbold text-[26px] leading-[30px] text-ink',
  head: 'font-wordbold text-[18px] leading-[23px] text-ink',
  body: 'font-word text-[16px] leading-[22px] text-ink',
  strong: 'font-wordsemi text-[16px] leading-[22px] text-ink',
  soft: 'font-word text-[15px] leading-[20px] text-soft',
  small: 'font-word text-[14px] leading-[18px] text-soft',
  number: 'font-figurebold text-[17px] leading-[22px] text-ink',
  mono: 'font-figure text-[15px] leading-[20px] text-soft',
  fail: 'font-wordsemi text-[15px] leading-[20px] text-fail',
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
