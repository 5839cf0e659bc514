import { z } from 'zod';
import { Quantity } from '../../model/index.ts';
import { within } from '../../circuit/index.ts';
import type { Element, Span } from '../../circuit/index.ts';
import { nominalOf } from '../description/figure.ts';
import { Figure } from '../description/figureSchema.ts';
import { Name, Node } from '../description/names.ts';
import { behaviour } from './behaviour.ts';
import { resistor } from './basic.ts';

const share = (value: number, percent: number): Span =>
  within(value * (1 - percent / 100), value, value * (1 + percent / 100));

/** Ends of a resistance element over its range. */
const Ends = () =>
  z.strictObject({
    lowOhms: Quantity,
    highOhms: Quantity,
    low: Quantity,
    high: Quantity,
    unit: z.string().max(12),
    perUnit: Quantity.optional(),
  });

export const MEASURING = [
  /** A resistance thermometer: the element that a setting names, by the standard of its metal. */
  behaviour(
    'thermometer',
    () => ({ output: Name, a: Node, b: Node, setting: Name, elements: z.record(z.string(), Ends()) }),
    ({ id, a, b, setting, elements }, now): Element[] => {
      const ends = elements[now.settings[setting] ?? ''] ?? Object.values(elements)[0];
      if (!ends) return [];
      const ohms = ends.lowOhms + now.level * (ends.highOhms - ends.lowOhms);
      return [resistor(id, a, b, share(Math.max(ohms, 0.01), 0.05))];
    },
  ),
  /** A resistance in proportion to the value: a level sender. */
  behaviour(
    'linear-resistance',
    () => ({
      output: Name,
      a: Node,
      b: Node,
      lowOhms: Figure,
      highOhms: Figure,
      low: Quantity,
      high: Quantity,
      unit: z.string().max(12),
    }),
    ({ id, a, b, lowOhms, highOhms }, now): Element[] => {
      const [low, high] = [nominalOf(lowOhms), nominalOf(highOhms)];
      return [resistor(id, a, b, share(Math.max(low + now.level * (high - low), 0.01), 0.05))];
    },
  ),
  /** A potentiometer: its wiper between its two ends. */
  behaviour(
    'potentiometer',
    () => ({ output: Name, a: Node, wiper: Node, b: Node, ohms: Figure }),
    ({ id, a, wiper, b, ohms }, now): Element[] => {
      const at = Math.min(Math.max(now.level, 0.001), 0.999);
      const total = nominalOf(ohms);
      return [
        resistor('upper', a, wiper, share(total * (1 - at), 0.5)),
        resistor(id, wiper, b, share(total * at, 0.5)),
      ];
    },
  ),
  /** A thermocouple by its letter; a share of 1 is what it gives from 0 to 100 °C (IEC 60584-1). */
  behaviour(
    'thermocouple',
    () => ({
      output: Name,
      plus: Node,
      minus: Node,
      letter: z.enum(['B', 'E', 'J', 'K', 'N', 'R', 'S', 'T']),
      emf: Figure,
      ohms: Figure,
    }),
    ({ id, plus, minus, emf, ohms }, now): Element[] => {
      const volts = (nominalOf(emf) / 1000) * now.level;
      return [
        {
          kind: 'source',
          id,
          plus: '~tc',
          minus,
          volts: within(volts, volts, volts),
          internalOhms: within(0, 0, 0),
          limitAmps: within(0.01, 0.01, 0.01),
        },
        resistor('lead', '~tc', plus, within(nominalOf(ohms), nominalOf(ohms), nominalOf(ohms))),
      ];
    },
  ),
];
