import type { SingleChange } from '@keypost/core/job';
import { ANALOG, DRIVE, INTAKE, METERS } from './analogPoints.ts';
import { COUNTED } from './countedPoints.ts';
import type { DemoPoint } from './demoPoint.ts';
import { found, helper, wired } from './demoPoint.ts';
import { OWN_KIND } from './ownKind.ts';
import { TALKING } from './talkingPoints.ts';

/** The coil sensors of an arc unit, one a phase. */
const coilSensors = (pointTag: string, tag: string): SingleChange[] =>
  [1, 2, 3].map((phase) =>
    helper(pointTag, `${tag}.${phase}`, 'arc-coil', [
      ['k', `${pointTag.toLowerCase()}-b:k${phase}`],
      ['l', `${pointTag.toLowerCase()}-b:l${phase}`],
    ]),
  );

/** A load on mains that is on with the target. */
const mainsLoad = (point: string, tag: string, typeId: string, from: string, lengthM: number): SingleChange =>
  helper(
    point,
    tag,
    typeId,
    [
      ['1', from, 'BN', lengthM],
      ['2', 'q1:N', 'BU', lengthM],
    ],
    { duty: 'present' },
  );

const TWO_WIRE: readonly DemoPoint[] = [
  {
    tag: 'PX-201',
    name: 'Blower inlet flap',
    typeId: 'inductive-2w-dc',
    output: 'twowire',
    logic: 'no',
    at: ['di-1', 3],
    proof: 'all',
  },
  {
    tag: 'LS-202',
    name: 'Pump pit, float',
    typeId: 'float-2w-dc',
    output: 'twowire',
    logic: 'no',
    at: ['di-3', 2],
    landed: 2,
  },
  {
    tag: 'PX-203',
    name: 'Wash-down bay occupied',
    typeId: 'inductive-2w-ac',
    output: 'twowire',
    logic: 'no',
    landed: 4,
    more: [
      helper('PX-203', 'F203', 'mcb-1p', [['1', 'q1:L', 'BN']], { rating: '6', characteristic: 'C' }),
      ...wired('px-203-b', [['BN', 'f203:2', 'BN', 8]]),
      helper('PX-203', 'K203', 'relay-2co-230ac', [
        ['A1', 'px-203-b:BK', 'BK', 8],
        ['A2', 'q1:N', 'BU'],
        ['11', 'f203:2', 'BN'],
        ['21', 'k203:11', 'BN'],
      ]),
      helper(
        'PX-203',
        'R203',
        'resistor',
        [
          ['1', 'k203:A1'],
          ['2', 'k203:A2'],
        ],
        { ohms: '22000', watts: '10' },
      ),
      mainsLoad('PX-203', 'Y203', 'valve-230', 'k203:14', 6),
      mainsLoad('PX-203', 'H203', 'beacon-230', 'k203:24', 4),
      mainsLoad('PX-203', 'P203', 'horn-230', 'h203:1', 4),
    ],
  },
  {
    tag: 'PX-205',
    name: 'Biofilter air valve',
    typeId: 'namur-2w',
    output: 'twowire',
    logic: 'no',
    landed: 5,
    more: [
      helper('PX-205', 'N205', 'namur-amplifier-1ch', [
        ['1+', 'px-205-b:BN', 'BN', 25],
        ['3-', 'px-205-b:BU', 'BU', 25],
        ['A1', 'g1:+', 'RD'],
        ['A2', 'g1:-', 'BU'],
        ['11', 'g1:+', 'RD'],
        ['14', 'plc:I5'],
      ]),
    ],
  },
  {
    tag: 'PX-206',
    name: 'Drum filter, lid and complement',
    typeId: 'inductive-4w',
    output: 'pnp',
    logic: 'no',
    at: ['di-1', 4],
    landed: 6,
    more: wired('px-206-b', [['WH', 'di-1:I5', 'WH', 10]]),
  },
];

