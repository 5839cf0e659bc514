import type { DeviceDescription } from '../description/deviceDescription.ts';
import { atMost, exact, span } from '../description/figure.ts';
import * as fit from '../handling/switching.ts';
import { CAPACITIVE, contact, threeWire } from './switching.ts';

const SMALL = { volts: exact('V', 5), amps: exact('A', 0.001) };
const ROBUST = { volts: exact('V', 12), amps: exact('A', 0.003) };
const GOOD = span('Ω', 0.01, 0.05, 0.5);
const PRESSED = { present: 'Pressed', away: 'Let go' };
const BY_HAND = 'the hand';

/** Contacts that people press, turn and move, and those that a medium moves. */
const HAND_AND_MEDIUM_CONTACTS: readonly DeviceDescription[] = [
  contact(
    {
      id: 'push-button',
      name: 'Push button',
      title: 'push button',
      terms: ['button', 'start', 'stop', 'operator', 'illuminated', 'foot switch'],
    },
    GOOD,
    3,
    ROBUST,
    BY_HAND,
    PRESSED,
  ),
  contact(
    {
      id: 'selector-switch',
      name: 'Selector, one position of it',
      title: 'selector',
      terms: ['rotary switch', 'hand off auto', 'mode switch', 'joystick', 'key switch'],
    },
    GOOD,
    3,
    ROBUST,
    BY_HAND,
    { present: 'In this position', away: 'In another position' },
  ),
  contact(
    {
      id: 'reed-switch',
      name: 'Reed switch',
      title: 'reed',
      senses: ['position', 'level'],
      terms: ['magnet', 'cylinder switch', 'magnetic contact', 'door contact'],
    },
    span('Ω', 0.05, 0.1, 0.2),
    0.5,
    SMALL,
    'its magnet, moved by the real part',
    { present: 'Magnet near', away: 'Magnet away' },
  ),
  contact(
    {
      id: 'pressure-switch',
      name: 'Pressure or vacuum switch, contact',
      title: 'pressure switch',
      senses: ['pressure'],
      terms: ['pressostat', 'vacuum', 'differential pressure', 'air flow', 'filter'],
    },
    GOOD,
    3,
    ROBUST,
    'the real pressure, raised and lowered at the tapping',
    { present: 'Above its point', away: 'Below its point' },
  ),
  contact(
    {
      id: 'thermostat',
      name: 'Thermostat or bimetal contact',
      title: 'thermostat',
      senses: ['temperature'],
      terms: ['temperature switch', 'winding protection', 'overheat'],
    },
    GOOD,
    3,
    ROBUST,
    'warm and cold, or its knob turned past the present temperature',
    { present: 'Above its point', away: 'Below its point' },
  ),
  contact(
    {
      id: 'float-switch',
      name: 'Float switch, contact',
      title: 'float switch',
      senses: ['level'],
      terms: ['level switch', 'sump', 'tank', 'pear'],
    },
    GOOD,
    1,
    ROBUST,
    'the float, lifted by hand or by the real level',
    { present: 'Float up', away: 'Float down' },
  ),
  contact(
    {
      id: 'flow-switch',
      name: 'Flow switch, paddle, contact',
      title: 'flow switch',
      senses: ['flow'],
      terms: ['paddle', 'vane', 'no-flow', 'water flow'],
    },
    GOOD,
    1,
    ROBUST,
    'real flow, started and stopped',
    { present: 'Flow', away: 'No flow' },
  ),
];

/** A switch of two contacts that move together: one closes, the other opens. */
const LIMIT_SWITCH_TWO: DeviceDescription = {
  id: 'limit-switch-2c',
  name: 'Mechanical switch, one NO and one NC contact',
  title: 'mechanical switch',
  group: 'Contacts',
  handling: fit.CONTACT,
  senses: ['position'],
  terms: ['limit switch', 'position switch', 'roller', 'snap action', 'changeover'],
  terminals: [
    { name: '13', role: 'sideA', words: 'NO', colour: 'BN' },
    { name: '14', role: 'sideB', words: 'NO', colour: 'BK' },
    { name: '21', role: 'aux', words: 'NC', colour: 'BU' },
    { name: '22', role: 'auxReturn', words: 'NC', colour: 'WH' },
  ],
  outputs: [
    ['output', 'NO contact', ['14', '13'], 'made', 'no'] as const,
    ['second', 'NC contact', ['22', '21'], 'broken', 'nc'] as const,
  ].map(([id, label, terminals, element, logic]) => ({
    id,
    label,
    drivenBy: 'target' as const,
    terminals: [...terminals],
    kinds: ['contact' as const],
    logics: [logic],
    landsOn: 'switched' as const,
    rule: 'by-kind' as const,
    element,
    rated: atMost('A', 3),
    wetting: ROBUST,
    words: { present: 'Actuated', away: 'At rest' },
    stimulus: 'the real cam or door, moved by hand',
  })),
  behaviours: [
    { model: 'contact', id: 'made', a: '13', b: '14', closed: { present: true }, ohms: GOOD },
    { model: 'contact', id: 'broken', a: '21', b: '22', closed: { not: { present: true } }, ohms: GOOD },
  ],
};

/** Electronic switches of media, with one transistor output. */
const MEDIUM_SENSORS: readonly DeviceDescription[] = [
  threeWire(
    {
      id: 'pressure-3w',
      name: 'Pressure sensor, switching, three-wire',
      title: 'pressure',
      handling: fit.CAPACITIVE,
      senses: ['pressure'],
      terms: ['pressure switch', 'electronic', 'vacuum', 'set point'],
    },
    CAPACITIVE,
    {
      words: { present: 'Above its point', away: 'Below its point' },
      stimulus: 'the real pressure, raised and lowered at the tapping',
    },
  ),
  threeWire(
    {
      id: 'flow-3w',
      name: 'Flow sensor, switching, three-wire',
      title: 'flow',
      handling: fit.CAPACITIVE,
      senses: ['flow'],
      terms: ['flow switch', 'calorimetric', 'thermal', 'set point'],
    },
    CAPACITIVE,
    { words: { present: 'Flow', away: 'No flow' }, stimulus: 'real flow, started and stopped' },
  ),
  threeWire(
    {
      id: 'level-3w',
      name: 'Level sensor, switching, three-wire',
      title: 'level',
      handling: fit.CAPACITIVE,
      senses: ['level'],
      terms: ['level switch', 'capacitive', 'vibrating fork', 'point level', 'overfill'],
    },
    CAPACITIVE,
    {
      words: { present: 'Medium present', away: 'Medium away' },
      stimulus: 'the real medium, at its real height',
    },
  ),
];

export const CONTACTS_AND_MEDIA: readonly DeviceDescription[] = [
  ...HAND_AND_MEDIUM_CONTACTS,
  LIMIT_SWITCH_TWO,
  ...MEDIUM_SENSORS,
];
