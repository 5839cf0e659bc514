import * as Kit from '@rn-primitives/radio-group';
import { useRef } from 'react';
import type { KeyboardEvent, ReactNode } from 'react';

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
  const tell = useTold(value, (next) => onChange(next as T));
  const keys = { onKeyDownCapture: goOn };
  return (
    <Kit.Root value={value} onValueChange={tell} {...keys} aria-label={label} className={className}>
      {children}
    </Kit.Root>
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
  return (
    <Kit.Item value={value} aria-label={label} className={className}>
      {children}
    </Kit.Item>
  );
}

/** By how many places an arrow goes on. */
const STEPS: Readonly<Record<string, number | undefined>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
};

/**
 * Goes on from the radio that has the keyboard, and chooses. The library does both in a task of its own after the key: on a
 * busy page the key is up by then, and nothing is chosen, or the next one is down already, and goes on from the old place.
 */
function goOn(event: KeyboardEvent<HTMLElement>): void {
  const step = STEPS[event.key];
  if (step === undefined || event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return;
  const radios = [...event.currentTarget.querySelectorAll<HTMLElement>('[role=radio]')];
  const from = radios.findIndex((radio) => radio === document.activeElement);
  const next = from < 0 ? undefined : radios.at((from + step) % radios.length);
  if (!next) return;
  event.preventDefault();
  next.focus();
  next.click();
}

/**
 * What is chosen is told once, though the library may say it twice, and not where it is chosen already; but where something
 * else was told before that is not yet taken up, the way back is told.
 */
function useTold(value: string, onChange: (value: string) => void) {
  const last = useRef<string>(undefined);
  const justTold = useRef(false);
  return (next: string): void => {
    if (
      last.current === next
        ? justTold.current || next === value
        : last.current === undefined && next === value
    )
      return;
    last.current = next;
    justTold.current = true;
    setTimeout(() => (justTold.current = false));
    onChange(next);
  };
}
