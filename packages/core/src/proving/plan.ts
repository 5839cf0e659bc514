import { oncePer, own } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { fixed, formatVoltBand } from '../units/index.ts';
import { judge } from '../verdict/index.ts';
import type { Analysis, InputReading, PointState } from '../analysis/index.ts';
import { readMeter, safetyTarget, SAFETY_NOTE } from '../analysis/index.ts';
import { aboutPoint, elementId, supplyNodes } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import { tellingTerminals } from '../catalog/index.ts';
import type { DeviceOutput } from '../catalog/index.ts';
import type { CheckGroup, Expected, ProofPlan } from './check.ts';
import { functionGroup } from './functionChecks.ts';
import { ladderGroups } from './ladderChecks.ts';
import { programGroup } from './programChecks.ts';
import { communicationGroup, pulseGroup, signalChecks, voltsCheck } from './signalChecks.ts';
import { yesno } from './sought.ts';
import type { Sought, SoughtGroup } from './sought.ts';
import { injectionGroups, injectionKeys, injectionText } from './injection.ts';
import { splitRef } from '../model/index.ts';
import type { Fingerprint } from '../model/index.ts';

const GUARDED = say('proof.never-bridge-safety-device', { safetyNote: SAFETY_NOTE });
const MOVES = say('proof.what-input-starts-may');
const DRIVES = say('proof.what-it-drives-may');

/**
 * Makes the test of a point from its solved circuit: the supply, then for each state what its lamps, its signal
 * wire, its inputs, relays and loads must show.
 */
export function proofPlan(analysis: Analysis): ProofPlan {
  const plan = statesPlan(analysis);
  return plan.blocked ? plan : { ...plan, groups: [...plan.groups, ...injectionGroups(analysis)] };
}

/** The part of the job that a point's proof is about: a change of that opens it again. */
export const proofFingerprint = ({ context }: Analysis): Fingerprint => aboutPoint(context);

/** The same without what is injected, which takes longer to work out. */
export function statesPlan(analysis: Analysis): ProofPlan {
  const blocked = blockOf(analysis);
  if (blocked) return { blocked, groups: [] };
  const finished = ({ checks, ...group }: SoughtGroup): CheckGroup => ({
    ...group,
    checks: checks.map(({ look, ...rest }) => ({ ...rest, expected: expectedOf(look) })),
  });
  return { groups: outline(analysis).map(finished) };
}

const cautionOf = ({ drivenBy }: DeviceOutput): Message =>
  drivenBy === 'guard' ? GUARDED : drivenBy === 'command' ? DRIVES : MOVES;

/** The keys of all checks of a point, without working out what each must show; none while there is nothing to prove. */
export function checkKeys(analysis: Analysis): string[] {
  if (blockOf(analysis)) return [];
  return [
    ...outline(analysis).flatMap(({ checks }) => checks.map(({ key }) => key)),
    ...injectionKeys(analysis),
  ];
}

function blockOf(analysis: Analysis): Message | undefined {
  const { status, sentence } = judge(analysis);
  return status === 'cannot' || status === 'open'
    ? say('proof.mend-land-before-you', { sentence })
    : undefined;
}

/** Pick-up and contact voltages that a meter shows though the circuit does not, V; no limit is tighter than this. */
const STRAY_VOLTS = 0.2;

function expectedOf(look: Sought['look']): Expected {
  if (typeof look === 'function') return look();
  if (!('state' in look)) return look;
  const { min, nom, max } = readMeter(look.state, look.red, look.black).volts;
  return { kind: 'volts', nom, min: Math.min(min, nom - STRAY_VOLTS), max: Math.max(max, nom + STRAY_VOLTS) };
}

/** The groups of checks of a point in their order: its supply, then what its signal is proven by. */
const outline = oncePer((analysis: Analysis): SoughtGroup[] => {
  const { context } = analysis;
  const supply = supplyGroup(analysis);
  switch (context.output.drivenBy) {
    case 'communication':
      return [
        ...supply,
        { ...communicationGroup(context), caution: MOVES },
        ...furtherGroups(analysis),
        ...functionGroup(context),
        ...ladderGroups(analysis),
      ];
    case 'pulses':
      return [...supply, { ...pulseGroup(context), caution: MOVES }, ...functionGroup(context)];
    default:
      return [
        ...supply,
        ...stateGroups(analysis),
        ...functionGroup(context),
        ...programGroup(context),
        ...ladderGroups(analysis),
      ];
  }
});

