import { within } from '../../circuit/index.ts';
import type { Condition, Element, Output, Span } from '../../circuit/index.ts';
import type { PartNow } from '../types.ts';

/** What an electronic sensor does at its terminals. Volts, amperes, ohms. */
export interface Electronics {
  readonly supplyOhms: Span;
  readonly dropVolts: Span;
  readonly ratedAmps: number;
  readonly leastVolts: number;
}

/** A resistor. */
export const resistor = (id: string, a: string, b: string, ohms: Span): Element => ({
  kind: 'resistor',
  id,
  a,
  b,
  ohms,
});

/** A contact: closed when `closed` says. */
export const contact = (
  id: string,
  a: string,
  b: string,
  closed: Condition,
  ohms: Span = within(0.01, 0.05, 0.5),
): Element => ({ kind: 'switch', id, a, b, closed, ohms });

/** One transistor output; its leakage when off is at most 0.1 mA (IEC 60947-5-2 allows 0.5 mA). */
export function transistorOutput(
  id: string,
  nodes: { plus: string; out: string; minus: string },
  style: Output['style'],
  active: Condition,
  { dropVolts, ratedAmps, leastVolts }: Pick<Electronics, 'dropVolts' | 'ratedAmps' | 'leastVolts'>,
): Output {
  return {
    kind: 'output',
    id,
    ...nodes,
    style,
    active,
    dropVolts,
    ohms: within(1, 2, 4),
    leakAmps: within(0, 0.00001, 0.0001),
    limitAmps: within(ratedAmps * 1.2, ratedAmps * 1.5, ratedAmps * 2),
    leastSupplyVolts: leastVolts,
  };
}

const styleOf = (now: PartNow): Output['style'] =>
  now.style === 'npn' || now.style === 'pushpull' ? now.style : 'pnp';

const THREE = { plus: 'BN', minus: 'BU', out: 'BK' } as const;

/** Three wires: supply plus and minus, one output. */
export const threeWire =
  (e: Electronics) =>
  (now: PartNow): Element[] => [
    resistor('supply', 'BN', 'BU', e.supplyOhms),
    transistorOutput('output', THREE, styleOf(now), now.called, e),
  ];

/** Four wires: the complement of the output on white. */
export const fourWire =
  (e: Electronics) =>
  (now: PartNow): Element[] => [
    ...threeWire(e)(now),
    transistorOutput('complement', { ...THREE, out: 'WH' }, styleOf(now), !now.called, e),
  ];

/** A pair whose receiver needs the light of an emitter with a supply of its own. */
export const throughBeam =
  (e: Electronics) =>
  (now: PartNow): Element[] => {
    const [supply, output] = threeWire(e)(now) as [Element, Output];
    const needs = {
      plus: 'E-BN',
      minus: 'E-BU',
      leastVolts: e.leastVolts,
      otherwise: now.logic === 'dark',
    };
    return [supply, { ...output, needs }, resistor('emitter', 'E-BN', 'E-BU', e.supplyOhms)];
  };

export interface TwoWireElectronics {
  readonly dropVolts: Span;
  readonly leakAmps: Span;
  readonly leastAmps: number;
  readonly ratedAmps: number;
}

/** In series with its load. */
export const twoWire =
  (a: string, b: string, { dropVolts, leakAmps, leastAmps, ratedAmps }: TwoWireElectronics) =>
  (now: PartNow): Element[] => [
    {
      kind: 'twoWire',
      id: 'output',
      a,
      b,
      active: now.called,
      dropVolts,
      ohms: within(2, 5, 10),
      leakAmps,
      limitAmps: within(ratedAmps * 1.5, ratedAmps * 2, ratedAmps * 3),
      leastAmps,
    },
  ];

/** NAMUR sensor (IEC 60947-5-6) as a resistance that its target changes; its current flows one way only. */
export const namur = (now: PartNow): Element[] => [
  {
    kind: 'diode',
    id: 'way',
    anode: 'BN',
    cathode: '~in',
    dropVolts: within(0.5, 0.6, 0.7),
    ohms: within(1, 2, 4),
  },
  resistor('idle', '~in', 'BU', within(7800, 9000, 14000)),
  contact('output', '~in', '~on', now.called),
  resistor('busy', '~on', 'BU', within(900, 1300, 1700)),
];
