import { moduleType, deviceType } from '../catalog/index.ts';
import { formatMilliamps, formatVolts, fixed } from '../units/quantity.ts';
import { elementIds } from './assemble.ts';
import { commonWords } from './sentences.ts';
import type { PointContext, PointState } from './states.ts';
import { signalNode } from './states.ts';
import type { Analysis } from './analysis.ts';

export type ReasonCode =
  | 'no-supply'
  | 'supply-reversed'
  | 'supply-outside'
  | 'common-open'
  | 'same-pull'
  | 'wrong-sense'
  | 'group-mixed'
  | 'back-feed'
  | 'always-on'
  | 'always-off'
  | 'not-following'
  | 'undecided'
  | 'over-voltage'
  | 'over-current'
  | 'no-solution';

export interface Reason {
  readonly code: ReasonCode;
  readonly weight: 'cannot' | 'doubtful';
  readonly sentence: string;
}

/** Within this many volts of a rail a terminal counts as pulled to it. */
const NEAR_RAIL = 4;

/** Reads off the solved states why a point on a channel does not work. Empty when it does. */
export function diagnose(analysis: Analysis): Reason[] {
  const { context, states } = analysis;
  if (states.some(({ solution }) => solution.outcome !== 'solved'))
    return [
      {
        code: 'no-solution',
        weight: 'cannot',
        sentence: 'The circuit never settles: something in it switches itself on and off.',
      },
    ];
  const supply = supplyReason(analysis);
  if (supply?.weight === 'cannot') return [supply];
  const reasons = supply ? [supply] : [];
  const follows = states.every((state) =>
    state.outputOn === called(analysis, state) ? inputFollows(analysis, state) : false,
  );
  if (!follows) reasons.push(...notFollowing(analysis));
  else reasons.push(...undecided(analysis));
  return [...reasons, ...limits(context, states)];
}

/** The input must be in one state for output on and in the other for output off; `on` says which, from the lamp. */
function inputFollows({ away, present }: Analysis, state: PointState): boolean {
  if (away.lamp === 'undecided' || present.lamp === 'undecided') return false;
  return away.lamp !== present.lamp && state.lamp === (state.present ? present.lamp : away.lamp);
}

function called({ away, present }: Analysis, state: PointState): boolean {
  return state.present ? present.outputOn : away.outputOn;
}

function supplyReason({ context, away, present }: Analysis): Reason | undefined {
  const { device } = context;
  const type = deviceType(device.typeId);
  if (type.behaviour.kind === 'contact' || !away.supplyVolts) return undefined;
  const { leastSupplyVolts: least, mostSupplyVolts: most } = type.behaviour;
  const { nom } = away.supplyVolts;
  if (nom < -1)
    return {
      code: 'supply-reversed',
      weight: 'cannot',
      sentence: `${device.tag} has its supply the wrong way round: ${formatVolts(nom)} from BN to BU. It stays dead until BN is on + and BU on 0 V.`,
    };
  if (!away.powered || !present.powered)
    return {
      code: 'no-supply',
      weight: 'cannot',
      sentence: `${device.tag} has no supply: ${formatVolts(nom)} from BN to BU where it needs at least ${least} V. Land BN on + and BU on 0 V.`,
    };
  if (away.supplyVolts.min < least || away.supplyVolts.max > most)
    return {
      code: 'supply-outside',
      weight: 'doubtful',
      sentence: `The supply at ${device.tag} may be ${fixed(away.supplyVolts.min, 1)} to ${fixed(away.supplyVolts.max, 1)} V; it is made for ${least} to ${most} V.`,
    };
  return undefined;
}

function notFollowing(analysis: Analysis): Reason[] {
  const { context, states } = analysis;
  const common = commonWords(context);
  if (!context.rail) return [loose(analysis, common)];
  const on = states.filter((state) => state.outputOn);
  const strongest = on[0];
  if (states.every((state) => state.lamp === 'on'))
    return [
      {
        code: 'always-on',
        weight: 'cannot',
        sentence: `The input stays on whatever the target does: ${numbers(states[0]!)}.`,
      },
    ];
  if (strongest && states.every((state) => state.lamp === 'off')) {
    const reason = neverOn(context, strongest, common);
    return mixedGroup(context, reason);
  }
  if (states.some((state) => state.lamp === 'undecided')) {
    const state = states.find((s) => s.lamp === 'undecided')!;
    return [
      {
        code: 'undecided',
        weight: 'cannot',
        sentence: `The input can read either way: ${numbers(state)}, between surely off and surely on.`,
      },
    ];
  }
  return [
    {
      code: 'not-following',
      weight: 'cannot',
      sentence: `The input does not follow the target in every state: ${numbers(states.at(-1)!)}.`,
    },
  ];
}

function loose({ context, states }: Analysis, common: string): Reason {
  const fed = states.find((state) => state.othersPresent && state.lamp !== 'off');
  if (fed)
    return {
      code: 'back-feed',
      weight: 'cannot',
      sentence: `${common} is on no rail, and current finds its way back through the other channels: the input then reads what they do, not ${context.point.tag}.`,
    };
  return {
    code: 'common-open',
    weight: 'cannot',
    sentence: `${common} is on no rail, so no current can close its way through the input.`,
  };
}

