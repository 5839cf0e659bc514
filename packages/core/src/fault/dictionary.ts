import { nth, oncePer } from '../lists/index.ts';
import type { Analysis, Nets } from '../analysis/index.ts';
import { inputQuantities, metered, readInput, safetyTarget, sensorSide } from '../analysis/index.ts';
import { exactly, islandsOf, readOff, solve } from '../circuit/index.ts';
import type { Netlist, Quantity, Solution } from '../circuit/index.ts';
import { deadSights } from './deadSights.ts';
import { judge } from '../verdict/index.ts';
import { looksOf } from './looks.ts';
import type { Held, Look } from './look.ts';
import { knownOf, netIn, netsOf } from './pointFault.ts';
import type { KnownFault, PointFault } from './pointFault.ts';
import { pointFaults } from './pointFaults.ts';
import type { Sight } from './sight.ts';
import { subjectOf } from './subject.ts';
import type { Subject } from './subject.ts';
import { solvedLooks, whileSeen } from './pulseLooks.ts';
import { valueReader } from './valueReader.ts';

/** What everything that can be looked at shows with one fault, or without any, in the order of the looks. */
export interface DictionaryRow {
  readonly fault: KnownFault | undefined;
  readonly sights: readonly Sight[];
}

export interface Dictionary {
  readonly looks: readonly Look[];
  /** Leads are put only where no more than this can stand, V. */
  readonly harmless: number;
  /** First what is seen with nothing wrong, then each fault. */
  readonly rows: readonly DictionaryRow[];
}

/** Extra-low voltage that may be touched in dry places, V (IEC 60364-4-41, 414.4.5). */
const HARMLESS = { dc: 60, ac: 25 } as const;

/** Whether a point can be searched: something of it must be there to be looked at. */
export const hasDictionary = (analysis: Analysis): boolean => {
  const { context, present } = analysis;
  switch (context.output.drivenBy) {
    case 'target':
    case 'pulses':
      return present.inputs.length > 0 || present.loads.length > 0 || present.coils.size > 0;
    case 'value':
      return valueReader(analysis) !== undefined;
    case 'command':
    case 'communication':
      return present.loads.length > 0;
    case 'guard':
      return safetyTarget(context) !== undefined;
    default:
      return false;
  }
};

/** What a point shows with each thing that can be wrong, from the solved circuit. Worked out once for an analysis. */
export const dictionaryOf = oncePer((analysis: Analysis): Dictionary => {
  const looks = looksOf(analysis);
  const nets = netsOf(analysis);
  const subject = subjectOf(analysis);
  const sound = seenOf(subject, nets);
  const row = (fault: PointFault | undefined): DictionaryRow => {
    const as = fault?.as ?? subject;
    const left = fault ? fault.leaves(nets) : nets;
    // What leaves the circuit as it was is seen in it.
    const seen = as === subject && left === nets ? sound : seenOf(as, left, sound);
    return { fault: fault && knownOf(fault), sights: sightsIn(as, looks, left, fault?.shown, seen) };
  };
  return {
    looks,
    harmless: HARMLESS[analysis.context.supply.kind],
    rows: [row(undefined), ...pointFaults(analysis).map(row)],
  };
});

/** What is seen of a point in each state of its target. */
interface InStates {
  readonly away: Seen;
  readonly present: Seen;
  /** As present, where no button is held down. */
  readonly pressed: Seen;
}

/** Relays hang on what was before: away, present, and away again, begun with nothing on. */
function seenOf(subject: Subject, nets: Nets, near?: InStates): InStates {
  if (subject.context.output.drivenBy === 'guard') return guardSeen(subject, nets, near);
  const remembers = nets.away.elements.some(({ kind }) => kind === 'detector' || kind === 'latch');
  const first = seenIn(subject, cold(nets.away), near?.away);
  const present = seenIn(subject, { ...nets.present, held: first.solution.held }, near?.present ?? first);
  const away = remembers
    ? seenIn(subject, { ...nets.away, held: present.solution.held }, near?.away ?? first)
    : first;
  return { away, present, pressed: present };
}

/** One circuit of a point with what is on in it by what was before. */
export function asItStands(analysis: Analysis, nets: Nets, state: Held): Netlist {
  const { solution } = seenOf(subjectOf(analysis), nets)[state];
  return { ...netIn(nets, state), held: solution.held };
}

const cold = ({ held: _, ...netlist }: Netlist): Netlist => netlist;

