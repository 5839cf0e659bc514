import type { JobEvent } from '@keypost/api';
import { parametersOf } from '@keypost/core/job';
import { plain } from '@keypost/core/units';
import { valueWords } from '@keypost/core/catalog';
import type { Calibration, JobContent } from '@keypost/core/model';

type Fields = Readonly<Record<string, unknown>>;

const THINGS: Readonly<Record<string, string>> = {
  supplies: 'Supply',
  modules: 'Module',
  devices: 'Device',
  points: 'Point',
  wires: 'Wire',
  descriptions: 'Description file',
  plans: 'Plan',
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
  plate: 'name-plate',
  byHand: 'required by hand',
  range: 'range',
  settings: 'switches',
  link: 'address',
  descriptionId: 'description file',
  units: 'units',
  members: 'participants',
  scaling: 'chain',
};

/** Fields that are too long to be told in a line: only that they changed. */
const FOLDED = new Set(['scaling', 'plate', 'byHand', 'settings', 'units', 'members', 'bias']);

/** One event in a sentence that a technician can read. */
export function eventWords({ shelf, before, after }: JobEvent, job?: JobContent): string {
  if (shelf === 'stamps') return stampWords(before, after);
  if (shelf === 'results' && after) return resultWords(after);
  if (shelf === 'entries' && after) return entryWords(after, job);
  if (shelf === 'calibrations' && after)
    return calibrationWords(after as Pick<Calibration, 'pointId' | 'body'>, job);
  if (shelf === 'job')
    return after
      ? `Job named ${text(after.name)}, ${text(after.site)}${before && before.mainsHertz !== after.mainsHertz ? `, mains ${text(after.mainsHertz)} Hz` : ''}`
      : 'Job removed';
  const thing = `${THINGS[shelf] ?? shelf} ${nameOf(after ?? before ?? {})}`;
  if (!before) return `${thing} added${ends(after)}`;
  if (!after) return `${thing} removed${ends(before)}`;
  return `${thing} changed: ${differences(before, after)}`;
}

/** What was seen at a check: volts, on or off, or the bit where a bit was expected. */
export function seenWords(measured: number | boolean, expected: string, unit?: string): string {
  if (typeof measured === 'number')
    return unit === undefined ? `${measured.toFixed(1)}\u00a0V` : `${plain(measured, 5)}\u00a0${unit}`;
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
  const measured = seenWords(after.measured as number | boolean, expected, after.unit as string | undefined);
  const state = text(after.check).startsWith('present')
    ? ' with target'
    : text(after.check).startsWith('away')
      ? ' without target'
      : '';
  return `${after.pass ? 'Pass' : 'Fail'}: ${text(after.subject).split(',')[0]}${state} ${measured}, expected ${expected}`;
}

/** What was found or left at a part, in the parameters' own words. */
function entryWords({ itemId, side, how, values }: Fields, job: JobContent | undefined): string {
  const tag = [...(job?.devices ?? []), ...(job?.modules ?? [])].find(({ id }) => id === itemId)?.tag;
  const parameters = job ? parametersOf(job, text(itemId)) : [];
  const list = Object.entries(values as Record<string, string>).map(([key, value]) => {
    const parameter = parameters.find((p) => p.key === key);
    return parameter ? `${parameter.label} ${valueWords(parameter, value)}` : `${key} ${value}`;
  });
  const what = `${side === 'found' ? 'Found' : 'Left'} at ${tag ?? text(itemId)}${how === 'read' ? ', read from it' : ''}`;
  return `${what}: ${list.slice(0, 6).join(', ')}${list.length > 6 ? ` and ${list.length - 6} more` : ''}`;
}

/** What was calibrated at a point, in a line. */
function calibrationWords(
  { pointId, body }: Pick<Calibration, 'pointId' | 'body'>,
  job: JobContent | undefined,
): string {
  const tag = job?.points.find(({ id }) => id === pointId)?.tag ?? pointId;
  switch (body.kind) {
    case 'workshop':
      return `${tag}: workshop table of ${body.points.length} points`;
    case 'field':
      return `${tag}: field point ${plain(body.in)} ${body.unitIn} is ${plain(body.out)} ${body.unitOut}`;
    case 'void':
      return `${tag}: a calibration taken back. Why: ${body.reason}`;
    case 'inForce':
      return body.table === 'none' ? `${tag}: no table in force` : `${tag}: ${body.table} table in force`;
    case 'transmitter':
      return `${body.pass ? 'Pass' : 'Fail'}: ${tag} calibrated, ${body.side === 'found' ? 'as found' : 'as left'} ${plain(body.worstPercent, 2)} %`;
    case 'displays':
      return `${tag}: screen’s span ${plain(body.was.low)} … ${plain(body.was.high)} → ${plain(body.becomes.low)} … ${plain(body.becomes.high)} ${body.unit}`;
    case 'note':
      return `${tag}: ${body.title}`;
  }
}

function nameOf(row: Fields): string {
  return text(row.tag ?? row.number ?? row.fileName ?? row.id);
}

function ends(row: Fields | null): string {
  if (!row || row.from === undefined) return '';
  return `: ${text(row.from).replace(':', ' ')} to ${text(row.to).replace(':', ' ')}`;
}

function differences(before: Fields, after: Fields): string {
  return Object.keys(after)
    .filter((key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]))
    .map((key) =>
      FOLDED.has(key)
        ? (FIELD_WORDS[key] ?? key)
        : `${FIELD_WORDS[key] ?? key} ${text(before[key])} → ${text(after[key])}`,
    )
    .join(', ');
}

function text(value: unknown): string {
  return value === undefined || value === null || value === ''
    ? 'nothing'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value);
}