function neverOn(context: PointContext, state: PointState, common: string): Reason {
  const { device, module, rail, supply } = context;
  const type = moduleType(module!.typeId);
  const signal = state.solution.volts(signalNode(device));
  const opposed =
    (type.sense === 'sink' && device.output === 'npn') ||
    (type.sense === 'source' && device.output === 'pnp');
  if (opposed)
    return {
      code: 'wrong-sense',
      weight: 'cannot',
      sentence:
        type.sense === 'sink'
          ? `${module!.tag} can only take current in, and so can the NPN output of ${device.tag}: both pull to 0 V and none flows.`
          : `${module!.tag} can only give current out, and so can the PNP output of ${device.tag}: both pull to plus and none flows.`,
    };
  const pulledTo = signal > supply.volts - NEAR_RAIL ? '+' : signal < NEAR_RAIL ? '-' : undefined;
  if (pulledTo === rail && !state.signalFloating)
    return {
      code: 'same-pull',
      weight: 'cannot',
      sentence: `This input cannot see the sensor: both pull to ${railWords(rail!, supply.volts)}. ${device.tag} pulls its output there, and ${lower(common)} sits there too, so no current flows.`,
    };
  if (type.sense !== 'both' && (state.inputVolts?.nom ?? 0) < -type.thresholds.offVolts)
    return {
      code: 'wrong-sense',
      weight: 'cannot',
      sentence:
        type.sense === 'sink'
          ? `This input only takes current in at its terminal. With ${lower(common)} on ${railWords(rail!, supply.volts)} the current would have to come out.`
          : `This input only gives current out of its terminal. With ${lower(common)} on ${railWords(rail!, supply.volts)} the current would have to go in.`,
    };
  if (pulledTo === rail)
    return {
      code: 'same-pull',
      weight: 'cannot',
      sentence: `This input cannot see ${device.tag}: it switches to ${railWords(rail!, supply.volts)}, where ${lower(common)} sits too.`,
    };
  return {
    code: 'always-off',
    weight: 'cannot',
    sentence: `The input stays off whatever the target does: ${numbers(state)}.`,
  };
}

/** Adds what the neighbours are, when they are of the other kind and explain why the common sits as it does. */
function mixedGroup(context: PointContext, reason: Reason): Reason[] {
  if (reason.code !== 'same-pull' || !context.place) return [reason];
  const kind = context.device.output;
  const others = context.index
    .mates(context.place)
    .filter(({ output }) => (kind === 'pnp' ? output === 'npn' : kind === 'npn' && output === 'pnp'));
  if (!others.length) return [reason];
  const feeds = `${commonWords(context)} serves both PNP and NPN sensors`;
  return [
    {
      code: 'group-mixed',
      weight: 'cannot',
      sentence: `Group mixed: ${lower(feeds)}. It sits on ${railWords(context.rail!, context.supply.volts)}, which suits ${others.map(({ tag }) => tag).join(', ')} but not ${context.point.tag}.`,
    },
    reason,
  ];
}

function undecided({ states }: Analysis): Reason[] {
  const state = states.find(({ input, lamp }) => input === 'undecided' && lamp !== 'undecided');
  if (!state) return [];
  const { inputVolts: v, inputAmps: a } = state;
  return [
    {
      code: 'undecided',
      weight: 'doubtful',
      sentence: `At the edge of the tolerances the input may read either way: ${fixed(v!.min, 1)} to ${fixed(v!.max, 1)} V and ${fixed(a!.min * 1000, 1)} to ${fixed(a!.max * 1000, 1)} mA while ${state.lamp}.`,
    },
  ];
}

function limits(context: PointContext, states: readonly PointState[]): Reason[] {
  const { module, device, place } = context;
  const most = moduleType(module!.typeId).thresholds.mostVolts;
  const reasons: Reason[] = [];
  const volts = Math.max(...states.map(({ inputVolts }) => Math.max(inputVolts!.max, -inputVolts!.min)));
  if (volts > most)
    reasons.push({
      code: 'over-voltage',
      weight: 'doubtful',
      sentence: `Up to ${formatVolts(volts)} can stand at the input; it is made for ${most} V at most.`,
    });
  const rated = deviceType(device.typeId).behaviour.ratedAmps;
  const drawn = Math.max(
    ...states.map(({ solution }) =>
      Math.abs(solution.amps(elementIds.channel(place!.moduleId, place!.channel))),
    ),
    ...states.map(({ solution }) => outputAmps(device.id, solution.amps)),
  );
  if (drawn > rated)
    reasons.push({
      code: 'over-current',
      weight: 'doubtful',
      sentence: `${device.tag} would carry ${formatMilliamps(drawn)}; it is rated for ${formatMilliamps(rated)}.`,
    });
  return reasons;
}

function outputAmps(deviceId: string, amps: (id: string) => number): number {
  try {
    const id = elementIds.output(deviceId);
    return Math.max(Math.abs(amps(`${id}/high`)), Math.abs(amps(`${id}/low`)));
  } catch {
    return Math.abs(amps(elementIds.contact(deviceId)));
  }
}

function numbers({ inputVolts, inputAmps }: PointState): string {
  return `${formatVolts(inputVolts!.nom)} and ${formatMilliamps(inputAmps!.nom)} at its terminal`;
}

/** Two or three words that stand in the drawing where the current's way is stopped. */
export function stopWords(
  { code }: Reason,
  { rail, supply }: Pick<PointContext, 'rail' | 'supply'>,
): string | undefined {
  switch (code) {
    case 'same-pull':
    case 'group-mixed':
      return `both on ${railWords(rail ?? '-', supply.volts)}`;
    case 'common-open':
    case 'back-feed':
      return 'open';
    case 'wrong-sense':
      return 'blocks this way';
    default:
      return undefined;
  }
}

/** `0 V` or `+24 V`. */
export function railWords(rail: '+' | '-', volts: number): string {
  return rail === '-' ? '0\u00a0V' : `+${Math.round(volts)}\u00a0V`;
}

function lower(words: string): string {
  return /^Common/.test(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words;
}