/** A guard is closed, reset where that is done by hand, let go of and opened, begun with nothing on. */
function guardSeen(subject: Subject, nets: Nets, near?: InStates): InStates {
  const after = (netlist: Netlist, before: Solution, like?: Seen): Seen =>
    seenIn(subject, { ...netlist, held: before.held }, like);
  const pressed = nets.pressed && seenIn(subject, cold(nets.pressed), near?.pressed);
  const present = pressed
    ? after(nets.present, pressed.solution, near?.present)
    : seenIn(subject, cold(nets.present), near?.present);
  return { away: after(nets.away, present.solution, near?.away), present, pressed: pressed ?? present };
}

/** What is seen of a circuit, look by look. */
export const sightsOf = (
  subject: Subject,
  looks: readonly Look[],
  nets: Nets,
  shown: PointFault['shown'],
): Sight[] => sightsIn(subject, looks, nets, shown, seenOf(subject, nets));

function sightsIn(
  subject: Subject,
  looks: readonly Look[],
  nets: Nets,
  shown: PointFault['shown'],
  seen: InStates,
): Sight[] {
  const { solved, of } = solvedLooks(looks);
  const sights = steadySights(subject, solved, nets, shown, seen);
  return looks.map((look, i) =>
    whileSeen(
      look,
      nth(of, i).map((at) => nth(sights, at)),
    ),
  );
}

/** The same with the target held away or present. */
function steadySights(
  subject: Subject,
  looks: readonly Look[],
  nets: Nets,
  shown: PointFault['shown'],
  { away, present, pressed }: InStates,
): Sight[] {
  const dead = deadSights(nets, looks);
  const states = {
    away: away.at,
    present: present.at,
    pressed: pressed.at,
    any: present.at,
    pulses: present.at,
  };
  // What a description of settings tells of talking stands beside the circuit.
  const answers = (): boolean =>
    away.answers(false) &&
    present.answers(true) &&
    !shown?.silent &&
    judge(subject.analysis()).status !== 'cannot';
  return looks.map((look) => {
    if (look.kind === 'asSet') return shown?.setElsewhere === look.part ? OTHERWISE : AS_PLANNED;
    if (look.kind === 'talks') return answers() ? ON : OFF;
    if (look.kind === 'value' && shown?.value) return otherValue(shown.value, readerOf(subject)?.span);
    return shownOn(look, dead.get(look.id) ?? states[look.state](look), shown);
  });
}

const ON: Sight = { kind: 'on' };
const OFF: Sight = { kind: 'off' };
const EITHER: Sight = { kind: 'either' };
/** A list is compared with a sheet: a line is easily passed over. */
const LIST_SLIP = 0.08;
const AS_PLANNED: Sight = { kind: 'on', slip: LIST_SLIP };
const OTHERWISE: Sight = { kind: 'off', slip: LIST_SLIP };
const turned = (sight: Sight): Sight => (sight.kind === 'on' ? OFF : sight.kind === 'off' ? ON : sight);

function shownOn(look: Look, sight: Sight, shown: PointFault['shown']): Sight {
  const { kind } = look;
  if (kind === 'acts' && shown?.staysIn === look.element) return ON;
  if (kind === 'sensorLed' && shown?.sensorLed) return OFF;
  if (kind === 'inputLed' && shown?.inputLed) return OFF;
  if (kind === 'bit' && shown?.bit) return shown.bit === 'turned' ? turned(sight) : OFF;
  return sight;
}

/** What stands for a value that is another one, or none: anything, or what no counts make. */
const otherValue = (how: 'other' | 'none', span = 1): Sight =>
  how === 'other'
    ? { kind: 'value', min: -0.25 * span, max: 1.25 * span, span }
    : { kind: 'value', min: -0.03 * span, max: 0.03 * span, span };

/** What is seen of one circuit, and whether every part that listens acts as it is to with the target away, or present. */
interface Seen {
  readonly at: (look: Look) => Sight;
  readonly solution: Solution;
  readonly answers: (present: boolean) => boolean;
}

