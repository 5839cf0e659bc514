import { z } from 'zod';
import { within } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import { nominalOf, maxOf, minOf } from '../description/figure.ts';
import { Figure } from '../description/figureSchema.ts';
import { Name, Node } from '../description/names.ts';
import { behaviour } from './behaviour.ts';
import { CLOSED_OHMS, figured, resistor } from './basic.ts';

const current = () => z.enum(['dc', 'ac', 'any']);

/** Share of its volts from which a load counts as on, and down to which it counts as off. */
const LOAD_ON = 0.8;
const LOAD_OFF = 0.4;

const diode = (anode: string, cathode: string): Element => ({
  kind: 'diode',
  id: 'suppressor',
  anode,
  cathode,
  dropVolts: within(0.6, 0.7, 0.9),
  ohms: within(0.05, 0.1, 0.3),
});

const contact = (
  id: string,
  a: string,
  b: string,
  closed: { on: string } | { not: { on: string } },
): Element => ({
  kind: 'switch',
  id,
  a,
  b,
  closed,
  ohms: CLOSED_OHMS,
});

/** Whether something is wired the other way round by a setting. */
const Reversed = () => z.strictObject({ setting: Name, is: z.string().max(60) });

export const LOADS = [
  /** A relay's or contactor's coil: surely in from `pickUp`, surely out below `dropOut`, both shares of its volts. */
  behaviour(
    'coil',
    () => ({
      a: Node,
      b: Node,
      current: current(),
      volts: Figure,
      ohms: Figure,
      pickUp: Figure,
      dropOut: Figure,
    }),
    ({ id, a, b, volts, ohms, pickUp, dropOut }, now): Element[] => [
      resistor(`${id}-winding`, a, b, figured(ohms, now)),
      {
        kind: 'detector',
        id,
        a,
        b,
        onVolts: nominalOf(volts) * nominalOf(pickUp),
        offVolts: nominalOf(volts) * nominalOf(dropOut),
        either: true,
      },
    ],
  ),
  /** Changeover poles 11-12-14, 21-22-24 … (EN 50005) that follow a coil: elements `no1`, `nc1`, `no2` … */
  behaviour(
    'changeover',
    () => ({ poles: z.int().min(1).max(8), follows: Name }),
    ({ poles, follows }): Element[] =>
      Array.from({ length: poles }, (_, p) => p + 1).flatMap((pole) => [
        contact(`no${pole}`, `${pole}1`, `${pole}4`, { on: follows }),
        contact(`nc${pole}`, `${pole}1`, `${pole}2`, { not: { on: follows } }),
      ]),
  ),
  /** What a setting says is fitted across a DC coil: `diode`, cathode at plus, or `diode-turned`. */
  behaviour(
    'suppressor',
    () => ({ plus: Node, minus: Node, setting: Name }),
    ({ plus, minus, setting }, now): Element[] => {
      const fitted = now.settings[setting];
      if (fitted === 'diode') return [diode(minus, plus)];
      return fitted === 'diode-turned' ? [diode(plus, minus)] : [];
    },
  ),
  /** A load as the resistance that takes its watts at its volts. */
  behaviour(
    'load',
    () => ({
      a: Node,
      b: Node,
      kind: z.enum(['resistive', 'motor', 'filament', 'led', 'coil']),
      current: current(),
      volts: Figure,
      watts: Figure,
      inrush: Figure,
    }),
    ({ id, a, b, volts, watts }): Element[] => {
      const ohms = nominalOf(volts) ** 2 / nominalOf(watts);
      return [
        resistor(`${id}-part`, a, b, within(ohms * 0.9, ohms, ohms * 1.1)),
        {
          kind: 'detector',
          id,
          a,
          b,
          onVolts: nominalOf(volts) * LOAD_ON,
          offVolts: nominalOf(volts) * LOAD_OFF,
          either: true,
        },
      ];
    },
  ),
  /** A DC lamp of LEDs: lights one way round only; what says whether it is on looks at its series resistor. */
  behaviour(
    'led-lamp',
    () => ({
      plus: Node,
      minus: Node,
      reversed: Reversed().optional(),
      kind: z.literal('led'),
      current: current(),
      volts: Figure,
      watts: Figure,
      inrush: Figure,
    }),
    (own, now): Element[] => {
      const turned = own.reversed && now.settings[own.reversed.setting] === own.reversed.is;
      const [plus, minus] = turned ? [own.minus, own.plus] : [own.plus, own.minus];
      const volts = nominalOf(own.volts);
      const drop = volts * 0.4;
      const across = volts - drop;
      const ohms = across / (nominalOf(own.watts) / volts);
      return [
        {
          kind: 'diode',
          id: `${own.id}-diode`,
          anode: plus,
          cathode: `~${own.id}`,
          dropVolts: within(drop * 0.9, drop, drop * 1.1),
          ohms: within(1, 2, 4),
        },
        resistor(`${own.id}-part`, `~${own.id}`, minus, within(ohms * 0.95, ohms, ohms * 1.05)),
        {
          kind: 'detector',
          id: own.id,
          a: `~${own.id}`,
          b: minus,
          onVolts: across * 0.6,
          offVolts: across * 0.05,
          outside: { a: plus, b: minus },
        },
      ];
    },
  ),
  /** What measures a current in a loop by its drop: a panel indicator. On from `on`, off below `off`. */
  behaviour(
    'loop-load',
    () => ({
      a: Node,
      b: Node,
      kind: z.literal('resistive'),
      current: current(),
      ohms: Figure,
      on: Figure,
      off: Figure,
    }),
    ({ id, a, b, ohms, on, off }, now): Element[] => [
      resistor(`${id}-part`, a, b, figured(ohms, now)),
      { kind: 'detector', id, a, b, onVolts: minOf(on), offVolts: maxOf(off) },
    ],
  ),
];
