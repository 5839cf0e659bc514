import * as Kit from '@rn-primitives/radio-group';
import { createContext, useContext, useRef } from 'react';
import type { ReactNode } from 'react';

const Follow = createContext<(value: string) => void>(() => undefined);

/**
 * The frame of radios of any look: one stop of the tab key, arrows go from one to the next and choose.
 * Every group of radios is made of it and of `Radio`.
 */
export function Radios<T extends string>({
  label,
  value,
  onChange,
  className,
  children,
}: {
  label?: string;
  /** What is chosen; any other word where nothing is. */
  value: T | '';
  onChange: (value: T) => void;
  className: string;
  children: ReactNode;
}) {
  const { watch, follow, tell } = useArrows(value, (next) => onChange(next as T));
  return (
    <Follow.Provider value={follow}>
      <Kit.Root value={value} onValueChange={tell} {...watch} aria-label={label} className={className}>
        {children}
      </Kit.Root>
    </Follow.Provider>
  );
}

/** One of them. */
export function Radio({
  value,
  label,
  className,
  children,
}: {
  value: string;
  label: string;
  className: string;
  children: ReactNode;
}) {
  const follow = useContext(Follow);
  return (
    <Kit.Item value={value} aria-label={label} onFocus={() => follow(value)} className={className}>
      {children}
    </Kit.Item>
  );
}

/**
 * An arrow chooses what it leads to. The library does so only while the key is still down when the focus has moved, which
 * on a busy page it is not any more; where both choose, it is told once. What was chosen before and is not yet taken up by
 * a server is no reason to leave out the way back.
 */
function useArrows(value: string, onChange: (value: string) => void) {
  const byArrow = useRef(false);
  const last = useRef<string>(undefined);
  const justTold = useRef(false);
  const tell = (next: string): void => {
    if (justTold.current && last.current === next) return;
    last.current = next;
    justTold.current = true;
    setTimeout(() => (justTold.current = false));
    onChange(next);
  };
  const follow = (next: string): void => {
    if (byArrow.current && (next !== value || (last.current ?? next) !== next)) tell(next);
    byArrow.current = false;
  };
  const watch = {
    onKeyDown: ({ key }: { readonly key: string }) => {
      byArrow.current = key.startsWith('Arrow');
    },
  };
  return { watch, follow, tell };
}
