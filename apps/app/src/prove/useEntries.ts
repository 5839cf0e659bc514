import { parseTyped } from '../ui/typedNumbers';
import { proofFingerprint, resultOf, unitOfExpected } from '@keypost/core/proving';
import type { Check } from '@keypost/core/proving';
import type { Instrument } from '@keypost/core/model';
import { z } from 'zod';
import { v4 as uuid } from 'uuid';
import { useDraftState } from '../data/drafts';
import { useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';

/** What was entered and is not stored yet: a text for a number, a choice for a lamp or bit. */
export type Entries = Readonly<Record<string, string | boolean>>;

const Entries = z.record(z.string(), z.union([z.string(), z.boolean()]));
const NONE: Entries = {};

const unitOf = ({ expected }: Check): string => unitOfExpected(expected);

/** What was entered at a check as a value; nothing where it is no number yet. */
export function valueOf(check: Check, entry: string | boolean | undefined): number | boolean | undefined {
  if (typeof entry !== 'string') return entry;
  const parsed = parseTyped(entry, unitOf(check));
  return parsed.ok ? parsed.value : undefined;
}

/** What is entered at some checks, until it is stored together. It stays when the page is left. */
export function useEntries(
  point: OpenPoint,
  part: 'states' | 'injection',
  checks: readonly Check[],
  instrument: Instrument | undefined,
) {
  const saver = useSave(point.view);
  const pointId = point.analysis.context.point.id;
  const [entries, setEntries] = useDraftState(`${point.view.id}.${pointId}.${part}`, Entries, NONE);
  const wrong = checks.some(
    (check) => typeof entries[check.key] === 'string' && valueOf(check, entries[check.key]) === undefined,
  );
  const store = () => {
    const fingerprint = proofFingerprint(point.analysis);
    const results = checks.flatMap((check) => {
      const value = valueOf(check, entries[check.key]);
      return value === undefined || !instrument
        ? []
        : [resultOf(uuid(), pointId, { check, fingerprint }, value, instrument)];
    });
    // What was entered while it was on its way stays.
    const then = () =>
      setEntries((now) =>
        Object.fromEntries(Object.entries(now).filter(([key, value]) => entries[key] !== value)),
      );
    if (results.length) void saver.save({ kind: 'record', results }, { then });
  };
  const enter = (key: string, value: string | boolean) =>
    setEntries((before) => {
      const { [key]: _, ...rest } = before;
      return value === '' || before[key] === value ? rest : { ...rest, [key]: value };
    });
  const count = checks.filter(({ key }) => entries[key] !== undefined).length;
  return {
    entries,
    enter,
    store,
    saver,
    count,
    ready: count > 0 && !wrong && instrument !== undefined,
  };
}
