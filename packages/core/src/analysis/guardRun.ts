import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { nth } from '../lists/index.ts';
import type { DeviceType } from '../catalog/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { plusOf } from '../job/index.ts';
import type { PointContext } from '../network/index.ts';
import { safetyTarget } from './safetyTarget.ts';
import { AWAY, PRESENT } from './situations.ts';
import type { Situation } from './situations.ts';
import { netlistOf, solveState } from './states.ts';
import type { Nets, PointState, Wanted } from './states.ts';

/** All states of a guard: open, closed, reset, and what must not escape it. */
export interface GuardRun {
  readonly shown: readonly PointState[];
  /** Closed, with the reset button held down; nothing where there is none. */
  readonly pressed: PointState | undefined;
  /** Further states, solved when they are first asked for. */
  readonly staged: () => readonly PointState[];
}

type Names = readonly (readonly [item: string, name: string])[];

const forcing = (names: Names): Situation['forced'] => {
  const map = new Map<string, Set<string>>();
  for (const [item, name] of names) map.set(item, (map.get(item) ?? new Set()).add(name));
  return map;
};

/**
 * Closes the guard, presses reset and lets go of it; from there opens it, opens each channel alone, and switches
 * each channel off for a moment as the test pulses do. Each state begins with what the one before it left on.
 */
export function guardRun(context: PointContext, wanted: Wanted): GuardRun {
  const { device, output, scope } = context;
  const around = partsAround(context);
  const button = buttonAmong(around);
  const contactors = around.flatMap(({ id, welds }) => (welds === undefined ? [] : [{ id, welds }]));
  const pulse = (n: number): Names => [
    [device.id, `test${n}`],
    ...[...scope.parts.keys()].map((id) => [id, `test${n}`] as const),
  ];
  const go: Go = (key, words, present, names, from, joined = []) =>
    solveState(
      context,
      { ...doing(present, names), key, words, joined },
      from?.solution.held,
      key === 'present' ? wanted : 'nominal',
    );
  const { away, present } = output.words;
  const first = go('cold', away, false, []);
  const closed = go('closed', say('analysis.before-reset', { present }), true, [], first);
  const pressed = go('pressed', say('analysis.reset-pressed'), true, pressing(button), closed);
  const running = go('present', present, true, [], pressed);
  const opened = go('away', away, false, [], running);
  const staged = (): PointState[] => [
    closed,
    pressed,
    ...[1, 2].map((n) =>
      go(`open${n}`, say('analysis.channel-alone-open', { n }), true, [[device.id, `open${n}`]], running),
    ),
    ...[1, 2].map((n) => go(`test${n}`, say('analysis.test-pulse', { n }), true, pulse(n), running)),
    go('again', say('analysis.again-reset', { present }), true, [], opened),
    ...contactors.map(({ id, welds }, i) =>
      weldedRun(go, i, [[id, welds]], pressing(button), running, present),
    ),
    ...faultsOpened(context, go, away, running),
  ];
  return { shown: [opened, running], pressed: button && pressed, staged };
}

/** The circuits of a guard that is open and closed, and closed with the button held down, if there is one. */
export function guardNets(context: PointContext): Nets {
  const button = buttonAmong(partsAround(context));
  const net = (isPresent: boolean, names: Names): Netlist => netlistOf(context, doing(isPresent, names));
  return {
    away: net(false, []),
    present: net(true, []),
    ...(button && { pressed: net(true, pressing(button)) }),
  };
}

type Part = { readonly id: string } & DeviceType['description'];

/** Button and contactor may belong to the other point of a shared relay. */
const partsAround = ({ scope, index }: PointContext): Part[] =>
  [...scope.deviceIds].flatMap((id) => {
    const part = index.device(id);
    return part ? [{ ...index.deviceType(part).description, id }] : [];
  });

const buttonAmong = (around: readonly Part[]): Part | undefined =>
  around.find((part) => part.button !== undefined);

const doing = (isPresent: boolean, names: Names): Omit<Situation, 'words'> => ({
  ...(isPresent ? PRESENT : AWAY),
  others: true,
  forced: forcing(names),
});

type Go = (
  key: string,
  words: Text,
  present: boolean,
  names: Names,
  from?: PointState,
  joined?: Situation['joined'],
) => PointState;

/** The guard open while one of its channels has a fault: stuck closed, short to plus, or joined with the other. */
function faultsOpened(context: PointContext, go: Go, away: Text, running: PointState): PointState[] {
  const target = safetyTarget(context);
  if (!target) return [];
  const { channel1Return = '', channel2Return = '' } = target.port.roles;
  const ends = [channel1Return, channel2Return].map((terminal) => `${target.module.id}:${terminal}`);
  const plus = plusOf(context.supply);
  return [
    ...ends.flatMap((end, i) => [
      go(
        `stuck${i + 1}`,
        say('analysis.channel-stuck', { away, n: i + 1 }),
        false,
        [[context.device.id, `stuck${i + 1}`]],
        running,
      ),
      go(`plus${i + 1}`, say('analysis.channel-on-plus', { away, n: i + 1 }), false, [], running, [
        [end, plus],
      ]),
    ]),
    go('joined', say('analysis.channels-joined', { away }), false, [], running, [
      [nth(ends, 0), nth(ends, 1)],
    ]),
  ];
}

const pressing = (part: { readonly id: string; readonly button?: string } | undefined): Names =>
  part?.button === undefined ? [] : [[part.id, part.button]];

/** One contactor welded while the guard opens and closes again; the safety function must not start then. */
function weldedRun(
  go: Go,
  i: number,
  welded: Names,
  button: Names,
  running: PointState,
  present: Text,
): PointState {
  const opened = go(`welded-open${i}`, say('analysis.contactor-welded'), false, welded, running);
  const press: Names = [...welded, ...button];
  const pressed = go(`welded-reset${i}`, say('analysis.contactor-welded-reset'), true, press, opened);
  return go(`welded${i}`, say('analysis.contactor-welded-after-reset', { present }), true, welded, pressed);
}
