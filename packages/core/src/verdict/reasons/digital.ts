import { chosenOutput } from '../../catalog/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Device } from '../../model/index.ts';
import type { InputReading, PointState, Analysis } from '../../analysis/index.ts';
import { fixed, formatMilliamps, formatVolts } from '../../units/index.ts';
import type { PointContext } from '../../network/index.ts';
import { portCommonWords } from '../../network/index.ts';
import { lowerFirst, railWords } from '../../job/index.ts';
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
      present: present.inputs[i]!,
      all: states.map((state) => ({ state, reading: state.inputs[i]! })),
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
  { lamp, outputOn }: InputReading,
): boolean {
  if (away.lamp === 'undecided' || present.lamp === 'undecided') return false;
  const tells = away.outputOn !== present.outputOn;
  const asPresent = tells ? outputOn === present.outputOn : state.present;
  return away.lamp !== present.lamp && lamp === (asPresent ? present.lamp : away.lamp);
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
  const common = portCommonWords(own);
  if (!own.rail) return [loose(followed, common)];
  const strongest = all.find(({ reading }) => reading.outputOn);
  if (all.every(({ reading }) => reading.lamp === 'on'))
    return [
      cannot(
        'always-on',
        `The input stays on whatever the target does: ${numbers(all[0]!.reading)}${leakWords(context, all[0]!.reading)}.`,
      ),
    ];
  if (strongest && all.every(({ reading }) => reading.lamp === 'off')) {
    const reason = neverOn(followed, strongest, common);
    return mixedGroup(followed, reason, common);
  }
  if (context.kind === 'twowire' && !strongest && all.every(({ reading }) => reading.lamp === 'off'))
    return [
      cannot(
        'starved',
        `No current drives ${context.device.tag} and its input: both ends of the two in series are on the same rail, or one is open.`,
      ),
    ];
  const open = all.find(({ reading }) => reading.lamp === 'undecided');
  if (open)
    return [
      cannot(
        context.kind === 'twowire' && !open.reading.outputOn ? 'leak-holds' : 'undecided',
        `The input can read either way: ${numbers(open.reading)}${open.reading.outputOn ? '' : leakWords(context, open.reading)}, between surely off and surely on.`,
      ),
    ];
  return [
    cannot(
      'not-following',
      `The input does not follow the target in every state: ${numbers(all.at(-1)!.reading)}.`,
    ),
  ];
}

/** Says that it is the sensor's own leakage, where it is. */
function leakWords({ kind }: PointContext, { amps }: InputReading): string {
  return kind === 'twowire' && amps.nom > 0.0002 ? ', which is what the sensor leaks while it is off' : '';
}

function loose({ context, all }: Followed, common: string): Reason {
  const fed = all.find(({ state, reading }) => state.othersPresent && reading.lamp !== 'off');
  if (fed)
    return cannot(
      'back-feed',
      `${common} is on no rail, and current finds its way back through the other channels: the input then reads what they do, not ${context.point.tag}.`,
    );
  return cannot('common-open', `${common} is on no rail, so no current can close its way through the input.`);
}