const RELAYS: readonly DemoPoint[] = [
  {
    tag: 'PE-207',
    name: 'Hall door open, extractor',
    typeId: 'diffuse-3w',
    output: 'pnp',
    logic: 'light',
    landed: 3,
    more: [
      ...wired('pe-207-b', [
        ['BN', 'g1:+', 'BN', 12],
        ['BU', 'g1:-', 'BU', 12],
      ]),
      helper(
        'PE-207',
        'K207',
        'relay-2co-24dc',
        [
          ['A1', 'pe-207-b:BK', 'BK', 12],
          ['A2', 'g1:-', 'BU'],
          ['11', 'q1:L', 'BN'],
          ['21', 'g1:+', 'RD'],
          ['24', 'plc:I6'],
        ],
        { suppressor: 'none' },
      ),
      mainsLoad('PE-207', 'M207', 'fan-230', 'k207:14', 15),
    ],
  },
  {
    tag: 'LX-208',
    name: 'Header tank high, stack light',
    typeId: 'capacitive-3w',
    output: 'pnp',
    logic: 'no',
    landed: 6,
    more: [
      ...wired('lx-208-b', [
        ['BN', 'g1:+', 'BN', 20],
        ['BU', 'g1:-', 'BU', 20],
      ]),
      helper(
        'LX-208',
        'K208',
        'relay-1co-24dc',
        [
          ['A1', 'lx-208-b:BK', 'BK', 20],
          ['A2', 'g1:-', 'BU'],
          ['11', 'g1:+', 'RD'],
        ],
        { suppressor: 'diode' },
      ),
      helper(
        'LX-208',
        'H208',
        'stack-light-3',
        [
          ['C', 'g1:-', 'BU', 6],
          ['1', 'k208:12', 'GN', 6],
          ['3', 'k208:14', 'RD', 6],
        ],
        { common: 'minus', duty1: 'away', duty2: 'unused', duty3: 'present' },
      ),
    ],
  },
];

/** A relay of a sensor starts a pump through a contactor. */
const PUMP: DemoPoint = {
  tag: 'LS-209',
  name: 'Sump pump, start level',
  typeId: 'capacitive-3w',
  output: 'pnp',
  logic: 'no',
  landed: 2,
  more: [
    ...wired('ls-209-b', [
      ['BN', 'g1:+', 'BN', 15],
      ['BU', 'g1:-', 'BU', 15],
    ]),
    helper(
      'LS-209',
      'K209',
      'relay-1co-24dc',
      [
        ['A1', 'ls-209-b:BK', 'BK', 15],
        ['A2', 'g1:-', 'BU'],
        ['11', 'g1:+', 'RD'],
      ],
      { suppressor: 'diode' },
    ),
    helper(
      'LS-209',
      'KM209',
      'contactor-24dc',
      [
        ['A1', 'k209:14', 'RD'],
        ['A2', 'g1:-', 'BU'],
        ['1', 'q1:L', 'BN'],
      ],
      { suppressor: 'diode', duty: 'present' },
    ),
    mainsLoad('LS-209', 'M209', 'pump-230', 'km209:2', 2),
  ],
};

/** One of a kind of its own, described in the job. */
const OWN: DemoPoint = {
  tag: 'LX-215',
  name: 'Brine tank, upper level',
  typeId: OWN_KIND,
  output: 'pnp',
  logic: 'no',
  at: ['di-3', 6],
  landed: 1,
};

