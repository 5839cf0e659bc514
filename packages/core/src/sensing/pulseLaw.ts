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
  const law = range && pulseLaw(range);
  switch (law) {
    case 'flow':
      return litres !== undefined && litres > 0
        ? pulseHertz(convert(1, range?.unit ?? '', 'm³/h') ?? NaN, litres)
        : undefined;
    case 'rotation': {
      const turn = pulsesPerTurn(point);
      return turn && ((convert(1, range?.unit ?? '', '1/min') ?? NaN) / 60) * turn;
    }
    case 'frequency':
      return convert(1, range?.unit ?? '', 'Hz');
    case undefined:
      return undefined;
  }
}
