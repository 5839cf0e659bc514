import { lastOf, nth } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message, Text } from '../../messages/index.ts';
import { chosenOutput } from '../../catalog/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Device } from '../../model/index.ts';
import type { InputReading, PointState, Analysis } from '../../analysis/index.ts';
import type { PointContext } from '../../network/index.ts';
import { portCommonText } from '../../network/index.ts';
import { isReturn, railText } from '../../job/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Within this many volts of a rail a terminal counts as pulled to it. */
const NEAR_RAIL = 4;

/** One digital input through all states of a point. */
interface Followed {
  readonly context: PointContext;
  readonly own: InputReading['own'];
  readonly away: InputReading;
  readonly present: InputReading;
  readonly all: readonly { readonly state: PointState; readonly reading: InputReading }[];
}

/** Reads off the solved states why the digital inputs of a point do not follow it. */
export function digitalReasons(analysis: Analysis): Reason[] {
  const { context, away, present, states } = analysis;
  return away.inputs.flatMap((first, i) => {
    const followed: Followed = {
      context,
      own: first.own,
      away: first,
      present: nth(present.inputs, i),
      all: states.map((state) => ({ state, reading: nth(state.inputs, i) })),
    };
    const follows = followed.all.every(
      ({ state, reading }) => asCalled(followed, state, reading) && inputFollows(followed, state, reading),
    );
    return [...overVoltage(followed), ...(follows ? undecided(followed) : notFollowing(followed))];
  });
}

/** The input must be in one state for output on and in the other for output off; `on` says which, from the lamp. */
function inputFollows(
  { away, present }: Followed,
  state: PointState,
  { led, outputOn }: InputReading,
): boolean {
  if (away.led === 'undecided' || present.led === 'undecided') return false;
  const tells = away.outputOn !== present.outputOn;
  const asPresent = tells ? outputOn === present.outputOn : state.present;
  return away.led !== present.led && led === (asPresent ? present.led : away.led);
}

/** Whether the output that is landed here does what its target calls for; where a value moves it decides by itself. */
function asCalled(
  { context, own, away, present }: Followed,
  state: PointState,
  { outputOn }: InputReading,
): boolean {
  if ((own.landed ?? context.output).drivenBy === 'value') return true;
  return outputOn === (state.present ? present.outputOn : away.outputOn);
}

function notFollowing(followed: Followed): Reason[] {
  const { own, all, context } = followed;
  const common = portCommonText(own);
  if (!own.rail) return [loose(followed, common)];
  const strongest = all.find(({ reading }) => reading.outputOn);
  if (all.every(({ reading }) => reading.led === 'on'))
    return [
      cannot(
        'always-on',
        say('reason.always-on', {
          numbers: numbers(nth(all, 0).reading),
          leak: leakText(context, nth(all, 0).reading),
        }),
      ),
    ];
  if (strongest && all.every(({ reading }) => reading.led === 'off')) {
    const reason = neverOn(followed, strongest, common);
    return mixedGroup(followed, reason, common);
  }
  if (context.kind === 'twowire' && !strongest && all.every(({ reading }) => reading.led === 'off'))
    return [cannot('starved', say('reason.starved', { device: context.device.tag }))];
  const open = all.find(({ reading }) => reading.led === 'undecided');
  if (open)
    return [
      cannot(
        context.kind === 'twowire' && !open.reading.outputOn ? 'leak-holds' : 'undecided',
        say('reason.undecided.at-nominal', {
          numbers: numbers(open.reading),
          outputOn: open.reading.outputOn,
          leak: leakText(context, open.reading),
        }),
      ),
    ];
  return [cannot('not-following', say('reason.not-following', { numbers: numbers(lastOf(all).reading) }))];
}

/** Says that it is the sensor's own leakage, where it is. */
function leakText({ kind }: PointContext, { amps }: InputReading): Text {
  return kind === 'twowire' && amps.nom > 0.0002 ? say('reason.own-leakage') : '';
}

function loose({ context, all }: Followed, common: Message): Reason {
  const fed = all.find(({ state, reading }) => state.othersPresent && reading.led !== 'off');
  if (fed) return cannot('back-feed', say('reason.back-feed', { common, point: context.point.tag }));
  return cannot('common-open', say('reason.common-open', { common }));
}

