import type { JobEvent } from '@keypost/api';
import { parametersOf } from '@keypost/core/job';
import { plain } from '@keypost/core/units';
import { figureText, namedFigures, partTypesOf, valueWords } from '@keypost/core/catalog';
import { COLLECTIONS } from '@keypost/core/model';
import type { Calibration, FieldDescriptor, JobContent, OwnFigure, Result, Stamp } from '@keypost/core/model';
import { stampName } from '@keypost/core/presentation';
import { checkName, resultWords } from '@keypost/core/proving';

type Fields = Readonly<Record<string, unknown>>;

/** One event in a sentence that a technician can read. */
export function eventWords({ collection, before, after }: JobEvent, job?: JobContent): string {
  if (collection === 'stamps') return stampWords(before, after, job);
  if (collection === 'results' && after) return provenWords(after as unknown as Result);
  if (collection === 'entries' && after) return entryWords(after, job);
  if (collection === 'calibrations' && after)
    return calibrationWords(after as Pick<Calibration, 'pointId' | 'body'>, job);
  if (collection === 'job')
    return after
      ? `Job named ${text(after.name)}, ${text(after.site)}${before && before.mainsHertz !== after.mainsHertz ? `, mains ${text(after.mainsHertz)} Hz` : ''}`
      : 'Job removed';
  const { label, fields } = COLLECTIONS[collection];
  const thing = `${label} ${nameOf(after ?? before ?? {})}`;
  if (!before) return `${thing} added${ends(after)}`;
  if (!after) return `${thing} removed${ends(before)}`;
  return `${thing} changed: ${differences(before, after, fields, job)}`;
}

/** Who did it and when: a stamp or result carries that itself, even when it came in with a file. */
export function whoAndWhen({ by, at, after }: JobEvent): { by: string; at: string } {
  const own = (after?.undone ?? after) as { by?: unknown; at?: unknown } | null;
  return typeof own?.by === 'string' && typeof own.at === 'string' ? { by: own.by, at: own.at } : { by, at };
}

function stampWords(before: Fields | null, after: Fields | null, job: JobContent | undefined): string {
  const row = (after ?? before) as unknown as Stamp;
  const name = job ? stampName(job, row) : row.step;
  if (row.undone && after) return `Undone: ${name}. Why: ${row.undone.reason}`;
  return after ? `Done: ${name}` : `Step removed: ${name}`;
}

function provenWords(result: Result): string {
  const { measured, expected } = resultWords(result);
  return `${result.pass ? 'Pass' : 'Fail'}: ${checkName(result.check)} ${measured}, expected ${expected}`;
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

function differences(
  before: Fields,
  after: Fields,
  fields: Readonly<Record<string, FieldDescriptor>>,
  job: JobContent | undefined,
): string {
  return Object.keys(after)
    .filter((key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]))
    .map((key) => {
      if (key === 'figures') return figureDifferences(before, after, job);
      const { label = key, folded } = fields[key] ?? {};
      return folded ? label : `${label} ${text(before[key])} → ${text(after[key])}`;
    })
    .join(', ');
}

/** Which figures of a part's own datasheet are others now, each with where it stands. */
function figureDifferences(before: Fields, after: Fields, job: JobContent | undefined): string {
  const [was, now] = [before, after].map(({ figures }) => (figures ?? {}) as Record<string, OwnFigure>);
  const types = job && partTypesOf(job);
  const row = { typeId: text(after.typeId) };
  const type = types?.findDevice(row) ?? types?.findModule(row);
  const named = type ? namedFigures(type.description) : [];
  return [...new Set([...Object.keys(was ?? {}), ...Object.keys(now ?? {})])]
    .filter((path) => JSON.stringify(was?.[path]) !== JSON.stringify(now?.[path]))
    .map((path) => {
      const label = named.find((figure) => figure.path === path)?.label ?? path;
      const own = now?.[path];
      return own
        ? `${label} ${figureText({ ...own, source: own.from })}, from ${own.from}`
        : `${label} as is typical again`;
    })
    .join('; ');
}

function text(value: unknown): string {
  return value === undefined || value === null || value === ''
    ? 'nothing'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value);
}
