import type { BehaviourOf } from './behaviours/behaviours.ts';
import type { DeviceDescription } from './description/deviceDescription.ts';
import type { ModuleDescription } from './description/moduleDescription.ts';

/** Fields that name a terminal or a node inside, wherever they stand in a description. */
const NODE_FIELDS: ReadonlySet<string> = new Set([
  'a',
  'b',
  'plus',
  'minus',
  'out',
  'back',
  'wiper',
  'anode',
  'cathode',
  'middle',
  'terminal',
  'common',
  'terminals',
  'across',
  'roles',
]);

/**
 * Terminals whose names are settled by what stands behind them: the contacts of a relay (EN 50005), and the supply of
 * inputs for resistance and thermocouples, to which they are tied inside.
 */
export const isNameSettled = ({ behaviours }: DeviceDescription | ModuleDescription, name: string): boolean =>
  behaviours.some(
    ({ model, ...own }) =>
      ((model === 'resistance-input' || model === 'thermocouple-input') && /^(M|L\+)$/.test(name)) ||
      ('poles' in own && /^\d[124]$/.test(name) && Number(name.charAt(0)) <= own.poles),
  );

/** A terminal under another name, wherever the description speaks of it. */
export function withTerminalNamed<T extends DeviceDescription | ModuleDescription>(
  description: T,
  was: string,
  name: string,
): T {
  const turned = (value: unknown, isNode: boolean): unknown => {
    if (value === was && isNode) return name;
    if (Array.isArray(value)) return value.map((inner) => turned(inner, isNode));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => [key, turned(inner, isNode || NODE_FIELDS.has(key))]),
    );
  };
  const { terminals, ...rest } = description;
  return {
    ...(turned(rest, false) as T),
    terminals: terminals.map((terminal) => (terminal.name === was ? { ...terminal, name } : terminal)),
  };
}

/** Colours of further leads in the order in which cables have them (IEC 60757). */
const FURTHER_LEADS = ['WH', 'GY', 'PK', 'YE', 'GN', 'OG', 'VT', 'RD'] as const;

const behavioursOf = ({ behaviours }: DeviceDescription, outputId: string): BehaviourOf[] =>
  behaviours.filter((own) => 'output' in own && own.output === outputId);

/** The output that can be made once more: switched, with one lead and one behaviour; nothing where there is none. */
export const outputToCopy = (description: DeviceDescription): string | undefined =>
  description.outputs.find(
    ({ id, landsOn, terminals }) =>
      landsOn === 'switched' && terminals.length === 1 && behavioursOf(description, id).length === 1,
  )?.id;

/** One more output like the first that switches, with a lead, a behaviour and an LED of its own. */
export function withOutput(description: DeviceDescription): DeviceDescription {
  const id = outputToCopy(description);
  const like = description.outputs.find((output) => output.id === id);
  const [behaviour] = id === undefined ? [] : behavioursOf(description, id);
  const [lead] = like?.terminals ?? [];
  const old = description.terminals.find(({ name }) => name === lead);
  if (!like || !behaviour || lead === undefined || !old) return description;
  const names = new Set(description.terminals.map(({ name }) => name));
  const ids = new Set([...description.outputs, ...description.behaviours].map((each) => each.id));
  const free = FURTHER_LEADS.find((colour) => !names.has(colour));
  const number = description.outputs.length + 1;
  const next = [number, number + 1, number + 2].map((n) => `output${n}`).find((name) => !ids.has(name));
  if (!free || !next) return description;
  const { pin: _, ...terminal } = old;
  const lamp = description.indicators?.find((each) => each.id === like.indicator);
  return {
    ...description,
    terminals: [
      ...description.terminals,
      { ...terminal, name: free, colour: free, words: `output ${number}` },
    ],
    outputs: [
      ...description.outputs,
      {
        ...like,
        id: next,
        label: `Output ${number}`,
        terminals: [free],
        ...(like.element && { element: next }),
        ...(like.indicator && { indicator: next }),
      },
    ],
    behaviours: [
      ...description.behaviours,
      withNode({ ...behaviour, id: next, output: next } as BehaviourOf, lead, free),
    ],
    ...(lamp && {
      indicators: [...(description.indicators ?? []), { ...lamp, id: next, label: `LED ${number}` }],
    }),
    // Where it is drawn by hand, the further lead has no place: it is drawn from its elements.
    face: undefined,
  };
}

const withNode = (behaviour: BehaviourOf, was: string, name: string): BehaviourOf =>
  Object.fromEntries(
    Object.entries(behaviour).map(([key, value]) => [
      key,
      value === was && NODE_FIELDS.has(key) ? name : value,
    ]),
  ) as BehaviourOf;

