import { sure } from '../lists/index.ts';
import type { JobContent, Calibration, CalibrationOf, TablePoint } from '../model/index.ts';
import { sortedTable } from './curve.ts';

/** A point that was added in the field, and who did it when. */
export interface FieldPoint extends TablePoint {
  readonly id: string;
  readonly by: string;
  readonly at: string;
  readonly note: string;
}

/** The tables of a point side by side, and which one counts since when. */
export interface CalibrationTables {
  readonly workshop?: {
    readonly id: string;
    readonly by: string;
    readonly at: string;
  } & CalibrationOf<'workshop'>;
  readonly field: readonly FieldPoint[];
  readonly unitIn?: string;
  readonly unitOut?: string;
  readonly inForce: 'none' | 'workshop' | 'field';
  readonly since?: { readonly by: string; readonly at: string };
  /** Points of the table in force, by signal; fewer than two make none. */
  readonly points: readonly TablePoint[];
}

/** The calibrations of a point in the order in which they were made. */
export const calibrationsOf = (
  { calibrations }: Pick<JobContent, 'calibrations'>,
  pointId: string,
): Calibration[] => calibrations.filter((row) => row.pointId === pointId);

/** What of a point's calibrations still counts: without what was taken back. */
function effectiveCalibrations(rows: readonly Calibration[]): Calibration[] {
  const gone = new Set(rows.flatMap(({ body }) => (body.kind === 'void' ? [body.of] : [])));
  return rows.filter(({ id, body }) => body.kind !== 'void' && !gone.has(id));
}

/**
 * The tables as they stand: the last workshop table, the field points that were not taken back (the last one of a
 * signal), and the one that somebody put in force.
 */
export function tablesOf(job: Pick<JobContent, 'calibrations'>, pointId: string): CalibrationTables {
  const rows = effectiveCalibrations(calibrationsOf(job, pointId));
  const workshop = rows.findLast(({ body }) => body.kind === 'workshop');
  const force = rows.findLast(({ body }) => body.kind === 'inForce');
  const points = new Map<number, FieldPoint>();
  for (const { id, body, by, at } of rows)
    if (body.kind === 'field')
      points.set(body.in, { id, in: body.in, out: body.out, note: body.note, by, at });
  const field = [...points.values()].sort((a, b) => a.in - b.in);
  const units = rows.findLast(({ body }) => body.kind === 'workshop' || body.kind === 'field')?.body as
    CalibrationOf<'workshop' | 'field'> | undefined;
  const table = workshop?.body as CalibrationOf<'workshop'> | undefined;
  const inForce = (force?.body as CalibrationOf<'inForce'> | undefined)?.table ?? 'none';
  const chosen = inForce === 'field' ? field : inForce === 'workshop' ? (table?.points ?? []) : [];
  return {
    ...(table && {
      workshop: { ...table, id: sure(workshop).id, by: sure(workshop).by, at: sure(workshop).at },
    }),
    field,
    ...(units && { unitIn: units.unitIn, unitOut: units.unitOut }),
    inForce,
    ...(force && { since: { by: force.by, at: force.at } }),
    points: chosen.length >= 2 ? sortedTable(chosen.map((point) => ({ in: point.in, out: point.out }))) : [],
  };
}

/** Both tables at every signal that stands in either, and by how much they differ. */
export function besideEachOther(
  workshop: readonly TablePoint[],
  field: readonly TablePoint[],
  at: (points: readonly TablePoint[], signal: number) => number | undefined,
): {
  readonly in: number;
  readonly workshop?: number;
  readonly field?: number;
  readonly difference?: number;
}[] {
  const signals = [...new Set([...workshop, ...field].map((point) => point.in))].sort((a, b) => a - b);
  return signals.map((signal) => {
    const [w, f] = [at(workshop, signal), at(field, signal)];
    return {
      in: signal,
      ...(w !== undefined && { workshop: w }),
      ...(f !== undefined && { field: f }),
      ...(w !== undefined && f !== undefined && { difference: f - w }),
    };
  });
}
