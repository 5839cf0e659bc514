import { say } from '@keypost/core/messages';
import type { Message, Text } from '@keypost/core/messages';
import type { JobEvent } from '@keypost/api';
import { parametersOf } from '@keypost/core/job';
import { figureText, namedFigures, partTypesOf, valueText } from '@keypost/core/catalog';
import { COLLECTIONS } from '@keypost/core/model';
import type { Calibration, FieldDescriptor, JobContent, OwnFigure, Result, Stamp } from '@keypost/core/model';
import { stampName } from '@keypost/core/presentation';
import { checkName, resultValues } from '@keypost/core/proving';

type Fields = Readonly<Record<string, unknown>>;

/** What one event was, as a message. */
export function eventText({ collection, before, after }: JobEvent, job?: JobContent): Message {
  if (collection === 'stamps') return stampText(before, after, job);
  if (collection === 'results' && after) return resultText(after as unknown as Result);
  if (collection === 'entries' && after) return entryText(after, job);
  if (collection === 'calibrations' && after)
    return calibrationText(after as Pick<Calibration, 'pointId' | 'body'>, job);
  if (collection === 'job') return jobText(before, after);
  const { label: what, fields } = COLLECTIONS[collection];
  const name = nameOf(after ?? before ?? {});
  if (!before) return say('event.added', { what, name, ends: endsOf(after) });
  if (!after) return say('event.removed', { what, name, ends: endsOf(before) });
  return say('event.changed', { what, name, fields: differences(before, after, fields, job) });
}

/** Who did it and when: a stamp or result carries that itself, even when it came in with a file. */
export function whoAndWhen({ by, at, after }: JobEvent): { by: string; at: string } {
  const own = (after?.undone ?? after) as { by?: unknown; at?: unknown } | null;
  return typeof own?.by === 'string' && typeof own.at === 'string' ? { by: own.by, at: own.at } : { by, at };
}

function jobText(before: Fields | null, after: Fields | null): Message {
  if (!after) return say('event.job-removed');
  const [name, site] = [shown(after.name), shown(after.site)];
  return before && before.mainsHertz !== after.mainsHertz
    ? say('event.job.mains', { name, site, hertz: Number(after.mainsHertz) })
    : say('event.job', { name, site });
}

function stampText(before: Fields | null, after: Fields | null, job: JobContent | undefined): Message {
  const row = (after ?? before) as unknown as Stamp;
  const step = job ? stampName(job, row) : row.step;
  if (row.undone && after) return say('event.stamp-undone', { step, reason: row.undone.reason });
  return after ? say('event.stamp', { step }) : say('event.stamp-removed', { step });
}

function resultText(result: Result): Message {
  return say('event.result', { pass: result.pass, check: checkName(result.check), ...resultValues(result) });
}

/** At most so many values of an entry stand in a line. */
const MAX_VALUES = 6;

/** What was found or left at a part, in the parameters' own words. */
function entryText({ itemId, side, how, values }: Fields, job: JobContent | undefined): Message {
  const tag = [...(job?.devices ?? []), ...(job?.modules ?? [])].find(({ id }) => id === itemId)?.tag;
  const parameters = job ? parametersOf(job, String(itemId)) : [];
  const list = Object.entries(values as Record<string, string>).map(([key, value]) => {
    const parameter = parameters.find((p) => p.key === key);
    return parameter ? `${parameter.label} ${valueText(parameter, value)}` : `${key} ${value}`;
  });
  return say('event.entry', {
    side: String(side),
    tag: tag ?? String(itemId),
    read: how === 'read',
    values: list.slice(0, MAX_VALUES),
    more: list.length - MAX_VALUES,
  });
}

/** What was calibrated at a point, in a line. */
function calibrationText(
  { pointId, body }: Pick<Calibration, 'pointId' | 'body'>,
  job: JobContent | undefined,
): Message {
  const tag = job?.points.find(({ id }) => id === pointId)?.tag ?? pointId;
  switch (body.kind) {
    case 'workshop':
      return say('event.workshop-table', { tag, points: body.points.length });
    case 'field': {
      const { in: read, out: value, unitIn, unitOut } = body;
      return say('event.field-point', { tag, read, unitIn, value, unitOut });
    }
    case 'void':
      return say('event.calibration-void', { tag, reason: body.reason });
    case 'inForce':
      return body.table === 'none'
        ? say('event.no-table', { tag })
        : say('event.table', { tag, table: body.table });
    case 'transmitter':
      return say('event.transmitter', {
        tag,
        pass: body.pass,
        side: body.side,
        worst: body.worstPercent,
        within: body.worstPercent <= body.limitPercent,
      });
    case 'displays': {
      const { was, becomes, unit } = body;
      const span = { low: was.low, high: was.high, newLow: becomes.low, newHigh: becomes.high };
      return say('event.display-span', { tag, unit, ...span });
    }
    case 'note':
      return say('event.note', { tag, title: body.title });
  }
}

const nameOf = (row: Fields): Text => shown(row.tag ?? row.number ?? row.fileName ?? row.id);

function endsOf(row: Fields | null): Text {
  if (!row || row.from === undefined) return '';
  const [from, to] = [row.from, row.to].map((ref) => String(ref).replace(':', ' '));
  return say('event.ends', { from: from ?? '', to: to ?? '' });
}

function differences(
  before: Fields,
  after: Fields,
  fields: Readonly<Record<string, FieldDescriptor>>,
  job: JobContent | undefined,
): Text[] {
  return Object.keys(after)
    .filter((key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]))
    .flatMap((key): Text[] => {
      if (key === 'figures') return figureDifferences(before, after, job);
      const { label = key, folded } = fields[key] ?? {};
      return [
        folded ? label : say('event.field', { label, before: shown(before[key]), after: shown(after[key]) }),
      ];
    });
}

/** Which figures of a part's own datasheet are others now, each with where it stands. */
function figureDifferences(before: Fields, after: Fields, job: JobContent | undefined): Text[] {
  const [was, now] = [before, after].map(({ figures }) => (figures ?? {}) as Record<string, OwnFigure>);
  const types = job && partTypesOf(job);
  const row = { typeId: String(after.typeId) };
  const type = types?.findDevice(row) ?? types?.findModule(row);
  const named = type ? namedFigures(type.description) : [];
  return [...new Set([...Object.keys(was ?? {}), ...Object.keys(now ?? {})])]
    .filter((path) => JSON.stringify(was?.[path]) !== JSON.stringify(now?.[path]))
    .map((path) => {
      const label = named.find((figure) => figure.path === path)?.label ?? path;
      const own = now?.[path];
      return own
        ? say('event.figure', { label, figure: figureText({ ...own, source: own.from }), from: own.from })
        : say('event.figure-typical', { label });
    });
}

function shown(value: unknown): Text {
  if (value === undefined || value === null || value === '') return say('event.nothing');
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
