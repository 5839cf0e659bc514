import { exactly, percent, sum } from '../circuit/index.ts';
import type { Element, Span } from '../circuit/index.ts';
import type { Supply } from '../model/index.ts';
import { wireOhms } from './copper.ts';
import { feedersOf, minusOf, plusOf } from '../job/index.ts';

/**
 * A supply as elements: the source with its inner resistance and limit, and whatever else hangs on it as the resistor
 * that takes that current at nominal volts. A branch is a source behind both conductors of its feeders, limited by
 * the least of what feeds and what protects it.
 */
export function supplyElements(supplies: readonly Supply[], supply: Supply): Element[] {
  const line = [supply, ...feedersOf(supplies, supply)];
  const inner: Span = line
    .map(({ internalOhms, feed }) =>
      feed ? wireOhms({ lengthM: 2 * feed.lengthM, mm2: feed.mm2 }) : exactly(internalOhms),
    )
    .reduce(sum);
  const source: Element = {
    kind: 'source',
    id: supply.id,
    plus: plusOf(supply),
    minus: minusOf(supply),
    volts: percent(supply.volts, supply.tolerancePercent),
    internalOhms: inner,
    limitAmps: exactly(Math.min(...line.map(({ limitAmps }) => limitAmps))),
  };
  if (!supply.otherAmps) return [source];
  const others: Element = {
    kind: 'resistor',
    id: `${supply.id}/others`,
    a: source.plus,
    b: source.minus,
    ohms: exactly(supply.volts / supply.otherAmps),
  };
  return [source, others];
}