function neverOn(
  { context, own }: Followed,
  { state, reading }: Followed['all'][number],
  common: Message,
): Reason {
  const { device } = context;
  const { port, module } = own;
  const volts = own.supply?.volts ?? port.inside?.volts ?? context.supply.volts;
  const rail = own.rail ?? '-';
  const node = `${module.id}:${port.terminal}`;
  const signal = state.solution.volts(node);
  const feeder = context.index.deviceAt(own.place);
  if (feeder && feeder.id !== device.id)
    return cannot('always-off', say('reason.always-off', { feeder: feeder.tag, numbers: numbers(reading) }));
  const opposed =
    (port.sense === 'sink' && context.kind === 'npn') || (port.sense === 'source' && context.kind === 'pnp');
  if (opposed)
    return cannot(
      'wrong-sense',
      port.sense === 'sink'
        ? say('reason.wrong-sense.npn', { module: module.tag, device: device.tag })
        : say('reason.wrong-sense.pnp', { module: module.tag, device: device.tag }),
    );
  const pulledTo = signal > volts - NEAR_RAIL ? 'feed' : signal < NEAR_RAIL ? 'return' : undefined;
  const same = pulledTo === (isReturn(rail) ? 'return' : 'feed');
  if (same && !state.solution.floating(node))
    return cannot(
      'same-pull',
      say('reason.same-pull', { rail: railText(rail, volts), device: device.tag, common }),
    );
  if (port.sense !== 'both' && reading.volts.nom < -port.thresholds.offVolts)
    return cannot(
      'wrong-sense',
      port.sense === 'sink'
        ? say('reason.wrong-sense.takes-only', { common, rail: railText(rail, volts) })
        : say('reason.wrong-sense.gives-only', { common, rail: railText(rail, volts) }),
    );
  if (context.kind === 'twowire' && !state.outputOn)
    return cannot('starved', say('reason.starved.held', { device: device.tag, amps: reading.amps.nom }));
  if (same)
    return cannot(
      'same-pull',
      say('reason.same-pull.switched', {
        device: device.tag,
        rail: railText(rail, volts),
        common,
      }),
    );
  return cannot('always-off', say('reason.always-off.any-target', { numbers: numbers(reading) }));
}

/** Adds what the neighbours are, when they are of the other kind and explain why the common sits as it does. */
function mixedGroup({ context, own }: Followed, reason: Reason, common: Message): Reason[] {
  if (reason.code !== 'same-pull') return [reason];
  const { kind, index } = context;
  const others = index.mates(own.place).filter((mate) => {
    const other = kindOf(index, mate, own.place.moduleId);
    return kind === 'pnp' ? other === 'npn' : kind === 'npn' && other === 'pnp';
  });
  if (!others.length) return [reason];
  const rail = own.rail ?? '-';
  return [
    cannot(
      'group-mixed',
      say('reason.group-mixed', {
        common,
        rail: railText(rail, own.supply?.volts ?? context.supply.volts),
        others: others.map(({ tag }) => tag),
        point: context.point.tag,
      }),
    ),
    reason,
  ];
}

/** The kind of a neighbour's output that stands on a module. */
function kindOf(index: PointContext['index'], device: Device, moduleId: string): string | undefined {
  const type = index.deviceType(device);
  const output = type.outputs.find(({ terminals }) =>
    terminals.some((name) =>
      index.across(`${device.id}:${name}`).some((ref) => splitRef(ref).item === moduleId),
    ),
  );
  return output && chosenOutput(type, device, output).kind;
}

function undecided({ all }: Followed): Reason[] {
  const edge = all.find(({ reading }) => reading.input === 'undecided' && reading.led !== 'undecided');
  if (!edge) return [];
  const { volts: v, amps: a, led } = edge.reading;
  return [
    doubtful('undecided', say('reason.undecided', { min: v.min, max: v.max, min2: a.min, max2: a.max, led })),
  ];
}

function overVoltage({ own, all }: Followed): Reason[] {
  const max = own.port.thresholds.maxVolts;
  const volts = Math.max(...all.map(({ reading }) => Math.max(reading.volts.max, -reading.volts.min)));
  if (volts <= max) return [];
  const sentence = say('reason.over-voltage.limit', { volts, max });
  return [
    own.port.inside
      ? cannot('over-voltage', say('reason.over-voltage', { sentence }))
      : doubtful('over-voltage', sentence),
  ];
}

function numbers({ volts, amps }: InputReading): Message {
  return say('reason.at-terminal', { volts: volts.nom, amps: amps.nom });
}
