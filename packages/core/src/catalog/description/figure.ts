import { within } from '../../circuit/index.ts';
import type { Span } from '../../circuit/index.ts';
import type { Figure } from './figureSchema.ts';

export type { Figure };

/** Said of figures that no datasheet stands behind. */
export const TYPICAL = 'typical of its kind';

/** A figure with its tolerance: `span('V', 0.3, 1.1, 2)`. */
export const span = (unit: string, min: number, nominal: number, max: number, source = TYPICAL): Figure => ({
  min,
  nominal,
  max,
  unit,
  source,
});

/** A figure without tolerance. */
export const exact = (unit: string, nominal: number, source = TYPICAL): Figure => ({ nominal, unit, source });

/** A figure with a symmetrical tolerance in percent. */
export function tolerant(unit: string, nominal: number, percent: number, source = TYPICAL): Figure {
  const part = Math.abs(nominal) * (percent / 100);
  return { min: nominal - part, nominal, max: nominal + part, unit, source };
}

/** Two limits. */
export const between = (unit: string, min: number, max: number, source = TYPICAL): Figure => ({
  min,
  max,
  unit,
  source,
});

/** At most. */
export const atMost = (unit: string, max: number, source = TYPICAL): Figure => ({ max, unit, source });

/** At least. */
export const atLeast = (unit: string, min: number, source = TYPICAL): Figure => ({ min, unit, source });

/** The nominal value of a figure; of limits the one that is given, or their middle. */
export function nominalOf({ min, nominal, max }: Figure): number {
  if (nominal !== undefined) return nominal;
  if (min !== undefined && max !== undefined) return (min + max) / 2;
  return min ?? max ?? NaN;
}

/** The largest value of a figure. */
export const maxOf = (figure: Figure): number => figure.max ?? nominalOf(figure);
/** The least value of a figure. */
export const minOf = (figure: Figure): number => figure.min ?? nominalOf(figure);

/**
 * A figure as the circuit takes it.
 * @param chosen what its setting stands at, where it has one.
 */
export function spanOf(figure: Figure, chosen?: string): Span {
  const nominal = nominalOf(figure);
  const wanted = figure.setting !== undefined && chosen !== undefined ? Number(chosen) : nominal;
  const factor = Number.isFinite(wanted) && nominal !== 0 ? wanted / nominal : 1;
  return within(minOf(figure) * factor, nominal * factor, maxOf(figure) * factor);
}

/** Whether something in a description is a figure. */
export const isFigure = (value: unknown): value is Figure =>
  typeof value === 'object' && value !== null && 'unit' in value && 'source' in value;

/** A figure of a description by the path at which it stands, such as `behaviours.output.drop`. */
export interface FoundFigure {
  readonly path: string;
  readonly figure: Figure;
}

/** Every figure of a description, with its path. Entries of a list go by their id. */
export function figuresIn(value: unknown, path = ''): FoundFigure[] {
  if (typeof value !== 'object' || value === null) return [];
  if (isFigure(value)) return [{ path, figure: value }];
  return Object.entries(value).flatMap(([key, inner]) => {
    const name = Array.isArray(value) && hasId(inner) ? inner.id : key;
    return figuresIn(inner, path ? `${path}.${name}` : name);
  });
}

const hasId = (value: unknown): value is { id: string } =>
  typeof value === 'object' && value !== null && 'id' in value && typeof value.id === 'string';

/** A description with some of its figures replaced, by their paths; paths that it does not have change nothing. */
export function withFigures<T>(value: T, figures: Readonly<Record<string, Figure>>, path = ''): T {
  if (typeof value !== 'object' || value === null) return value;
  if (isFigure(value)) return (figures[path] as T | undefined) ?? value;
  const under = (key: string): string => (path ? `${path}.${key}` : key);
  if (Array.isArray(value))
    return value.map((inner, i) =>
      withFigures(inner, figures, under(hasId(inner) ? inner.id : String(i))),
    ) as T;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, withFigures(inner, figures, under(key))]),
  ) as T;
}