const SAFETY: readonly DemoPoint[] = [
  {
    tag: 'ES-210',
    name: 'Emergency stop, drum filter',
    typeId: 'estop-2c',
    output: 'contact',
    logic: 'nc',
    at: ['sr-1', 0],
    landed: 4,
    more: [
      ...wired('sr-1', [
        ['13', 'g1:+', 'RD'],
        ['23', 'g1:+', 'RD'],
      ]),
      helper('ES-210', 'S210', 'reset-button', [
        ['13', 'sr-1:T1', 'OG'],
        ['14', 'sr-1:RI', 'OG'],
      ]),
      helper(
        'ES-210',
        'KM210',
        'contactor-24dc',
        [
          ['A1', 'sr-1:14', 'OG'],
          ['A2', 'g1:-', 'BU'],
          ['21', 'sr-1:T1', 'OG'],
        ],
        { suppressor: 'diode', duty: 'present' },
      ),
      helper(
        'ES-210',
        'KM211',
        'contactor-24dc',
        [
          ['A1', 'sr-1:24', 'OG'],
          ['A2', 'g1:-', 'BU'],
          ['21', 'km210:22', 'OG'],
          ['22', 'sr-1:FB', 'OG'],
        ],
        { suppressor: 'diode', duty: 'present' },
      ),
      ...wired('es-210-b', [
        ['33', 'g1:+', 'WH', 10],
        ['34', 'di-1:I6', 'GY', 10],
      ]),
    ],
  },
  {
    tag: 'GS-211',
    name: 'Drum filter guard door',
    typeId: 'guard-transistor',
    output: 'pnp',
    logic: 'nc',
    at: ['sr-1', 1],
    landed: 2,
  },
  {
    tag: 'GS-212',
    name: 'Tray hoist gate',
    typeId: 'guard-transistor',
    output: 'pnp',
    logic: 'nc',
    at: ['drv-1', 9],
    landed: 3,
    more: [...wired('drv-1', [['SC', 'g1:-', 'BU']]), found('GS-212', 'YE', { missing: true })],
  },
  {
    tag: 'AX-213',
    name: 'Main board, arc protection',
    typeId: 'arc-unit',
    output: 'contact',
    logic: 'no',
    at: ['di-1', 7],
    settings: { address: '1', last: 'off' },
    landed: 1,
    more: coilSensors('AX-213', 'T213'),
  },
  {
    tag: 'AX-214',
    name: 'Blower board, arc protection',
    typeId: 'arc-unit-linked',
    output: 'contact',
    logic: 'no',
    at: ['di-3', 4],
    settings: { address: '2', last: 'on' },
    landed: 0,
    more: coilSensors('AX-214', 'T214'),
  },
];

const CONTROLLER: readonly DemoPoint[] = [
  {
    tag: 'ZS-250',
    name: 'Slack rope',
    typeId: 'limit-switch',
    output: 'contact',
    logic: 'nc',
    at: ['uc-1', 0],
    landed: 4,
  },
  {
    tag: 'TS-251',
    name: 'Generator too hot',
    typeId: 'dry-contact',
    output: 'contact',
    logic: 'no',
    at: ['uc-1', 6],
    landed: 5,
  },
  { tag: 'YV-252', name: 'Fuel valve', typeId: 'valve-24', at: ['uc-1', 9], landed: 4 },
  { tag: 'YV-253', name: 'Choke valve', typeId: 'valve-24', at: ['uc-1', 12], landed: 1 },
  {
    tag: 'YV-254',
    name: 'Rinse valve',
    typeId: 'valve-24',
    at: ['do-1', 0],
    more: [
      {
        kind: 'editPoint',
        id: 'yv-254',
        patch: {
          program: {
            how: 'all',
            of: [{ pointId: 'pe-101' }, { pointId: 'pe-106', turned: true }],
            offDelay: 3,
          },
        },
      },
    ],
    proof: 'half',
  },
];

/** Everything beyond plain inputs: two-wire sensors, relays, safety, analog, drive, controller, pulses, talking devices. */
export const FIELD_POINTS: readonly DemoPoint[] = [
  ...TWO_WIRE,
  ...RELAYS,
  PUMP,
  OWN,
  ...SAFETY,
  ...ANALOG,
  ...INTAKE,
  ...METERS,
  ...DRIVE,
  ...CONTROLLER,
  ...COUNTED,
  ...TALKING,
];
