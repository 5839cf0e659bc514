import { OFTEN_TEXT, SORT_TEXT } from '../job/faultSortText';
import { say } from '@keypost/core/messages';
import type { Message, Text } from '@keypost/core/messages';
import type { JobEvent } from '@keypost/api';
import { parametersOf } from '@keypost/core/job';
import { valueText } from '@keypost/core/catalog';
import { COLLECTIONS } from '@keypost/core/model';
import type { Calibration, FaultRecord, JobContent, Result, Stamp } from '@keypost/core/model';
import { rowWords, stampName } from '@keypost/core/presentation';
import { checkName, resultValues } from '@keypost/core/proving';

type Fields = Readonly<Record<string, unknown>>;

/** What one event was, as a message; in a log of all points with the point that was worked at. */
export function eventText(event: JobEvent, job?: JobContent, isOfOnePoint = false): Message {
  const what = whatText(event, job);
  const tag = isOfOnePoint ? undefined : workedAt(event, job);
  return tag === undefined ? what : say('event.of-point', { tag, what });
}

/** The point that something was done or measured at, where what it was does not say so. */
function workedAt({ collection, before, after }: JobEvent, job: JobContent | undefined): string | undefined {
  if (collection !== 'stamps' && collection !== 'results') return undefined;
  const pointId = (after ?? before)?.pointId;
  return job?.points.find(({ id }) => id === pointId)?.tag;
}

function whatText({ collection, before, after }: JobEvent, job: JobContent | undefined): Message {
  if (collection === 'stamps') return stampText(before, after, job);
  if (collection === 'results' && after) return resultText(after as unknown as Result);
  if (collection === 'entries' && after) return entryText(after, job);
  if (collection === 'calibrations' && after)
    return calibrationText(after as Pick<Calibration, 'pointId' | 'body'>, job);
  if (collection === 'faults' && after) return faultText(after as Pick<FaultRecord, 'pointId' | 'body'>, job);
  if (collection === 'job') return jobText(before, after);
  const what = COLLECTIONS[collection].label;
  const words = rowWords(job);
  const name = words.name(after ?? before ?? {});
  if (!before) return say('event.added', { what, name, ends: words.ends(after) });
  if (!after) return say('event.removed', { what, name, ends: words.ends(before) });
  return say('event.changed', { what, name, fields: words.differences(collection, before, after) });
}

function jobText(before: Fields | null, after: Fields | null): Message {
  if (!after) return say('event.job-removed');
  const [name, site] = [shown(after.name), shown(after.site)];
  return before && before.mainsHertz !== after.mainsHertz
    ? say('event.job.mains', { name, site, hertz: Number(after.mainsHertz) })
    : before && before.numbers !== after.numbers
      ? say('event.job.numbers', { name, site, example: after.numbers === 'comma' ? '12,5' : '12.5' })
      : before && before.units !== after.units
        ? say('event.job.units', { name, site, system: after.units === 'us' ? 'us' : 'metric' })
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
    tag: tag ?? say('event.gone'),
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
  const tag = job?.points.find(({ id }) => id === pointId)?.tag ?? say('event.gone');
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
    case 'line': {
      const { pairs, pass, worst, unit } = body;
      return say('event.line', { tag, pass, pairs: pairs.length, worst, unit });
    }
    case 'taught':
      return say('event.taught', { tag, ok: body.ok, gives: body.gives, unit: body.unit });
    case 'note':
      return say('event.note', { tag, title: body.title });
  }
}

/** What was reported, handed over or mended at a point, in a line. */
function faultText(
  { pointId, body }: Pick<FaultRecord, 'pointId' | 'body'>,
  job: JobContent | undefined,
): Message {
  const tag = job?.points.find(({ id }) => id === pointId)?.tag ?? say('event.gone');
  switch (body.kind) {
    case 'opened':
      return say('event.fault-opened', { tag, symptom: body.symptom });
    case 'seen':
      return say('event.fault-seen', { tag, looks: body.seen.length });
    case 'mended':
      return say('event.fault-mended', { tag, what: body.what, done: body.done });
    case 'rated':
      return say('event.fault-rated', {
        tag,
        sort: SORT_TEXT[body.sort],
        often: OFTEN_TEXT[body.often].toLowerCase(),
      });
  }
}

function shown(value: unknown): Text {
  return value === undefined || value === null || value === '' ? say('event.nothing') : String(value);
}