/** A device without one of its outputs, its behaviours, its LED, and the leads that only it used. */
export function withoutOutput(description: DeviceDescription, id: string): DeviceDescription {
  const gone = description.outputs.find((output) => output.id === id);
  if (!gone) return description;
  const removed = new Set(behavioursOf(description, id).map((own) => own.id));
  const behaviours = description.behaviours.filter((own) => !removed.has(own.id));
  const outputs = description.outputs.filter((output) => output.id !== id && output.of !== id);
  const rest = JSON.stringify([behaviours, outputs, description.supply]);
  return {
    ...description,
    outputs,
    behaviours,
    terminals: description.terminals.filter(
      ({ name }) => !gone.terminals.includes(name) || rest.includes(JSON.stringify(name)),
    ),
    ...(description.indicators && {
      indicators: description.indicators.filter((each) => !removed.has(each.id)),
    }),
    face: undefined,
  };
}

/** A module with one more channel like its last, in the same group. */
export function withChannel(description: ModuleDescription): ModuleDescription {
  const last = description.ports.at(-1);
  const terminal = description.terminals.find(({ name }) => name === last?.terminal);
  if (!last || !terminal) return description;
  const channel = Math.max(...description.ports.map((port) => port.channel)) + 1;
  const next = nextName(last.terminal, new Set(description.terminals.map(({ name }) => name)));
  const roles = Object.fromEntries(
    Object.entries(last.roles).map(([role, node]) => [role, node === last.terminal ? next : node]),
  );
  const label = last.label.replace(/\d+/, String(channel));
  const at = description.terminals.indexOf(terminal) + 1;
  return {
    ...description,
    terminals: [
      ...description.terminals.slice(0, at),
      { ...terminal, name: next },
      ...description.terminals.slice(at),
    ],
    ports: [...description.ports, { ...last, channel, label, name: next, terminal: next, roles }],
    groups: description.groups.map((group) =>
      group.channels.includes(last.channel) ? { ...group, channels: [...group.channels, channel] } : group,
    ),
  };
}

/** `I8` after `I7`; with a letter behind it while that is taken. */
function nextName(name: string, taken: ReadonlySet<string>): string {
  const counted = name.replace(/\d+$/, (digits) => String(Number(digits) + 1));
  let next = counted === name ? `${name}2` : counted;
  while (taken.has(next)) next = `${next}x`;
  return next;
}

/** A module without its last channel, and without the commons that then have none. */
export function withoutChannel(description: ModuleDescription): ModuleDescription {
  const last = description.ports.at(-1);
  if (!last || description.ports.length < 2) return description;
  const groups = description.groups
    .map((group) => ({ ...group, channels: group.channels.filter((channel) => channel !== last.channel) }))
    .filter(({ channels }) => channels.length > 0);
  const ports = description.ports.slice(0, -1);
  const left = new Set([...ports.flatMap(({ terminal, common }) => [terminal, common])]);
  const used = JSON.stringify(description.behaviours);
  return {
    ...description,
    groups,
    ports,
    terminals: description.terminals.filter(
      ({ name }) =>
        ![last.terminal, last.common].includes(name) || left.has(name) || used.includes(JSON.stringify(name)),
    ),
  };
}

/** A module whose channels from one on stand on a common of their own, or again on that before them. */
export function withCommonFrom(description: ModuleDescription, channel: number): ModuleDescription {
  const group = description.groups.find(({ channels }) => channels.includes(channel));
  const old = description.terminals.find(({ name }) => name === group?.common);
  if (!group || !old) return description;
  const [first] = group.channels;
  const moved = group.channels.filter((each) => each >= channel);
  const onto =
    first === channel
      ? description.groups[description.groups.indexOf(group) - 1]?.common
      : nextName(group.common, new Set(description.terminals.map(({ name }) => name)));
  if (onto === undefined) return description;
  const others = description.groups
    .map((each) => ({
      ...each,
      channels:
        each.common === onto
          ? [...each.channels, ...moved]
          : each.channels.filter((own) => !moved.includes(own)),
    }))
    .filter(({ channels }) => channels.length > 0);
  const isNew = !description.groups.some(({ common }) => common === onto);
  const groups = isNew
    ? others.flatMap((each) =>
        each.common === group.common ? [each, { common: onto, channels: moved }] : [each],
      )
    : others;
  const kept = new Set(groups.map(({ common }) => common));
  return {
    ...description,
    groups,
    ports: description.ports.map((port) => (moved.includes(port.channel) ? { ...port, common: onto } : port)),
    terminals: [
      ...description.terminals.filter(({ name }) => name !== group.common || kept.has(name)),
      ...(isNew ? [{ ...old, name: onto }] : []),
    ],
  };
}
