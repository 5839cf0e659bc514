import type { JobEvent } from '@keypost/api';

type Fields = Readonly<Record<string, unknown>>;

const THINGS: Readonly<Record<string, string>> = {
  supplies: 'Supply',
  modules: 'Module',
  devices: 'Device',
  points: 'Point',
  wires: 'Wire',
};

const FIELD_WORDS: Readonly<Record<string, string>> = {
  tag: 'tag',
  name: 'name',
  site: 'site',
  typeId: 'type',
  output: 'output',
  logic: 'logic',
  bit: 'program bit',
  firstByte: 'first byte',
  from: 'one end',
  to: 'other end',
  colour: 'colour',
  volts: 'voltage',
  tolerancePercent: 'tolerance',
  number: 'number',
};

/** One event in a sentence that a technician can read. */
export function eventWords({ shelf, before, after }: JobEvent): string {
  if (shelf === 'stamps') return stampWords(before, after);
  if (shelf === 'results' && after) return resultWords(after);
  if (shelf === 'job') return after ? `Job named ${text(after.name)}, ${text(after.site)}` : 'Job removed';
  const thing = `${THINGS[shelf] ?? shelf} ${nameOf(after ?? before ?? {})}`;
  if (!before) return `${thing} added${ends(after)}`;
  if (!after) return `${thing} removed${ends(before)}`;
  return `${thing} changed: ${differences(before, after)}`;
}

/** What was seen at a check: volts, on or off, or the bit where a bit was expected. */
export function seenWords(measured: number | boolean, expected: string): string {
  if (typeof measured === 'number') return `${measured.toFixed(1)}\u00a0V`;
  if (expected === '0' || expected === '1') return measured ? '1' : '0';
  return measured ? 'on' : 'off';
}

/** Who did it and when: a stamp or result carries that itself, even when it came in with a file. */
export function whoAndWhen({ by, at, after }: JobEvent): { by: string; at: string } {
  const own = (after?.undone ?? after) as { by?: unknown; at?: unknown } | null;
  return typeof own?.by === 'string' && typeof own.at === 'string' ? { by: own.by, at: own.at } : { by, at };
}

function stampWords(before: Fields | null, after: Fields | null): string {
  const undone = after?.undone as { reason?: string } | undefined;
  if (undone) return `Undone: ${text(after?.subject)}. Why: ${text(undone.reason)}`;
  return before ? `Step removed: ${text(before.subject)}` : `Done: ${text(after?.subject)}`;
}

function resultWords(after: Fields): string {
  const expected = (after.expected as { text?: string } | undefined)?.text ?? '';
  const measured = seenWords(after.measured as number | boolean, expected);
  const state = text(after.check).startsWith('present')
    ? ' with target'
    : text(after.check).startsWith('away')
      ? ' without target'
      : '';
  return `${after.pass ? 'Pass' : 'Fail'}: ${text(after.subject).split(',')[0]}${state} ${measured}, expected ${expected}`;
}

function nameOf(row: Fields): string {
  return text(row.tag ?? row.number ?? row.id);
}

function ends(row: Fields | null): string {
  if (!row || row.from === undefined) return '';
  return `: ${text(row.from).replace(':', ' ')} to ${text(row.to).replace(':', ' ')}`;
}

function differences(before: Fields, after: Fields): string {
  return Object.keys(after)
    .filter((key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]))
    .map((key) => `${FIELD_WORDS[key] ?? key} ${text(before[key])} → ${text(after[key])}`)
    .join(', ');
}

function text(value: unknown): string {
  return value === undefined || value === null || value === ''
    ? 'nothing'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value);
}
