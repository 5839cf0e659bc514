import { z } from 'zod';
import { Quantity } from '../../model/index.ts';
import { within } from '../../circuit/index.ts';
import type { Condition, Element, Output, Span } from '../../circuit/index.ts';
import { conditionOf } from '../description/expression.ts';
import { Expression } from '../description/expressionSchema.ts';
import { maxOf, minOf, nominalOf } from '../description/figure.ts';
import { Figure } from '../description/figureSchema.ts';
import { perUnit, SIGNAL_KINDS, signalAt, SIGNALS, switchedTo } from '../signals.ts';
import type { SignalKind } from '../signals.ts';
import { Name, Node } from '../description/names.ts';
import { behaviour } from './behaviour.ts';
import { figured, resistor } from './basic.ts';

const styleOf = (kind: string | undefined): Output['style'] =>
  kind === 'npn' || kind === 'pushpull' ? kind : 'pnp';

const Needs = () => z.strictObject({ plus: Node, minus: Node });

/** A current of a signal, A, with the accuracy of the output in percent of full scale. */
function signalAmps(kind: SignalKind, level: number, accuracyPercent: number) {
  const value = Math.max(signalAt(kind, level), 0.005) / 1000;
  const off = (SIGNALS[kind].high / 1000) * (accuracyPercent / 100);
  return within(Math.max(value - off, 1e-6), value, value + off);
}

/** An active output alive while `alive` holds: pushes its current out, or holds its voltage, from a supply of its own. */
function activeSignal(
  id: string,
  {
    out,
    back,
    kind,
    level,
    alive,
  }: { out: string; back: string; kind: SignalKind; level: number; alive: Condition },
  { accuracy, compliance, limit }: { accuracy: Figure; compliance: Figure; limit: Figure },
): Element[] {
  const percent = nominalOf(accuracy);
  const source = (volts: number, amps: number, turned = false): Element => ({
    kind: 'source',
    id: `${id}-source`,
    ...(turned ? { plus: back, minus: `~${id}` } : { plus: `~${id}`, minus: back }),
    volts: within(volts * (1 - percent / 100), volts, volts * (1 + percent / 100)),
    internalOhms: within(1, 1, 1),
    limitAmps: within(amps, amps, amps),
  });
  const contact = (from: string): Element => ({
    kind: 'switch',
    id,
    a: from,
    b: out,
    closed: alive,
    ohms: within(0.1, 0.1, 0.1),
  });
  if (switchedTo(kind) === 'V')
    return [
      source(
        perUnit(kind) * Math.max(Math.abs(signalAt(kind, level)), 0.001),
        maxOf(limit),
        signalAt(kind, level) < 0,
      ),
      contact(`~${id}`),
    ];
  return [
    source(nominalOf(compliance) + 3, 0.05),
    {
      kind: 'transmitter',
      id: `${id}-amps`,
      plus: `~${id}`,
      minus: `~${id}-2`,
      amps: signalAmps(kind, level, percent),
      liftVolts: within(3, 3, 3),
    },
    contact(`~${id}-2`),
  ];
}

/** Volts over the element below which it is shorted, and above which it is open; over a lead from which it is off. */
const ELEMENT_VOLTS = { least: 0.002, most: 1, lead: 1 };

/** What a transmitter drives through its element, and how it sees that it is whole and each lead is on. */
function elementSide(force: string, senses: readonly string[], back: string, amps: Span): Element[] {
  const volts = within(3, 3, 3);
  const detector = (id: string, a: string, b: string, on: number): Element => ({
    kind: 'detector',
    id,
    a,
    b,
    onVolts: on,
    offVolts: on * 0.9,
  });
  return [
    {
      kind: 'source',
      id: 'drive',
      plus: '~drive',
      minus: back,
      volts,
      internalOhms: within(1, 1, 1),
      limitAmps: within(0.01, 0.01, 0.01),
    },
    {
      kind: 'transmitter',
      id: 'excitation',
      plus: '~drive',
      minus: force,
      amps,
      liftVolts: within(0.3, 0.3, 0.3),
    },
    ...senses.flatMap((lead): Element[] => [
      resistor(`pull-${lead}`, '~drive', lead, within(1e7, 1e7, 1e7)),
      detector(`off-${lead}`, lead, back, ELEMENT_VOLTS.lead),
    ]),
    detector('above', force, back, ELEMENT_VOLTS.least),
    detector('open', force, back, ELEMENT_VOLTS.most),
  ];
}

const signal = () => z.enum(SIGNAL_KINDS);

