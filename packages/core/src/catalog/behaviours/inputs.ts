import { z } from 'zod';
import type { Element, InputThresholds, Sense, Span } from '../../circuit/index.ts';
import { isFigure, maxOf, minOf, nominalOf } from '../description/figure.ts';
import { Figure } from '../description/figureSchema.ts';
import type { AnalogPort } from '../ports.ts';
import { Name, Node } from '../description/names.ts';
import { behaviour } from './behaviour.ts';
import { figured, resistor } from './basic.ts';

const inputFigures = () => ({
  ledVolts: Figure,
  seriesOhms: Figure,
  parallelOhms: Figure,
  onVolts: Figure,
  onAmps: Figure,
  offVolts: Figure,
  offAmps: Figure,
  offVoltsAtLowCurrent: Figure,
  maxVolts: Figure,
});
type InputFigures = { [K in keyof ReturnType<typeof inputFigures>]: Figure };

/** Limits of an input by its figures: surely on from, surely off up to. */
export const thresholdsOf = (own: InputFigures): InputThresholds => ({
  onVolts: minOf(own.onVolts),
  onAmps: minOf(own.onAmps),
  offVolts: maxOf(own.offVolts),
  offAmps: maxOf(own.offAmps),
  offVoltsAtLowCurrent: maxOf(own.offVoltsAtLowCurrent),
  maxVolts: maxOf(own.maxVolts),
});

/** Something that an optocoupler senses besides the ports of its module. */
const Sensed = () =>
  z.strictObject({
    id: Name,
    terminal: Node,
    common: Node,
    sense: z.enum(['sink', 'source', 'both']),
  });

const exactly = (value: number): Span => ({ nom: value, min: value, max: value });

/** It runs on its own battery, joined to nothing: a meter in the hand. */
const alone = () => z.boolean().optional();

export const INPUTS = [
  /** Inputs with an optocoupler each: the ports that name it, and what stands `at` other terminals. */
  behaviour(
    'optocoupler-input',
    () => ({ ...inputFigures(), at: z.array(Sensed()).max(16).optional() }),
    (own, now, { ports }): Element[] => {
      const one = (id: string, terminal: string, common: string, sense: Sense): Element => ({
        kind: 'optocoupler',
        id,
        terminal,
        common,
        sense,
        ledVolts: figured(own.ledVolts, now),
        seriesOhms: figured(own.seriesOhms, now),
        parallelOhms: figured(own.parallelOhms, now),
        thresholds: thresholdsOf(own),
      });
      return [
        ...ports.flatMap((port) =>
          port.kind === 'digital' && port.input === own.id
            ? [one(port.name, port.terminal, port.common, port.sense)]
            : [],
        ),
        ...(own.at ?? []).map(({ id, terminal, common, sense }) => one(id, terminal, common, sense)),
      ];
    },
  ),
  /** Analog inputs switched to current, over a shunt, or to voltage. */
  behaviour(
    'signal-input',
    () => ({ currentOhms: Figure, voltageOhms: Figure, maxCurrent: Figure }),
    (own, now, { ports }): Element[] =>
      analogAt(own.id, ports).map(({ name, terminal, common, switchKey }) =>
        resistor(
          name,
          terminal,
          common,
          figured(switchKey && now.settings[switchKey] === 'V' ? own.voltageOhms : own.currentOhms, now),
        ),
      ),
  ),
  /** Inputs that measure a resistance by the voltage that their own current makes across it. */
  behaviour(
    'resistance-input',
    () => ({ excitation: Figure, alone: alone() }),
    (own, now, { ports }): Element[] =>
      analogAt(own.id, ports).flatMap((port) => [
        ...resistanceInput(port, figured(own.excitation, now)),
        ...(own.alone || port.common === 'M'
          ? []
          : [resistor(`${port.name}-tie`, port.common, 'M', exactly(1e5))]),
      ]),
  ),
  /** Inputs for thermocouples; a resistor drives an open one out of range, so that a break is seen. */
  behaviour(
    'thermocouple-input',
    () => ({ ohms: Figure, alone: alone() }),
    (own, now, { ports }): Element[] =>
      analogAt(own.id, ports).flatMap(({ name, terminal, common }) => [
        resistor(name, terminal, common, figured(own.ohms, now)),
        ...(own.alone
          ? []
          : [
              resistor(`${name}-tie`, common, 'M', exactly(1e5)),
              resistor(`${name}-burnout`, 'L+', terminal, exactly(1e9)),
            ]),
      ]),
  ),
];

const analogAt = (
  id: string,
  ports: readonly { readonly kind: string; readonly input?: string }[],
): AnalogPort[] => ports.filter((port): port is AnalogPort => port.kind === 'analog' && port.input === id);

function resistanceInput({ name, terminal, common, roles }: AnalogPort, amps: Span): Element[] {
  return [
    {
      kind: 'source',
      id: `${name}-source`,
      plus: `~${name}`,
      minus: common,
      volts: exactly(3),
      internalOhms: exactly(1),
      limitAmps: exactly(0.01),
    },
    {
      kind: 'switch',
      id: `${name}-live`,
      a: `~${name}`,
      b: `~${name}2`,
      closed: { on: 'fed' },
      ohms: exactly(1),
    },
    {
      kind: 'transmitter',
      id: name,
      plus: `~${name}2`,
      minus: terminal,
      amps,
      liftVolts: exactly(0.3),
    },
    ...[roles.sense, roles.senseReturn].flatMap((sense) =>
      sense === undefined ? [] : [resistor(`${name}-${sense}`, sense, common, exactly(1e8))],
    ),
  ];
}

/** Figures of inputs that an analog port reads. */
export interface AnalogFigures {
  readonly burdenOhms: (switchedTo: string | undefined) => number;
  readonly shuntOhms: number;
  readonly excitationAmps?: number;
  readonly maxAmps?: number;
}

/** What the behaviour of an analog input says to its ports. */
export function analogFigures(own: { model: string } & Readonly<Record<string, unknown>>): AnalogFigures {
  const nominal = (key: string): number | undefined => {
    const figure = own[key];
    return isFigure(figure) ? nominalOf(figure) : undefined;
  };
  if (own.model !== 'signal-input')
    return {
      burdenOhms: () => nominal('ohms') ?? 1e7,
      shuntOhms: NaN,
      excitationAmps: nominal('excitation'),
    };
  const current = nominal('currentOhms') ?? NaN;
  return {
    burdenOhms: (switchedTo) => (switchedTo === 'V' ? (nominal('voltageOhms') ?? NaN) : current),
    shuntOhms: current,
    maxAmps: nominal('maxCurrent'),
  };
}