function supplyGroup({ context, away }: Analysis): SoughtGroup[] {
  const nodes = supplyNodes(context);
  if (!nodes) return [];
  const supply: Sought = {
    key: 'supply.volts',
    label: say('proof.supply'),
    detail: say('proof.red-black', {
      terminal: splitRef(nodes.plus).terminal,
      terminal2: splitRef(nodes.minus).terminal,
    }),
    look: { state: away, red: nodes.plus, black: nodes.minus },
  };
  return [{ key: 'supply', title: say('proof.supply-device'), checks: [supply] }];
}

/** One group a state, with what is done for it and what may follow from that. */
function stateGroups(analysis: Analysis): SoughtGroup[] {
  const { context, shown, staged } = analysis;
  const { output } = context;
  const open = staged.filter(({ situation }) => /^open\d$/.test(situation.key));
  const proved = output.drivenBy === 'guard' ? [...shown, ...open] : shown;
  return proved.map((state, i) => ({
    key: state.situation.key,
    title: state.situation.words,
    ...(i > 0 && { how: say('step.use', { stimulus: output.stimulus }), caution: cautionOf(output) }),
    checks: stateChecks(analysis, state),
  }));
}

/** Further outputs of a device that talks, as they switch with its value. */
function furtherGroups({ context, shown }: Analysis): SoughtGroup[] {
  return shown.flatMap((state) => {
    const checks = furtherChecks(context, state);
    const landed = state.inputs.find(({ own }) => own.landed)?.own.landed;
    if (!checks.length || !landed) return [];
    const { away, present } = landed.words;
    return [{ key: state.situation.key, title: state.present ? present : away, checks }];
  });
}

function stateChecks(analysis: Analysis, state: PointState): Sought[] {
  const { context } = analysis;
  const { output } = context;
  return [
    ...ledCheck(context, state, output, state.outputOn),
    ...(output.drivenBy === 'guard' ? guardChecks(context, state) : signalChecks(context, state)),
    ...furtherChecks(context, state),
    ...context.helpers.flatMap(({ id, tag }) =>
      state.coils.has(id)
        ? [
            yesno(
              state,
              `coil-${id}`,
              say('proof.relay', { tag }),
              say('proof.lamp-flag'),
              coilIn(state, id),
              say('proof.in'),
              say('proof.out'),
            ),
          ]
        : [],
    ),
    ...state.loads.map(({ expected, on }) =>
      yesno(state, `duty-${expected.id.replace('/', '-')}`, expected.label, say('proof.you-see'), on),
    ),
    ...state.inputs.flatMap((reading, i) => inputChecks(state, reading, i)),
    ...state.measured.map(({ own, unit, value }) => {
      const text = (n: number): string => fixed(n, unit === 'mA' ? 2 : unit === 'V' ? 3 : 2);
      return yesno(
        state,
        `reading-${own.port.name}`,
        say('proof.reading'),
        `${own.module.tag} ${own.port.label}`,
        true,
        say('proof.to-2', { text: text(value.min), text2: text(value.max), unit }),
        say('proof.other'),
      );
    }),
  ];
}

const coilIn = ({ solution }: PointState, id: string): boolean => solution.active(elementId(id, 'coil'));

/** The LED of an output, as it is on or off with it; nothing for an output that has none. */
function ledCheck(
  { type }: PointContext,
  state: PointState,
  { indicator, drivenBy }: DeviceOutput,
  isOn: boolean,
  more = '',
): Sought[] {
  const led = (type.indicators ?? []).find(({ kind, id }) => kind === 'lamp' && id === indicator);
  return led && drivenBy !== 'guard'
    ? [yesno(state, `sensorLamp${more}`, led.label, say('proof.switching-led'), isOn)]
    : [];
}

/** Further outputs of the device that are landed and that no other point is about. */
function furtherChecks(context: PointContext, state: PointState): Sought[] {
  const { device, type, output } = context;
  const black = supplyNodes(context)?.minus ?? state.netlist.reference;
  return state.inputs.flatMap(({ own: { landed }, outputOn }) => {
    if (!landed || landed.id === output.id) return [];
    const [lead = ''] = tellingTerminals(type, landed);
    return [
      ...ledCheck(context, state, landed, outputOn, `-${landed.id}`),
      ...voltsCheck(state, {
        key: `volts-${landed.id}`,
        label: landed.label,
        red: `${device.id}:${lead}`,
        black,
      }),
    ];
  });
}

