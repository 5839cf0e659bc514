import { useCallback, useEffect, useRef, useState } from 'react';
import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import { readStored, store } from './stored';

const keyOf = (name: string): string => `keypost.draft.${name}`;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * What is typed and not stored yet: it outlasts the page, a reload and a dead server, and a second tab shows it too.
 * Once it is as empty as at the beginning, nothing is kept of it.
 * @param name of the draft, with the job and the row that it is about.
 */
export function useDraftState<T>(
  name: string,
  schema: z.ZodType<T>,
  empty: T,
): [T, (next: T | ((before: T) => T)) => void] {
  const key = keyOf(name);
  const [value, setValue] = useState<T>(() => readStored(key, schema) ?? empty);
  const latest = useRef(value);
  const [none] = useState(empty);
  const put = useCallback(
    (next: T | ((before: T) => T)) => {
      latest.current = next instanceof Function ? next(latest.current) : next;
      setValue(latest.current);
      store(key, same(latest.current, none) ? undefined : latest.current);
    },
    [key, none],
  );
  useEffect(() => {
    const follow = (event: StorageEvent) => {
      if (event.key !== key) return;
      latest.current = readStored(key, schema) ?? none;
      setValue(latest.current);
    };
    window.addEventListener('storage', follow);
    return () => window.removeEventListener('storage', follow);
  }, [key, schema, none]);
  return [value, put];
}

/** Keeps nothing any more of a draft whose form is gone. */
export const dropDraft = (name: string): void => store(keyOf(name), undefined);

export interface Draft {
  /** The form opened with what was typed before. */
  readonly isRestored: boolean;
  /** Stored, or left on purpose: nothing is kept any more. */
  readonly drop: () => void;
  /** Throws away what was typed before and goes on from what is stored. */
  readonly discard: () => void;
}

/** A form's draft with the way out of the form that keeps nothing, once it was stored or left on purpose. */
export function useLeaving<T extends FieldValues, Read>(
  form: UseFormReturn<T, unknown, Read>,
  name: string,
  onDone: () => void,
): { readonly draft: Draft; readonly leave: () => void } {
  const draft = useFormDraft(form, name);
  const leave = () => {
    draft.drop();
    onDone();
  };
  return { draft, leave };
}

const Kept = z.record(z.string(), z.unknown());

/**
 * Keeps what is typed into a form until it is dropped, and opens the form with it. Only fields that were changed are
 * kept, so that the others follow what is stored.
 */
export function useFormDraft<T extends FieldValues, Read>(
  form: UseFormReturn<T, unknown, Read>,
  name: string,
): Draft {
  const key = keyOf(name);
  const [first] = useState<T>(() => JSON.parse(JSON.stringify(form.getValues())) as T);
  const [kept] = useState(() => readStored(key, Kept));
  const [isRestored, setRestored] = useState(kept !== undefined);
  const keeps = useRef(true);
  const isTaken = useRef(false);
  useEffect(() => {
    for (const [field, value] of Object.entries(isTaken.current ? {} : (kept ?? {})))
      if (field in first) form.setValue(field as Path<T>, value as never, { shouldDirty: true });
    isTaken.current = true;
    return form.subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        if (!keeps.current) return;
        const changed = Object.entries(values).filter(([field, value]) => !same(value, first[field]));
        store(key, changed.length ? Object.fromEntries(changed) : undefined);
      },
    });
  }, [first, form, kept, key]);
  const drop = useCallback(() => {
    keeps.current = false;
    store(key, undefined);
  }, [key]);
  const discard = useCallback(() => {
    store(key, undefined);
    setRestored(false);
    form.reset(first);
  }, [key, form, first]);
  return { isRestored, drop, discard };
}
