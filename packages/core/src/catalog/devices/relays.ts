import type { DeviceDescription } from '../description/deviceDescription.ts';
import { exact, tolerant } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import type { Setting } from '../parameters.ts';

type Behaviour = DeviceDescription['behaviours'][number];

/** Numbers on the sockets of plug-in relays, by number of poles: coil, then common, NC, NO of each pole. */
const SOCKETS: Readonly<Record<number, readonly string[]>> = {
  1: ['13', '14', '9', '1', '5'],
  2: ['13', '14', '9', '1', '5', '12', '4', '8'],
  3: ['2', '10', '1', '4', '3', '6', '5', '7', '11', '8', '9'],
  4: ['13', '14', '9', '1', '5', '10', '2', '6', '11', '3', '7', '12', '4', '8'],
};

function relayTerminals(poles: number, sockets: boolean): PartTerminal[] {
  const ofPole = (p: number): PartTerminal[] => [
    { name: `${p}1`, words: 'common' },
    { name: `${p}2`, words: 'NC' },
    { name: `${p}4`, words: 'NO' },
  ];
  const terminals: PartTerminal[] = [
    { name: 'A1', words: 'coil', role: 'sideA' },
    { name: 'A2', words: 'coil', role: 'sideB' },
    ...Array.from({ length: poles }, (_, p) => ofPole(p + 1)).flat(),
  ];
  return terminals.map((terminal, i) => {
    const printed = sockets ? SOCKETS[poles]?.[i] : undefined;
    return { ...terminal, ...(printed && { printed }) };
  });
}

export const SUPPRESSOR: Setting = {
  key: 'suppressor',
  label: 'Suppressor at the coil',
  place: 'version',
  choices: [
    { value: 'none', label: 'None' },
    { value: 'diode', label: 'Diode, cathode at A1' },
    { value: 'diode-turned', label: 'Diode, cathode at A2' },
    { value: 'varistor', label: 'Varistor' },
  ],
};
const AC_SUPPRESSOR: Setting = {
  ...SUPPRESSOR,
  choices: SUPPRESSOR.choices.filter(({ value }) => value === 'none' || value === 'varistor'),
};

/** How the socket that a relay sits on is numbered. */
const SOCKET: Setting = {
  key: 'socket',
  label: 'Terminals of its socket',
  place: 'version',
  names: 'through',
  choices: [
    { value: 'through', label: 'Numbered through, as 13, 9, 5' },
    { value: 'contacts', label: 'Numbered by coil and contact only, as A1, 11, 14' },
  ],
};

const STANDARD = 'IEC 61810-1';

/** A coil, ±10 % (IEC 61810-1): in from 75 % (DC) or 80 % (AC) of its volts, out below 10 % or 15 %. */
interface Coil {
  readonly words: string;
  readonly current: 'dc' | 'ac' | 'any';
  readonly volts: number;
  readonly ohms: number;
  readonly pickUp: number;
  readonly dropOut: number;
}
export const DC = { current: 'dc', pickUp: 0.75, dropOut: 0.1 } as const;
const AC = { current: 'ac', pickUp: 0.8, dropOut: 0.15 } as const;

export const coil = (id: string, { current, volts, ohms, pickUp, dropOut }: Coil): Behaviour => ({
  model: 'coil',
  id,
  a: 'A1',
  b: 'A2',
  current,
  volts: exact('V', volts, 'rated'),
  ohms: tolerant('Ω', ohms, 10, STANDARD),
  pickUp: exact('', pickUp, STANDARD),
  dropOut: exact('', dropOut, STANDARD),
});

const COILS: readonly (readonly [key: string, coil: Coil])[] = [
  ['24dc', { ...DC, words: '24 V DC', volts: 24, ohms: 650 }],
  ['24ac', { ...AC, words: '24 V AC', volts: 24, ohms: 430 }],
  ['230ac', { ...AC, words: '230 V AC', volts: 230, ohms: 38000 }],
];

export const rating = (
  poles: number,
  amps: number,
  inrush: number,
  minVolts = 5,
  minAmps = 0.005,
  maxVolts = 250,
): DeviceDescription['contacts'] => ({
  poles,
  amps: exact('A', amps),
  inrush: exact('A', inrush),
  maxVolts: exact('V', maxVolts),
  minVolts: exact('V', minVolts),
  minAmps: exact('A', minAmps),
});

const CONTACTS: Readonly<Record<number, DeviceDescription['contacts']>> = {
  1: rating(1, 10, 30),
  2: rating(2, 8, 15),
  3: rating(3, 8, 15),
  4: rating(4, 5, 12),
};
const POLE_WORDS = ['', 'one pole', 'two poles', 'three poles', 'four poles'];

const relay = (
  own: Pick<DeviceDescription, 'id' | 'name'>,
  poles: number,
  rated: Coil,
  {
    sockets,
    contacts,
    setting,
  }: { sockets: boolean; contacts: DeviceDescription['contacts']; setting?: Setting },
): DeviceDescription => ({
  ...own,
  title: 'relay',
  group: 'Relays',
  part: true,
  terminals: relayTerminals(poles, sockets),
  ...((setting ?? sockets) && { settings: [...(setting ? [setting] : []), ...(sockets ? [SOCKET] : [])] }),
  outputs: [],
  behaviours: [
    coil('coil', rated),
    ...(setting
      ? [{ model: 'suppressor' as const, id: 'suppressor', plus: 'A1', minus: 'A2', setting: 'suppressor' }]
      : []),
    { model: 'changeover', id: 'poles', poles, follows: 'coil' },
  ],
  contacts,
  indicators: [{ id: 'coil', label: 'Relay', kind: 'coil' }],
});

const plugIn = (poles: number, key: string, rated: Coil): DeviceDescription =>
  relay(
    { id: `relay-${poles}co-${key}`, name: `Plug-in relay, ${POLE_WORDS[poles]}, coil ${rated.words}` },
    poles,
    rated,
    {
      sockets: true,
      contacts: CONTACTS[poles],
      setting: rated.current === 'dc' ? SUPPRESSOR : AC_SUPPRESSOR,
    },
  );

const slim = (key: string, rated: Coil): DeviceDescription =>
  relay({ id: `relay-slim-${key}`, name: `Slim interface relay, one pole, ${rated.words}` }, 1, rated, {
    sockets: false,
    contacts: rating(1, 6, 10, 12, 0.01),
  });

export const RELAYS: readonly DeviceDescription[] = [
  ...[1, 2, 3, 4].flatMap((poles) => COILS.map(([key, rated]) => plugIn(poles, key, rated))),
  slim('24dc', { ...DC, words: '24 V DC', volts: 24, ohms: 3400 }),
  slim('230', {
    current: 'any',
    words: '230 V AC or DC',
    volts: 230,
    ohms: 60000,
    pickUp: 0.75,
    dropOut: 0.15,
  }),
];