function guardChecks(context: PointContext, state: PointState): Sought[] {
  const target = safetyTarget(context);
  return target
    ? [
        yesno(
          state,
          'safe',
          say('proof.safe-side'),
          target.module.tag,
          state.solution.active(target.released),
          say('proof.released'),
          say('proof.off'),
        ),
      ]
    : [];
}

/** The first input keeps the plain names, so that a stored result is found again. */
function inputChecks(state: PointState, { own, led, bit }: InputReading, i: number): Sought[] {
  const more = i === 0 ? '' : `-${own.module.id}-${own.port.name}`;
  return [
    yesno(
      state,
      `inputLamp${more}`,
      say('proof.input-led'),
      `${own.module.tag} ${own.port.label}`,
      led === 'on',
    ),
    ...(own.address
      ? [yesno(state, `bit${more}`, say('proof.program-bit'), own.address, bit === 1, '1', '0')]
      : []),
  ];
}

/** What would be seen if everything were just as predicted. */
export const ideal = (expected: Expected): number | boolean =>
  expected.kind === 'yesno' ? expected.value : expected.nom;

/** What is expected, in words. */
export function expectedText(expected: Expected): Text {
  if (expected.kind === 'yesno') return expected.value ? expected.yes : expected.no;
  if (expected.kind === 'volts') return formatVoltBand(expected.min, expected.max);
  const { min, max, digits, unit } = expected;
  return say('proof.to-3', { min, digits, max, unit });
}

/** The last part of a check's key, without what it is at. */
const kindOfCheck = (key: string): string => (key.split('.').at(-1) ?? '').split('-')[0] ?? '';

const CHECK_NAMES: Readonly<Record<string, Message>> = {
  sensorLamp: say('proof.sensor-led'),
  inputLamp: say('proof.input-led'),
  bit: say('proof.program-bit'),
  volts: say('proof.signal'),
  amps: say('proof.signal'),
  live: say('proof.live-value'),
  bits: say('proof.bits-used'),
  led: say('proof.communication-led'),
  counted: say('proof.pulses-counted'),
  rest: say('proof.without-pulses'),
  action: say('proof.what-it-does'),
  active: say('proof.active-state'),
  function: say('proof.function'),
  coil: say('proof.relay-2'),
  duty: say('proof.load'),
  safe: say('proof.safe-side'),
  reading: say('proof.reading'),
  controller: say('proof.controller'),
  screen: say('proof.panel-screen'),
  case: say('proof.program-case'),
  reaches: say('proof.alarm-limit'),
  leaves: say('proof.alarm-back'),
  stays: say('proof.alarm-stays'),
  delay: say('proof.alarm-delay'),
  power: say('proof.alarm-power'),
  without: say('proof.alarm-without'),
  clear: say('proof.alarm-clear'),
  break: say('proof.alarm-break'),
  short: say('proof.alarm-short'),
};

/** What a check was, by its key alone: also where the point is another by now. */
export function checkName(key: string): Text {
  const [state = ''] = key.split('.');
  if (key === 'supply.volts') return say('proof.supply');
  const name = own(CHECK_NAMES, kindOfCheck(key)) ?? key;
  if (state === 'inject') return say('text.list', { parts: [name, injectionText(key.split('.')[1] ?? '')] });
  if (state === 'present') return say('proof.with-target', { name });
  return state === 'away' ? say('proof.without-target', { name }) : name;
}

/** Checks at which something is as it should be, or is not. */
const AS_EXPECTED: ReadonlySet<string> = new Set([
  ...['reading', 'bits', 'led', 'action', 'active', 'function', 'controller'],
  ...['stays', 'power', 'without', 'clear', 'break', 'short'],
]);

/** What a yes or no of a check is called. */
export function seenText(key: string, value: boolean): Text {
  switch (kindOfCheck(key)) {
    case 'bit':
      return value ? '1' : '0';
    case 'coil':
      return value ? say('proof.in') : say('proof.out');
    case 'safe':
      return value ? say('proof.released') : say('proof.off');
    case 'live':
      return value ? say('proof.arrives-and-is-valid') : say('proof.nothing-or-invalid');
    case 'rest':
      return value ? say('proof.count-stands-still') : say('proof.count-goes-on');
    default:
      return AS_EXPECTED.has(kindOfCheck(key))
        ? value
          ? say('proof.as-expected-2')
          : say('proof.other')
        : value
          ? say('proof.on')
          : say('proof.off');
  }
}
