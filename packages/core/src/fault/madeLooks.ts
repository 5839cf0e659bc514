import type { Look, Spot } from './look.ts';

/** Seconds for a look: an LED is seen, a value is found on a screen, two leads are put on, a long lead is laid out. */
export const SECONDS = {
  sensorLed: 4,
  inputLed: 4,
  lit: 4,
  bit: 10,
  acts: 8,
  talks: 20,
  asSet: 90,
  volts: 25,
  ohms: 25,
  milliamps: 90,
  longLead: 120,
} as const;

/** How a target is held for a look, where nothing else is said. */
export const STATES = ['away', 'present'] as const;

/** The same look with the target away and with it present. */
export const inStates = (look: (state: (typeof STATES)[number]) => Look): Look[] => STATES.map(look);

/** Volts between two terminals, in one state. */
export const voltsLook = (red: string, black: string, spot: Spot, state: Look['state']): Look => ({
  id: `volts ${red} ${black} ${state}`,
  kind: 'volts',
  red,
  black,
  state,
  spot,
  seconds: SECONDS.volts,
  power: 'on',
});

/** Whether something acts, or an LED of it is lit, in each state. */
export const elementLooks = (kind: 'acts' | 'lit', element: string, label: string, spot: Spot): Look[] =>
  inStates((state) => ({
    id: `${kind} ${element} ${state}`,
    kind,
    element,
    label,
    state,
    spot,
    seconds: SECONDS[kind],
    power: 'on',
  }));
