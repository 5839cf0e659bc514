import { within } from '../circuit/index.ts';
import type { DeviceTerminal, DeviceType, ElectronicBehaviour } from './types.ts';

/** Colours and pins of three-wire d.c. proximity switches: IEC 60947-5-2. */
const THREE_WIRES: readonly DeviceTerminal[] = [
  { name: 'BN', role: 'plus', pin: 1, colour: 'BN' },
  { name: 'BU', role: 'minus', pin: 3, colour: 'BU' },
  { name: 'BK', role: 'out', pin: 4, colour: 'BK' },
];

const EMITTER: readonly DeviceTerminal[] = [
  { name: 'E-BN', role: 'emitterPlus', pin: 1, colour: 'BN' },
  { name: 'E-BU', role: 'emitterMinus', pin: 3, colour: 'BU' },
];

const CONTACT: readonly DeviceTerminal[] = [
  { name: '1', role: 'sideA', colour: 'BN' },
  { name: '2', role: 'sideB', colour: 'BK' },
];

function electronic(
  supplyOhms: ElectronicBehaviour['supplyOhms'],
  drop: ElectronicBehaviour['dropVolts'],
  ratedAmps = 0.2,
): ElectronicBehaviour {
  return {
    kind: 'electronic',
    leastSupplyVolts: 10,
    mostSupplyVolts: 30,
    supplyOhms,
    dropVolts: drop,
    onOhms: within(1, 2, 4),
    leakAmps: within(0, 0.00001, 0.0001),
    ratedAmps,
    limitAmps: within(ratedAmps * 1.2, ratedAmps * 1.5, ratedAmps * 2),
  };
}

const ANY_TRANSISTOR = ['pnp', 'npn', 'pushpull'] as const;

export const DEVICE_TYPES: readonly DeviceType[] = [
  {
    id: 'inductive-3w',
    name: 'Inductive proximity sensor, three-wire',
    principle: 'inductive',
    outputs: ANY_TRANSISTOR,
    logics: ['no', 'nc'],
    terminals: THREE_WIRES,
    behaviour: electronic(within(1800, 2400, 4800), within(0.3, 1.1, 2)),
    words: { present: 'Target present', away: 'Target away' },
    stimulus: 'a piece of the real metal at the working distance',
  },
  {
    id: 'capacitive-3w',
    name: 'Capacitive proximity sensor, three-wire',
    principle: 'capacitive',
    outputs: ANY_TRANSISTOR,
    logics: ['no', 'nc'],
    terminals: THREE_WIRES,
    behaviour: electronic(within(1600, 2200, 4000), within(0.3, 1.2, 2)),
    words: { present: 'Medium present', away: 'Medium away' },
    stimulus: 'the real medium, at its real height',
  },
  {
    id: 'diffuse-3w',
    name: 'Diffuse photoelectric sensor, three-wire',
    principle: 'diffuse',
    outputs: ANY_TRANSISTOR,
    logics: ['light', 'dark'],
    lightWithTarget: true,
    terminals: THREE_WIRES,
    behaviour: electronic(within(900, 1200, 2400), within(0.3, 1.1, 2.4), 0.1),
    words: { present: 'Target present', away: 'Target away' },
    stimulus: 'the darkest and smallest real object',
  },
  {
    id: 'retro-3w',
    name: 'Retro-reflective photoelectric sensor, three-wire',
    principle: 'retro-reflective',
    outputs: ANY_TRANSISTOR,
    logics: ['light', 'dark'],
    lightWithTarget: false,
    terminals: THREE_WIRES,
    behaviour: electronic(within(900, 1200, 2400), within(0.3, 1.1, 2.4), 0.1),
    words: { present: 'Beam broken', away: 'Beam free' },
    stimulus: 'the real object across the beam',
  },
  {
    id: 'through-beam-3w',
    name: 'Through-beam photoelectric pair, three-wire receiver',
    principle: 'through-beam',
    outputs: ANY_TRANSISTOR,
    logics: ['light', 'dark'],
    lightWithTarget: false,
    terminals: [...THREE_WIRES, ...EMITTER],
    behaviour: electronic(within(900, 1200, 2400), within(0.3, 1.1, 2.4), 0.1),
    words: { present: 'Beam broken', away: 'Beam free' },
    stimulus: 'the real object across the beam',
  },
  {
    id: 'ultrasonic-3w',
    name: 'Ultrasonic switching sensor, three-wire',
    principle: 'ultrasonic',
    outputs: ANY_TRANSISTOR,
    logics: ['no', 'nc'],
    terminals: THREE_WIRES,
    behaviour: electronic(within(480, 700, 1200), within(0.5, 1.5, 3)),
    words: { present: 'Target present', away: 'Target away' },
    stimulus: 'the real object, square to the sensor and past its blind zone',
  },
  {
    id: 'dry-contact',
    name: 'Dry contact',
    principle: 'dry contact',
    outputs: ['contact'],
    logics: ['no', 'nc'],
    terminals: CONTACT,
    behaviour: {
      kind: 'contact',
      closedOhms: within(0.01, 0.05, 0.5),
      ratedAmps: 0.5,
      wettingVolts: 5,
      wettingAmps: 0.001,
    },
    words: { present: 'Actuated', away: 'At rest' },
    stimulus: 'the real movement or medium',
  },
  {
    id: 'limit-switch',
    name: 'Mechanical switch',
    principle: 'mechanical switch',
    outputs: ['contact'],
    logics: ['no', 'nc'],
    terminals: CONTACT,
    behaviour: {
      kind: 'contact',
      closedOhms: within(0.01, 0.05, 1),
      ratedAmps: 3,
      wettingVolts: 10,
      wettingAmps: 0.005,
    },
    words: { present: 'Actuated', away: 'At rest' },
    stimulus: 'the real cam or door, moved by hand',
  },
];
