import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { SafetyPort } from '../catalog/index.ts';
import { settingsOf } from '../catalog/index.ts';
import type { Module, Settings } from '../model/index.ts';
import { elementId } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import type { Situation } from './situations.ts';
import { solveState } from './states.ts';
import type { PointState, Wanted } from './states.ts';

/** The safety inputs to which a guard's two channels lead, be it directly or through others of a chain. */
export interface SafetyTarget {
  readonly module: Module;
  readonly port: SafetyPort;
  readonly settings: Settings;
  /** Element that is on while the safe side is released. */
  readonly released: string;
}

export function safetyTarget({ index, scope, place }: PointContext): SafetyTarget | undefined {
  const own = (moduleId: string, { channel }: SafetyPort): boolean =>
    place?.moduleId === moduleId && place.channel === channel;
  const ports = [...scope.parts].flatMap(([moduleId, taken]) =>
    index
      .portsOf(moduleId)
      .filter((port) => port.kind === 'safety')
      .map((port) => ({ moduleId, taken, port, own: own(moduleId, port) })),
  );
  // The device's own input comes first; other guards may hang on the same safety relay.
  for (const { moduleId, taken, port, own: mine } of ports.sort((a, b) => Number(b.own) - Number(a.own))) {
    const module = index.module(moduleId);
    if (!module) continue;
    if (!mine && !leads(scope.refs, moduleId, port, taken)) continue;
    const type = index.moduleType(module);
    return {
      module,
      port,
      settings: settingsOf(type, module.settings),
      released: elementId(moduleId, port.released),
    };
  }
  return undefined;
}

function leads(
  refs: ReadonlySet<string>,
  moduleId: string,
  { roles, detectors }: SafetyPort,
  taken: ReadonlySet<string>,
): boolean {
  const wired = [roles.channel1Return, roles.channel2Return].some((name) => refs.has(`${moduleId}:${name}`));
  return wired && detectors.some((id) => taken.has(id));
}

/** All states of a guard: open, closed, reset, and what must not escape it. */
export interface GuardRun {
  readonly shown: readonly PointState[];
  readonly staged: readonly PointState[];
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
  const { device, index, output, scope } = context;
  // Button and contactor may belong to the other point of a shared relay.
  const around = [...scope.deviceIds].flatMap((id) => {
    const part = index.device(id);
    return part ? [{ ...index.deviceType(part).description, id }] : [];
  });
  const button = around.find((part) => part.button !== undefined);
  const contactors = around.flatMap(({ id, welds }) => (welds === undefined ? [] : [{ id, welds }]));
  const pulse = (n: number): Names => [
    [device.id, `test${n}`],
    ...[...scope.parts.keys()].map((id) => [id, `test${n}`] as const),
  ];
  const go = (key: string, words: Text, present: boolean, names: Names, from?: PointState): PointState =>
    solveState(
      context,
      { key, words, present, others: true, level: present ? 1 : 0, forced: forcing(names) },
      from?.solution.held,
      key === 'present' ? wanted : 'nominal',
    );
  const { away, present } = output.words;
  const first = go('cold', away, false, []);
  const closed = go('closed', say('analysis.before-reset', { present }), true, [], first);
  const pressed = go('pressed', say('analysis.reset-pressed'), true, pressing(button), closed);
  const running = go('present', present, true, [], pressed);
  const opened = go('away', away, false, [], running);
  const alone = [1, 2].map((n) =>
    go(`open${n}`, say('analysis.channel-alone-open', { n }), true, [[device.id, `open${n}`]], running),
  );
  const tests = [1, 2].map((n) => go(`test${n}`, say('analysis.test-pulse', { n }), true, pulse(n), running));
  const again = go('again', say('analysis.again-reset', { present }), true, [], opened);
  const welded: Names = contactors.map(({ id, welds }) => [id, welds] as const);
  const stuck = contactors.length
    ? [
        weldedRun(
          go,
          present,
          pressing(button),
          welded,
          go('welded-open', say('analysis.contactor-welded'), false, welded, running),
        ),
      ]
    : [];
  return { shown: [opened, running], staged: [closed, pressed, ...alone, ...tests, again, ...stuck] };
}

const pressing = (part: { readonly id: string; readonly button?: string } | undefined): Names =>
  part?.button === undefined ? [] : [[part.id, part.button]];

function weldedRun(
  go: (key: string, words: Text, present: boolean, names: Names, from?: PointState) => PointState,
  present: Text,
  button: Names,
  welded: Names,
  opened: PointState,
): PointState {
  const press: Names = [...welded, ...button];
  const pressed = go('welded-reset', say('analysis.contactor-welded-reset'), true, press, opened);
  return go('welded', say('analysis.contactor-welded-after-reset', { present }), true, welded, pressed);
}