function neverOn(
  { context, own }: Followed,
  { state, reading }: Followed['all'][number],
  common: string,
): Reason {
  const { device } = context;
  const { port, module } = own;
  const volts = own.supply?.volts ?? port.inside?.volts ?? context.supply.volts;
  const rail = own.rail === '+' || own.rail === '-' ? own.rail : '-';
  const node = `${module.id}:${port.terminal}`;
  const signal = state.solution.volts(node);
  const feeder = context.index.deviceAt(own.place);
  if (feeder && feeder.id !== device.id)
    return cannot(
      'always-off',
      `The input stays off: what ${feeder.tag} switches to it never closes. ${numbers(reading)}.`,
    );
  const opposed =
    (port.sense === 'sink' && context.kind === 'npn') || (port.sense === 'source' && context.kind === 'pnp');
  if (opposed)
    return cannot(
      'wrong-sense',
      port.sense === 'sink'
        ? `${module.tag} can only take current in, and so can the NPN output of ${device.tag}: both pull to 0 V and none flows.`
        : `${module.tag} can only give current out, and so can the PNP output of ${device.tag}: both pull to plus and none flows.`,
    );
  const pulledTo = signal > volts - NEAR_RAIL ? '+' : signal < NEAR_RAIL ? '-' : undefined;
  if (pulledTo === rail && !state.solution.floating(node))
    return cannot(
      'same-pull',
      `This input cannot see the sensor: both pull to ${railWords(rail, volts)}. ${device.tag} pulls its output there, and ${lowerFirst(common)} sits there too, so no current flows.`,
    );
  if (port.sense !== 'both' && reading.volts.nom < -port.thresholds.offVolts)
    return cannot(
      'wrong-sense',
      port.sense === 'sink'
        ? `This input only takes current in at its terminal. With ${lowerFirst(common)} on ${railWords(rail, volts)} the current would have to come out.`
        : `This input only gives current out of its terminal. With ${lowerFirst(common)} on ${railWords(rail, volts)} the current would have to go in.`,
    );
  if (context.kind === 'twowire' && !state.outputOn)
    return cannot(
      'starved',
      `${device.tag} does not get the current that it needs to stay on: the input takes only ${formatMilliamps(reading.amps.nom)}.`,
    );
  if (pulledTo === rail)
    return cannot(
      'same-pull',
      `This input cannot see ${device.tag}: it switches to ${railWords(rail, volts)}, where ${lowerFirst(common)} sits too.`,
    );
  return cannot('always-off', `The input stays off whatever the target does: ${numbers(reading)}.`);
}

/** Adds what the neighbours are, when they are of the other kind and explain why the common sits as it does. */
function mixedGroup({ context, own }: Followed, reason: Reason, common: string): Reason[] {
  if (reason.code !== 'same-pull') return [reason];
  const { kind, index } = context;
  const others = index.mates(own.place).filter((mate) => {
    const other = kindOf(index, mate, own.place.moduleId);
    return kind === 'pnp' ? other === 'npn' : kind === 'npn' && other === 'pnp';
  });
  if (!others.length) return [reason];
  const rail = own.rail === '+' ? '+' : '-';
  return [
    cannot(
      'group-mixed',
      `Group mixed: ${lowerFirst(common)} serves both PNP and NPN sensors. It sits on ${railWords(rail, own.supply?.volts ?? context.supply.volts)}, which suits ${others.map(({ tag }) => tag).join(', ')} but not ${context.point.tag}.`,
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
  const edge = all.find(({ reading }) => reading.input === 'undecided' && reading.lamp !== 'undecided');
  if (!edge) return [];
  const { volts: v, amps: a, lamp } = edge.reading;
  return [
    doubtful(
      'undecided',
      `At the edge of the tolerances the input may read either way: ${fixed(v.min, 1)} to ${fixed(v.max, 1)} V and ${fixed(a.min * 1000, 1)} to ${fixed(a.max * 1000, 1)} mA while ${lamp}.`,
    ),
  ];
}

function overVoltage({ own, all }: Followed): Reason[] {
  const most = own.port.thresholds.mostVolts;
  const volts = Math.max(...all.map(({ reading }) => Math.max(reading.volts.max, -reading.volts.min)));
  if (volts <= most) return [];
  const sentence = `Up to ${formatVolts(volts)} can stand at the input; it is made for ${most} V at most.`;
  return [
    own.port.inside
      ? cannot('over-voltage', `${sentence} Such an input may see minus only.`)
      : doubtful('over-voltage', sentence),
  ];
}

function numbers({ volts, amps }: InputReading): string {
  return `${formatVolts(volts.nom)} and ${formatMilliamps(amps.nom)} at its terminal`;
}