/** Solves one circuit; what is looked at in it is read off when it is asked for. */
function seenIn(subject: Subject, netlist: Netlist, near?: Seen): Seen {
  const { context, listeners } = subject;
  const solution = solve(netlist, near?.solution);
  const circuit = { netlist, solution };
  const { has, active } = solution;
  const landed = subject.input;
  // An input to which nothing leads any more is not in the circuit: nothing comes there.
  const own = landed && has(`${landed.module.id}:${landed.port.terminal}`) ? landed : undefined;
  const read = (quantity: Quantity) => exactly(readOff(solution, quantity));
  const input = (): ReturnType<typeof readInput> | undefined => {
    if (!own) return undefined;
    const { volts, amps } = inputQuantities(own);
    return readInput(own, read(volts), read(amps), context.point.bit);
  };
  const at = (look: Look): Sight => {
    switch (look.kind) {
      case 'sensorLed':
        return sensorSide(context, context, netlist, solution).outputOn ? ON : OFF;
      case 'acts':
      case 'fed':
      case 'lit':
        return active(look.element) ? ON : OFF;
      case 'inputLed': {
        const led = input()?.led ?? 'off';
        return led === 'off' ? OFF : led === 'on' ? ON : EITHER;
      }
      case 'bit': {
        if (!own) return context.point.bit === 'direct' ? OFF : ON;
        const bit = input()?.bit;
        return bit === undefined ? EITHER : bit === 1 ? ON : OFF;
      }
      case 'milliamps':
        return around('milliamps', 1000 * Math.abs(ampsIn(look.wire)), 0.15, 0.01);
      case 'value':
        return valueSight(subject, solution);
      case 'volts':
        return has(look.red) && has(look.black) ? voltsSight(circuit, look) : DEAD_LEAD;
      // Told beside this circuit.
      default:
        return EITHER;
    }
  };
  const ampsIn = (wire: string): number =>
    netlist.elements.some(({ id }) => id === wire) ? solution.amps(wire) : 0;
  return { at, solution, answers: answersIn(listeners, active) };
}

/** A lead on a terminal that hangs on nothing. */
const DEAD_LEAD: Sight = { kind: 'volts', min: -0.2, max: 0.2 };

/** What the program makes of what comes; where nothing leads to the input any more there are no counts. */
function valueSight(subject: Subject, solution: Solution): Sight {
  const reader = readerOf(subject);
  if (!reader) return EITHER;
  const { quantity, span, read } = reader;
  const value = isThere(quantity, solution.has) ? read(readOff(solution, quantity)) : undefined;
  return around('value', value ?? 0, 0.01 * span, 0.005, span);
}

/** Whether everything that listens acts as it is to, with the target away or present. */
const answersIn =
  (listeners: Subject['listeners'], isActive: (element: string) => boolean) =>
  (isPresent: boolean): boolean =>
    listeners.every(({ id, on }) => isActive(id) === (on === 'always' || (on === 'present') === isPresent));

/** Only on an analog input there is a value. */
const readerOf = ({ context, analysis }: Subject): ReturnType<typeof valueReader> =>
  context.ports.some(({ port }) => port.kind === 'analog') ? valueReader(analysis()) : undefined;

const isThere = (quantity: Quantity, has: Solution['has']): boolean =>
  quantity.kind === 'volts'
    ? has(quantity.a) && has(quantity.b)
    : quantity.kind === 'sum' && quantity.terms.every(({ a, b }) => has(a) && has(b));

/** A reading with what its parts may differ by: so much, and a share of it. */
function around(
  kind: 'milliamps' | 'value',
  reading: number,
  fixed: number,
  share: number,
  span?: number,
): Sight {
  const wide = fixed + share * Math.abs(reading);
  return { kind, min: reading - wide, max: reading + wide, ...(span !== undefined && { span }) };
}

/** A circuit and its solution. */
interface Circuit {
  readonly netlist: Netlist;
  readonly solution: Solution;
}

const islandsIn = oncePer(({ netlist, solution }: Circuit) => islandsOf(netlist, solution.closed));

/**
 * Between what a voltage lies: figures of parts and supplies are taken ± 4 % and 0.4 V wide. A terminal that hangs on
 * nothing but what leaks is solved again with the meter on it, since the meter is then what holds it.
 */
function voltsSight(
  circuit: Circuit,
  { red, black }: { readonly red: string; readonly black: string },
): Sight {
  const { netlist, solution } = circuit;
  const across = { kind: 'volts', a: red, b: black } as const;
  const hangs = (solution.floating(red) || solution.floating(black)) && !islandsIn(circuit).tied(red, black);
  const read = !hangs
    ? readOff(solution, across)
    : islandsIn(circuit).apart(red, black)
      ? 0
      : readOff(solve(metered(netlist, red, black), solution), across);
  const wide = 0.4 + 0.04 * Math.abs(read);
  return { kind: 'volts', min: read - wide, max: read + wide };
}
