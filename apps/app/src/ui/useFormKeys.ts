import { useEffect, useRef } from 'react';
import type { View } from 'react-native';
import { focusWrong, formAround } from './focus';

/** So many frames a refusal may take until it stands at its field. */
const FRAMES = 6;

const formOf = (foot: View | null): Element | undefined =>
  foot ? formAround(foot as unknown as Element) : undefined;

function lookForWrong(foot: View | null, frames = FRAMES): void {
  const form = formOf(foot);
  if (form && !focusWrong(form) && frames > 0) requestAnimationFrame(() => lookForWrong(foot, frames - 1));
}

/**
 * The keys of a form, seen from its foot: Enter in a field stores, Escape leaves. What is refused gets the keyboard at
 * the first field that is wrong.
 */
export function useFormKeys({
  onStore,
  onCancel,
  isOpen,
  waiting,
}: {
  onStore: () => void;
  onCancel: () => void;
  /** Whether it can be stored now. */
  isOpen: boolean;
  waiting: boolean;
}) {
  const foot = useRef<View>(null);
  const store = () => {
    onStore();
    lookForWrong(foot.current);
  };
  useEffect(() => {
    const form = formOf(foot.current);
    const pressed = (event: Event): void => {
      const { key, target, defaultPrevented, isComposing } = event as KeyboardEvent;
      if (defaultPrevented || isComposing) return;
      if (key === 'Escape') {
        event.preventDefault();
        onCancel();
      }
      const inField = target instanceof HTMLInputElement && target.dataset['ownEnter'] === undefined;
      if (key !== 'Enter' || !inField || !isOpen) return;
      event.preventDefault();
      store();
    };
    form?.addEventListener('keydown', pressed);
    return () => form?.removeEventListener('keydown', pressed);
  });
  const was = useRef(waiting);
  useEffect(() => {
    if (was.current && !waiting) lookForWrong(foot.current);
    was.current = waiting;
  }, [waiting]);
  return { foot, store };
}
