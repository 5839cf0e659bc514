import { within, percent } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import type { CoilRating, LoadRating, PartNow } from '../types.ts';
import { contact, resistor } from './switching.ts';

/** Resistance of a coil, Ω, ±10 % (IEC 61810-1), and its pick-up and drop-out; AC as resistive r.m.s. */
export function coil(id: string, a: string, b: string, rating: CoilRating): Element[] {
  return [
    resistor(`${id}-winding`, a, b, percent(rating.ohms, 10)),
    {
      kind: 'detector',
      id,
      a,
      b,
      onVolts: rating.volts * rating.pickUp,
      offVolts: rating.volts * rating.dropOut,
      either: true,
    },
  ];
}

/** Changeover poles 11-12-14, 21-22-24 … (EN 50005) that follow a coil. */
export function changeover(pole: number, coilId: string): Element[] {
  return [
    contact(`no${pole}`, `${pole}1`, `${pole}4`, { on: coilId }),
    contact(`nc${pole}`, `${pole}1`, `${pole}2`, { not: { on: coilId } }),
  ];
}

/** What is fitted across a DC coil against the voltage that it makes when it is switched off. */
function suppressor(fitted: string | undefined): Element[] {
  const diode = (anode: string, cathode: string): Element => ({
    kind: 'diode',
    id: 'suppressor',
    anode,
    cathode,
    dropVolts: within(0.6, 0.7, 0.9),
    ohms: within(0.05, 0.1, 0.3),
  });
  if (fitted === 'diode') return [diode('A2', 'A1')];
  if (fitted === 'diode-turned') return [diode('A1', 'A2')];
  return [];
}

/** A relay with one to four changeover poles. */
export const relay =
  (poles: number, rating: CoilRating) =>
  ({ settings }: PartNow): Element[] => [
    ...coil('coil', 'A1', 'A2', rating),
    ...suppressor(settings.suppressor),
    ...Array.from({ length: poles }, (_, p) => changeover(p + 1, 'coil')).flat(),
  ];

/** Share of its volts from which a load counts as on, and down to which it counts as off. */
const LOAD_ON = 0.8;
const LOAD_OFF = 0.4;

/** A load as the resistance that takes its watts at its volts. */
export function load(id: string, a: string, b: string, { volts, watts }: LoadRating): Element[] {
  return [
    resistor(`${id}-part`, a, b, percent((volts * volts) / watts, 10)),
    { kind: 'detector', id, a, b, onVolts: volts * LOAD_ON, offVolts: volts * LOAD_OFF, either: true },
  ];
}

/** A DC lamp of diodes: it lights one way round only, and its detector looks at its series resistor. */
export function ledLamp(id: string, plus: string, minus: string, { volts, watts }: LoadRating): Element[] {
  const drop = volts * 0.4;
  const ohms = (volts - drop) / (watts / volts);
  const across = volts - drop;
  return [
    {
      kind: 'diode',
      id: `${id}-diode`,
      anode: plus,
      cathode: `~${id}`,
      dropVolts: within(drop * 0.9, drop, drop * 1.1),
      ohms: within(1, 2, 4),
    },
    resistor(`${id}-part`, `~${id}`, minus, percent(ohms, 5)),
    { kind: 'detector', id, a: `~${id}`, b: minus, onVolts: across * 0.6, offVolts: across * 0.05 },
  ];
}
