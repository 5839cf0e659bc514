import { nth, seeded } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { exactly, nodesOf, solvedOnce } from '../circuit/index.ts';
import type { Element, Netlist } from '../circuit/index.ts';
import { spentOn } from './acts.ts';
import type { Act } from './acts.ts';
import { asItStands, sightsOf } from './dictionary.ts';
import type { Dictionary } from './dictionary.ts';
import type { Look } from './look.ts';
import { netsOf } from './pointFault.ts';
import { hereFrom, secondsTo } from './nextLook.ts';
import type { Round } from './practiceRound.ts';
import { isReading, middleOf, NOTHING_CONDUCTS } from './sight.ts';
import { subjectOf } from './subject.ts';

/** What came of it: what is seen, V, Ω, A or the unit of the value; or why the round is over. */
export type Outcome =
  { readonly kind: 'seen'; readonly is: boolean | number } | { readonly kind: 'over'; readonly why: Message };

/** The fuse of a meter's current input, A, and its resistance, Ω. */
const FUSE = 0.4;
const SHUNT = 1;
/** More than this on a resistance range is no rest of a charge any more, V. */
const LIVE = 1;

/** Does something in a round. @param before how many readings of the meter were taken before. */
export function act(
  analysis: Analysis,
  dictionary: Pick<Dictionary, 'harmless'>,
  round: Round,
  doing: Act,
  before: number,
): Outcome {
  const noise = seeded(round.key.seed * 97 + before * 13 + 5);
  const see = (look: Look): boolean | number => {
    const sight = nth(sightsOf(round.as ?? subjectOf(analysis), [look], round.nets, round.shown), 0);
    if (!isReading(sight)) return sight.kind === 'either' ? noise() < 0.5 : sight.kind === 'on';
    if (sight.kind === 'ohms' && sight.max >= NOTHING_CONDUCTS) return NOTHING_CONDUCTS;
    return middleOf(sight) * (1 + 0.008 * (noise() - 0.5));
  };
  const base = { id: '', state: doing.state, spot: 'panel', seconds: 0, power: 'on' } as const;
  if (!('red' in doing)) {
    const look: Look = doing.kind === 'value' ? { ...base, kind: 'value', unit: '' } : { ...base, ...doing };
    return { kind: 'seen', is: see(look) };
  }
  const { red, black, power } = doing;
  const levels = doing.state === 'pulses' ? (['away', 'present'] as const) : [doing.state];
  const volts = levels.map((state) => Number(see({ ...base, kind: 'volts', red, black, state })));
  const most = Math.max(...volts.map(Math.abs));
  if (power === 'on') {
    if (most > dictionary.harmless)
      return { kind: 'over', why: say('practice.mains', { volts: Math.round(most) }) };
    if (doing.kind === 'ohms' && most > LIVE) return { kind: 'over', why: say('practice.ohms-live') };
  }
  if (doing.kind === 'amps') {
    const isGuard = analysis.context.output.drivenBy === 'guard';
    const inWire = netsOf(analysis).present.elements.some((element) => isWire(element, red, black));
    if (power === 'on' && isGuard && !inWire) return { kind: 'over', why: say('practice.bridged') };
    const amps =
      power === 'on'
        ? levels.map((state) => ampsBetween(asItStands(analysis, round.nets, state), red, black))
        : [0];
    if (Math.max(...amps.map(Math.abs)) > FUSE) return { kind: 'over', why: say('practice.fuse') };
    return { kind: 'seen', is: wandering(amps, noise) };
  }
  if (round.slip === before) return { kind: 'seen', is: doing.kind === 'ohms' ? NOTHING_CONDUCTS : 0 };
  if (doing.kind === 'volts') return { kind: 'seen', is: power === 'on' ? wandering(volts, noise) : 0 };
  return { kind: 'seen', is: see({ ...base, kind: 'ohms', red, black }) };
}

/** While pulses come a meter shows anything from one level to the other. */
function wandering(levels: readonly number[], noise: () => number): number {
  const [low, high] = [Math.min(...levels), Math.max(...levels)];
  return low === high ? low : low + noise() * (high - low);
}

/** What flows through a meter of 1 Ω from one node to another, A; between the ends of a wire it takes the wire's place. */
function ampsBetween(netlist: Netlist, red: string, black: string): number {
  const there = new Set(netlist.elements.flatMap(nodesOf));
  if (!there.has(red) || !there.has(black)) return 0;
  const shunted: Netlist = {
    ...netlist,
    elements: [
      ...netlist.elements.filter((element) => !isWire(element, red, black)),
      { kind: 'resistor', id: 'shunt', a: red, b: black, ohms: exactly(SHUNT) },
    ],
  };
  return nth(solvedOnce(shunted, [{ kind: 'amps', element: 'shunt' }], 'nominal').bands, 0).nom;
}

/** Less than this is a wire and no part, Ω. */
const WIRE_OHMS = 5;

const isWire = (element: Element, a: string, b: string): boolean =>
  element.kind === 'resistor' &&
  element.ohms.nom < WIRE_OHMS &&
  ((element.a === a && element.b === b) || (element.a === b && element.b === a));

/** How long acts take one after the other, with ways, the target, and what it takes to isolate, s. */
export function secondsOfActs(analysis: Analysis, dictionary: Dictionary, acts: readonly Act[]): number {
  const looks = acts.map((doing) => spentOn(analysis, dictionary, doing));
  return looks.reduce((sum, look, i) => sum + secondsTo(hereFrom(looks.slice(0, i)), look), 0);
}