export const OUTPUTS = [
  /**
   * A transistor output: PNP joins it to plus, NPN to minus, push-pull to either; it gives up while its supply is
   * below its minimum. Its kind is that which was chosen of its output, or `style`; it is on as its output is called,
   * or while `active` holds. With `needs`, a second supply (of a light source) without which it sees no light.
   */
  behaviour(
    'transistor-output',
    () => ({
      output: Name.optional(),
      plus: Node,
      minus: Node,
      out: Node,
      style: z.enum(['pnp', 'npn', 'pushpull']).optional(),
      active: Expression.optional(),
      drop: Figure,
      leakage: Figure,
      rated: Figure,
      minimum: Figure,
      needs: Needs().optional(),
    }),
    (
      { id, output = '', plus, minus, out, style, active, drop, leakage, rated, minimum, needs },
      now,
    ): Element[] => {
      const own = now.outputs.get(output);
      const amps = maxOf(rated);
      return [
        {
          kind: 'output',
          id,
          plus,
          out,
          minus,
          style: style ?? styleOf(own?.kind),
          active: active === undefined ? (own?.called ?? false) : conditionOf(active, now),
          dropVolts: figured(drop, now),
          ohms: within(1, 2, 4),
          leakAmps: figured(leakage, now),
          // What limits it against a short circuit lies above what it is rated for.
          limitAmps: within(amps * 1.2, amps * 1.5, amps * 2),
          minSupplyVolts: minOf(minimum),
          ...(needs && {
            needs: { ...needs, minVolts: minOf(minimum), otherwise: own?.logic === 'dark' },
          }),
        },
      ];
    },
  ),
  /** A sensor in series with its load: a drop while on, which needs a holding current, and a leakage while off. */
  behaviour(
    'two-wire-output',
    () => ({ output: Name, a: Node, b: Node, drop: Figure, leakage: Figure, holding: Figure, rated: Figure }),
    ({ id, output, a, b, drop, leakage, holding, rated }, now): Element[] => [
      {
        kind: 'twoWire',
        id,
        a,
        b,
        active: now.outputs.get(output)?.called ?? false,
        dropVolts: figured(drop, now),
        ohms: within(2, 5, 10),
        leakAmps: figured(leakage, now),
        limitAmps: within(maxOf(rated) * 1.5, maxOf(rated) * 2, maxOf(rated) * 3),
        minAmps: maxOf(holding),
      },
    ],
  ),
  /** A NAMUR sensor (IEC 60947-5-6): a resistance that its target changes; its current flows one way only. */
  behaviour(
    'namur-output',
    () => ({ output: Name, plus: Node, minus: Node, idle: Figure, busy: Figure }),
    ({ id, output, plus, minus, idle, busy }, now): Element[] => [
      {
        kind: 'diode',
        id: 'way',
        anode: plus,
        cathode: '~in',
        dropVolts: within(0.5, 0.6, 0.7),
        ohms: within(1, 2, 4),
      },
      resistor('idle', '~in', minus, figured(idle, now)),
      {
        kind: 'switch',
        id,
        a: '~in',
        b: '~on',
        closed: now.outputs.get(output)?.called ?? false,
        ohms: within(0.01, 0.05, 0.5),
      },
      resistor('busy', '~on', minus, figured(busy, now)),
    ],
  ),
  /** A two-wire transmitter: takes its power from the loop and needs its lift-off voltage across it. */
  behaviour(
    'loop-transmitter',
    () => ({ output: Name, plus: Node, minus: Node, signal: signal(), liftOff: Figure, accuracy: Figure }),
    ({ id, plus, minus, signal: kind, liftOff, accuracy }, now): Element[] => [
      {
        kind: 'transmitter',
        id,
        plus,
        minus,
        amps: signalAmps(kind, now.level, nominalOf(accuracy)),
        liftVolts: figured(liftOff, now),
      },
    ],
  ),
  /**
   * A two-wire transmitter for an element of resistance, with the element's own side: a small current through it, and a
   * pull on every lead, so that each that is missing is seen. While the element is `whole` it gives its value's current,
   * else what it is set to. `leads` of them are used: force and back, with the sense of back, with both senses.
   */
  behaviour(
    'element-transmitter',
    () => ({
      output: Name,
      plus: Node,
      minus: Node,
      signal: signal(),
      liftOff: Figure,
      accuracy: Figure,
      terminals: z.strictObject({ force: Node, sense: Node, senseBack: Node, back: Node }),
      leads: Name,
      excitation: Figure,
      alarm: z.strictObject({ setting: Name, milliamps: z.record(z.string(), Quantity) }),
    }),
    (own, now): Element[] => {
      const { id, plus, minus } = own;
      const { force, sense, senseBack, back } = own.terminals;
      const fault = (own.alarm.milliamps[now.settings[own.alarm.setting] ?? ''] ?? 3.6) / 1000;
      const leads = now.settings[own.leads] ?? '2';
      const used = [...(leads === '4' ? [sense] : []), ...(leads === '2' ? [] : [senseBack])];
      const whole: Condition = {
        all: [
          { on: 'above' },
          ...['open', ...used.map((lead) => `off-${lead}`)].map((on) => ({ not: { on } })),
        ],
      };
      const current = (name: string, amps: ReturnType<typeof within>, closed: Condition): Element[] => [
        { kind: 'switch', id: `${name}-way`, a: plus, b: `~${name}`, closed, ohms: within(0.01, 0.05, 0.1) },
        {
          kind: 'transmitter',
          id: name,
          plus: `~${name}`,
          minus,
          amps,
          liftVolts: figured(own.liftOff, now),
        },
      ];
      return [
        ...current(id, signalAmps(own.signal, now.level, nominalOf(own.accuracy)), whole),
        ...current('alarm', within(fault, fault, fault), { not: whole }),
        ...elementSide(force, [sense, senseBack], back, figured(own.excitation, now)),
        resistor('element-tie', back, minus, within(1e6, 1e6, 1e6)),
      ];
    },
  ),
  /**
   * An active analog output: alive while its expression holds, it gives its signal for the part's value; for 1
   * while a name is forced. The signal may be a setting's value.
   */
  behaviour(
    'signal-output',
    () => ({
      output: Name.optional(),
      out: Node,
      back: Node,
      signal: signal(),
      signalSetting: Name.optional(),
      forced: Name.optional(),
      alive: Expression,
      accuracy: Figure,
      compliance: Figure,
      limit: Figure,
    }),
    (own, now): Element[] => {
      const chosen = own.signalSetting && now.settings[own.signalSetting];
      const kind = SIGNAL_KINDS.find((known) => known === chosen) ?? own.signal;
      const level = own.forced !== undefined && now.forced.has(own.forced) ? 1 : now.level;
      const alive = conditionOf(own.alive, now);
      return activeSignal(own.id, { out: own.out, back: own.back, kind, level, alive }, own);
    },
  ),
];
