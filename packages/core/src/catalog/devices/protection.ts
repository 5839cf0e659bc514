import type { DeviceDescription } from '../description/deviceDescription.ts';
import { tolerant } from '../description/figure.ts';
import type { Setting } from '../parameters.ts';

const GROUP = 'Protection';

/** Ratings in use in control panels, A. */
const RATINGS = ['0.5', '1', '2', '3', '4', '6', '10', '13', '16'];

const rating = (usual: string): Setting => ({
  key: 'rating',
  label: 'Rated current',
  place: 'version',
  choices: [usual, ...RATINGS.filter((amps) => amps !== usual)].map((value) => ({
    value,
    label: `${value} A`,
  })),
});

const state = (on: string, off: string): Setting => ({
  key: 'state',
  label: 'It stands',
  place: 'switch',
  choices: [
    { value: 'on', label: on },
    { value: 'off', label: off },
  ],
});

const CHARACTERISTIC: Setting = {
  key: 'characteristic',
  label: 'Characteristic',
  place: 'version',
  choices: [
    { value: 'C', label: 'C, trips at once from 5 to 10 times' },
    { value: 'B', label: 'B, from 3 to 5 times' },
    { value: 'D', label: 'D, from 10 to 20 times' },
  ],
};

type Protects = NonNullable<DeviceDescription['protects']>;

interface Pole {
  readonly a: string;
  readonly b: string;
}

/** A part that a line goes through, closed while it stands on. */
const through = (
  poles: readonly Pole[],
  ohms: number,
  protects: Omit<Protects, 'a' | 'b'>,
  row: Pick<DeviceDescription, 'id' | 'name' | 'title' | 'terms' | 'settings'>,
): DeviceDescription => ({
  ...row,
  group: GROUP,
  part: true,
  inline: true,
  terminals: poles.flatMap(({ a, b }) => [{ name: a }, { name: b }]),
  outputs: [],
  behaviours: poles.map(({ a, b }, i) => ({
    model: 'contact' as const,
    id: `pole${i + 1}`,
    a,
    b,
    closed: { setting: 'state', is: 'on' },
    ohms: tolerant('Ω', ohms, 30),
  })),
  face: poles.map(({ a, b }, i) => ({ a, b, glyph: { kind: 'slot' as const, id: `pole${i + 1}` } })),
  protects: { a: poles[0]?.a ?? '', b: poles[0]?.b ?? '', ...protects },
  cautions: {
    isolate:
      'Isolate, lock off and prove dead before its terminals are opened. Its size is for the local code and a licensed person.',
  },
});

const LINE: readonly Pole[] = [{ a: '1', b: '2' }];
const LINE_AND_NEUTRAL: readonly Pole[] = [
  { a: '1', b: '2' },
  { a: 'N1', b: 'N2' },
];

/** What protects a branch, or takes it off: a part that its line goes through. */
export const PROTECTION: readonly DeviceDescription[] = [
  through(
    LINE,
    0.05,
    { kind: 'fuse', rating: 'rating' },
    {
      id: 'fuse-terminal',
      name: 'Fuse, in a terminal',
      title: 'fuse',
      terms: ['fuse holder', 'cartridge', 'glass fuse', 'gG', 'blown'],
      settings: [rating('2'), state('whole', 'blown or taken out')],
    },
  ),
  through(
    LINE,
    0.02,
    { kind: 'mcb', rating: 'rating', characteristic: 'characteristic' },
    {
      id: 'mcb-1p',
      name: 'Miniature circuit breaker, one pole',
      title: 'circuit breaker',
      terms: ['MCB', 'circuit breaker', 'characteristic', 'trip', 'IEC 60898'],
      settings: [rating('6'), CHARACTERISTIC, state('on', 'off or tripped')],
    },
  ),
  through(
    LINE,
    0.04,
    { kind: 'electronic', rating: 'rating' },
    {
      id: 'electronic-breaker',
      name: 'Electronic circuit breaker, one channel, 24 V',
      title: 'electronic breaker',
      terms: ['current limiter', 'channel', '24 V distribution', 'trip'],
      settings: [rating('4'), state('on', 'off or tripped')],
    },
  ),
  through(
    LINE_AND_NEUTRAL,
    0.01,
    { kind: 'rcd', milliamps: 30 },
    {
      id: 'rcd-2p',
      name: 'Residual-current device, two poles, 30 mA',
      title: 'RCD',
      terms: ['RCCB', 'GFCI', 'earth leakage', 'ground fault', 'residual current'],
      settings: [state('on', 'off or tripped')],
    },
  ),
  through(
    LINE_AND_NEUTRAL,
    0.01,
    { kind: 'isolator' },
    {
      id: 'isolator-2p',
      name: 'Isolator, two poles',
      title: 'isolator',
      terms: ['disconnector', 'switch-disconnector', 'main switch', 'lock-off'],
      settings: [state('on', 'off, locked')],
    },
  ),
];
