import type { Point, Range } from '../model/index.ts';
import { convert, pulseHertz } from '../units/index.ts';

/** What the pulses of a point tell: a flow, by their volume, a rotation, by how many a turn has, or their own frequency. */
export type PulseLaw = 'flow' | 'rotation' | 'frequency';

export function pulseLaw({ unit }: Pick<Range, 'unit'>): PulseLaw | undefined {
  if (convert(1, unit, 'm³/h') !== undefined) return 'flow';
  if (convert(1, unit, '1/min') !== undefined) return 'rotation';
  return convert(1, unit, 'Hz') === undefined ? undefined : 'frequency';
}

/** Pulses of a turn by the name-plate; nothing where nobody copied it. */
function pulsesPerTurn({ plate }: Pick<Point, 'plate'>): number | undefined {
  const count = Number(plate?.perTurn ?? NaN);
  return count > 0 ? count : undefined;
}

/**
 * Pulses a second for each unit of a point's range.
 * @param litres volume of a pulse of a flow meter, l.
 * @returns nothing where the unit is none that pulses tell, or the volume or the count of a turn is not known.
 */
export function hertzPerUnit(
  point: Pick<Point, 'range' | 'plate'>,
  litres: number | undefined,
): number | undefined {
  const { range } = point;
  if (!range) return undefined;
  const one = (unit: string): number | undefined => convert(1, range.unit, unit);
  const [flow, turns] = [one('m³/h'), one('1/min')];
  if (flow !== undefined) return litres !== undefined && litres > 0 ? pulseHertz(flow, litres) : undefined;
  if (turns === undefined) return one('Hz');
  const perTurn = pulsesPerTurn(point);
  return perTurn && (turns / 60) * perTurn;
}
