import type { Analysis, PointState, StoppedInput } from '../../analysis/index.ts';
import { energyPast, feedsOf, safeElements, stoppedInputs } from '../../analysis/index.ts';
import { nodesOf } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import { say } from '../../messages/index.ts';
import type { Message, Text } from '../../messages/index.ts';
import { splitRef } from '../../model/index.ts';
import type { PointContext } from '../../network/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** States in which nothing that a safety function stops may be on: demanded, or one channel at fault. */
const DEMANDED = /^(away|open\d|stuck\d|plus\d|joined)$/;

/** Ways over which energy reaches what a guard or an emergency stop is to stop, past what it opens. */
export function pastReasons({ context, present }: Analysis): Reason[] {
  const safe = safeElements(context);
  return stoppedInputs(context, present.netlist).flatMap((input) => {
    const way = energyPast(present.netlist, input, safe);
    return way ? [cannot('safety-output', pastText(context, input, way))] : [];
  });
}

/** What is on while the safety function is demanded, whatever the way. */
export function liveReasons(analysis: Analysis): Reason[] {
  const { context, present } = analysis;
  const inputs = stoppedInputs(context, present.netlist);
  const demanded = [...analysis.shown, ...analysis.staged].filter(({ situation }) =>
    DEMANDED.test(situation.key),
  );
  return inputs.flatMap((input) => {
    const live = demanded.find((state) => isLive(state, input));
    return live
      ? [
          cannot(
            'safety-output',
            say('reason.safety-output.live', { input: nameOf(input), state: live.situation.words }),
          ),
        ]
      : [];
  });
}

/** With the guard open neither input of a pair may have energy; with one channel at fault the other still stops. */
const isLive = ({ situation, solution }: PointState, { detector, actuator }: StoppedInput): boolean =>
  solution.active(situation.key === 'away' ? detector : actuator);

/** What is stopped but never runs, and contacts of which one alone holds more than it should. */
export function fedReasons(analysis: Analysis): Reason[] {
  const { context, present } = analysis;
  const inputs = stoppedInputs(context, present.netlist);
  const dead = inputs.filter((input) => isWired(context, input) && !present.solution.active(input.detector));
  const safe = safeElements(context);
  const feeds = inputs.map((input) => ({ input, by: feedsOf(present.netlist, input, safe) }));
  const shared = [...safe].flatMap((id) => {
    const on = feeds.filter(({ by }) => by.includes(id)).map(({ input }) => nameOf(input));
    return on.length > 1 ? [{ id, on }] : [];
  });
  const [one] = shared;
  return [
    ...dead.map((input) =>
      cannot('safety-output', say('reason.safety-output.dead', { input: nameOf(input) })),
    ),
    ...(one && safe.size > 1
      ? [
          doubtful(
            'safety-shared',
            say('reason.safety-shared', { contact: contactText(context, one.id, present), inputs: one.on }),
          ),
        ]
      : []),
  ];
}

/** Something that a safety function stops, and the safe contacts each of which feeds it alone. */
export interface StoppedThing {
  readonly itemId: string;
  readonly name: Text;
  readonly isWired: boolean;
  readonly fedBy: readonly Text[];
}

/** What a safety function stops, as its wires stand. */
export function stoppedThings({ context, present }: Analysis): StoppedThing[] {
  const safe = safeElements(context);
  return stoppedInputs(context, present.netlist).map((input) => ({
    itemId: input.itemId,
    name: nameOf(input),
    isWired: isWired(context, input),
    fedBy: feedsOf(present.netlist, input, safe).map((id) => contactText(context, id, present)),
  }));
}

/** Whether a safety function stops anything: nothing named or wired is not complete. */
export function stopsSomething({ context, present }: Analysis): boolean {
  const inputs = stoppedInputs(context, present.netlist);
  return inputs.length > 0 && inputs.every((input) => isWired(context, input));
}

const isWired = ({ index }: PointContext, { plus, minus }: StoppedInput): boolean =>
  [plus, minus].every((ref) => index.wiresAt(ref).length > 0);

const nameOf = ({ tag, terminal }: StoppedInput): Text =>
  terminal === undefined ? tag : say('reason.safety-output.terminal', { tag, terminal });

/** What energy passes on its way to an input, why that does not count, and over which wires. */
function pastText(context: PointContext, input: StoppedInput, way: readonly Element[]): Message {
  const wires = new Map(context.scope.wires.map((wire) => [wire.id, wire.number]));
  const last = way.findLastIndex(({ id }) => !wires.has(id));
  const part = way[last];
  // The wires between that part and the input: one of them is where it does not belong.
  const numbers = way.slice(last + 1).flatMap(({ id }) => wires.get(id) ?? []);
  const name = nameOf(input);
  if (!part) return say('reason.safety-output.wire', { input: name, numbers });
  const through = throughOf(context, part);
  return say(through.code, { input: name, through: through.name, numbers });
}

interface Through {
  readonly code: `reason.safety-output.${'shows' | 'program' | 'channel' | 'other'}`;
  readonly name: Text;
}

function throughOf({ index, output, device }: PointContext, element: Element): Through {
  const [item = '', local = ''] = element.id.split('/');
  const part = index.device(item);
  if (part) {
    const { outputs, description } = index.deviceType(part);
    if (part.id === device.id && output.carries.includes(local))
      return { code: 'reason.safety-output.channel', name: part.tag };
    const own = outputs.find((one) => one.element === local);
    const shows = own !== undefined && own.drivenBy !== 'guard' && description.safety;
    return {
      code: shows ? 'reason.safety-output.shows' : 'reason.safety-output.other',
      name: contactOf(part.tag, element),
    };
  }
  const module = index.module(item);
  if (!module) return { code: 'reason.safety-output.other', name: item };
  const code = !index.moduleType(module).description.safety
    ? 'reason.safety-output.program'
    : element.kind === 'switch'
      ? 'reason.safety-output.shows'
      : 'reason.safety-output.other';
  return { code, name: contactOf(module.tag, element) };
}

/** A contact or output by the terminals between which it stands. */
const contactOf = (tag: string, element: Element): Message => {
  const nodes = element.kind === 'output' ? [element.out] : nodesOf(element);
  const terminals = [...new Set(nodes.map((node) => splitRef(node).terminal))];
  return say('text.of', { what: terminals.filter((name) => !name.startsWith('~')).join('-'), of: tag });
};

function contactText({ index }: PointContext, id: string, { netlist }: PointState): Text {
  const element = netlist.elements.find((one) => one.id === id);
  const [item = ''] = id.split('/');
  const tag = (index.module(item) ?? index.device(item))?.tag ?? item;
  return element ? contactOf(tag, element) : tag;
}
