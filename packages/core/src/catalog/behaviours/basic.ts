import { z } from 'zod';
import { within } from '../../circuit/index.ts';
import type { Element, Span } from '../../circuit/index.ts';
import { conditionOf } from '../description/expression.ts';
import { Expression } from '../description/expressionSchema.ts';
import type { OperatingState } from '../description/expression.ts';
import { maxOf, minOf, nominalOf, spanOf } from '../description/figure.ts';
import { Figure } from '../description/figureSchema.ts';
import { Name, Node } from '../description/names.ts';
import { behaviour } from './behaviour.ts';

/** A figure as the circuit takes it, with what its setting stands at. */
export const figured = (figure: Figure, { settings }: OperatingState): Span =>
  spanOf(figure, figure.setting === undefined ? undefined : settings[figure.setting]);

/** Resistance of a closed contact where nobody says otherwise, Ω. */
export const CLOSED_OHMS = within(0.01, 0.05, 0.5);

export const resistor = (id: string, a: string, b: string, ohms: Span): Element => ({
  kind: 'resistor',
  id,
  a,
  b,
  ohms,
});

export const BASIC = [
  /** A resistance between two nodes. */
  behaviour(
    'resistor',
    () => ({ a: Node, b: Node, ohms: Figure, rated: Figure.optional() }),
    ({ id, a, b, ohms }, now) => [resistor(id, a, b, figured(ohms, now))],
  ),
  /** A contact: closed while its expression holds. */
  behaviour(
    'contact',
    () => ({ a: Node, b: Node, closed: Expression, ohms: Figure.optional() }),
    ({ id, a, b, closed, ohms }, now) => [
      {
        kind: 'switch',
        id,
        a,
        b,
        closed: conditionOf(closed, now),
        ohms: ohms ? figured(ohms, now) : CLOSED_OHMS,
      },
    ],
  ),
  /** A diode: a forward drop and a slope; blocks backwards. */
  behaviour(
    'diode',
    () => ({ anode: Node, cathode: Node, drop: Figure, ohms: Figure }),
    ({ id, anode, cathode, drop, ohms }, now) => [
      { kind: 'diode', id, anode, cathode, dropVolts: figured(drop, now), ohms: figured(ohms, now) },
    ],
  ),
  /** Something that is on from one voltage upwards and off from another downwards, and takes no current. */
  behaviour(
    'threshold',
    () => ({ a: Node, b: Node, on: Figure, off: Figure, either: z.boolean().optional() }),
    ({ id, a, b, on, off, either }) => [
      {
        kind: 'detector',
        id,
        a,
        b,
        onVolts: nominalOf(on),
        offVolts: nominalOf(off),
        ...(either !== undefined && { either }),
      },
    ],
  ),
  /** A memory: on as soon as `set` holds, and from then on while `hold` does. */
  behaviour(
    'latch',
    () => ({ set: Expression, hold: Expression }),
    ({ id, set, hold }, now) => [
      { kind: 'latch', id, set: conditionOf(set, now), hold: conditionOf(hold, now) },
    ],
  ),
  /** A voltage from inside the part, with internal resistance and current limit. */
  behaviour(
    'source',
    () => ({ plus: Node, minus: Node, volts: Figure, internal: Figure, limit: Figure }),
    ({ id, plus, minus, volts, internal, limit }, now) => [
      {
        kind: 'source',
        id,
        plus,
        minus,
        volts: figured(volts, now),
        internalOhms: figured(internal, now),
        limitAmps: figured(limit, now),
      },
    ],
  ),
  /**
   * The electronics' own supply as a load; with `minimum`, an element `fed` says whether it is enough.
   */
  behaviour(
    'supply',
    () => ({
      plus: Node,
      minus: Node,
      ohms: Figure,
      minimum: Figure.optional(),
      drops: Figure.optional(),
      /** Mains, which may come either way round. */
      either: z.boolean().optional(),
      tells: Name.optional(),
    }),
    ({ id, plus, minus, ohms, minimum, drops, either, tells = 'fed' }, now) => [
      resistor(id, plus, minus, figured(ohms, now)),
      ...(minimum
        ? [
            {
              kind: 'detector' as const,
              id: tells,
              a: plus,
              b: minus,
              onVolts: minOf(minimum),
              offVolts: drops ? maxOf(drops) : minOf(minimum) * 0.9,
              ...(either !== undefined && { either }),
            },
          ]
        : []),
    ],
  ),
];
