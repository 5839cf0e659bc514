import { say } from '../messages/index.ts';
import type { Element } from '../circuit/index.ts';
import { idsIn, nodesOf } from '../circuit/index.ts';
import type { Problem, Settings } from '../model/index.ts';
import { isJoints } from './description/joints.ts';
import type { DeviceDescription } from './description/deviceDescription.ts';
import type { OperatingState } from './description/expression.ts';
import type { ModuleDescription } from './description/moduleDescription.ts';
import { deviceTypeOf, outputsNow } from './deviceType.ts';
import { moduleTypeOf } from './moduleType.ts';
import { settingsOf } from './partType.ts';
import type { PartType } from './partType.ts';

/** Every choice of every setting once, the others at their first. */
function variants(type: PartType): Settings[] {
  const first = settingsOf(type);
  return [
    first,
    ...(type.settings ?? []).flatMap(({ key, choices }) =>
      choices.slice(1).map(({ value }) => ({ ...first, [key]: value })),
    ),
  ];
}

const IDLE: Omit<OperatingState, 'settings'> = {
  outputs: new Map(),
  present: false,
  level: 0,
  forced: new Set(),
};

/** What a device's description lacks to be sound: each with its place and what is allowed. Empty when it is. */
export function problemsOfDevice(description: DeviceDescription): Problem[] {
  const type = deviceTypeOf(description);
  const moments = variants(type).flatMap((settings) =>
    [0, 1].map((level): OperatingState => ({
      ...IDLE,
      settings,
      present: level === 1,
      level,
      outputs: outputsNow(type, {}, { present: level === 1, level }),
    })),
  );
  const circuits = moments.map((now) => type.circuit(now));
  return [
    ...twice(
      description.terminals.map(({ name }) => name),
      'terminals',
      'terminal',
    ),
    ...twice(
      description.outputs.map(({ id }) => id),
      'outputs',
      'output',
    ),
    ...circuits.flatMap((elements) => circuitProblems(type, elements)).slice(0, 5),
    ...unreached(
      type,
      circuits,
      description.outputs.some(({ drivenBy }) => drivenBy === 'communication') || isJoints(description),
    ),
    ...description.outputs.flatMap((output, i) => outputProblems(description, output, i, circuits)),
    ...supplyProblems(description),
  ];
}

/** What a module's description lacks to be sound. Empty when it is. */
export function problemsOfModule(description: ModuleDescription): Problem[] {
  const inputs = new Map(description.behaviours.map(({ id, model }) => [id, model]));
  const unmeasured = description.ports.flatMap((port, i): Problem[] => {
    if (port.kind !== 'digital' && port.kind !== 'analog') return [];
    const wanted =
      port.kind === 'digital' ? /^optocoupler-input$/ : /^(signal|resistance|thermocouple)-input$/;
    return wanted.test(inputs.get(port.input) ?? '')
      ? []
      : [
          {
            path: `ports[${i}].input`,
            message: say('job.behaviour-right-model-senses', { input: port.input, portLabel: port.label }),
          },
        ];
  });
  if (unmeasured.length) return unmeasured;
  const type = moduleTypeOf(description);
  const known = new Set(description.terminals.map(({ name }) => name));
  const circuits = variants(type).map((settings) => type.circuit({ ...IDLE, settings }));
  return [
    ...twice(
      description.terminals.map(({ name }) => name),
      'terminals',
      'terminal',
    ),
    ...(variants(type)
      .map((settings) =>
        twice(
          type.ports(settings).map(({ channel }) => String(channel)),
          'ports',
          'channel',
        ),
      )
      .find(({ length }) => length > 0) ?? []),
    ...circuits.flatMap((elements) => circuitProblems(type, elements)).slice(0, 5),
    ...description.ports.flatMap((port, i) =>
      [port.terminal, port.common]
        .filter((node) => !node.startsWith('~') && !known.has(node))
        .map((node) => ({
          path: `ports[${i}]`,
          message: say('job.stands-which-terminal', { portLabel: port.label, node }),
        })),
    ),
    ...description.groups.flatMap(({ common, channels }, i) => [
      ...(known.has(common)
        ? []
        : [{ path: `groups[${i}].common`, message: say('job.is-no-terminal', { common }) }]),
      ...channels
        .filter((channel) => !description.ports.some((port) => port.channel === channel))
        .map((channel) => ({
          path: `groups[${i}].channels`,
          message: say('job.there-is-no-channel', { channel }),
        })),
    ]),
  ];
}

function twice(names: readonly string[], path: string, what: string): Problem[] {
  return names.flatMap((name, i) =>
    names.indexOf(name) < i
      ? [{ path: `${path}[${i}]`, message: say('job.stands-twice', { what, name }) }]
      : [],
  );
}

/** Elements on nodes that are no terminals, ids that stand twice, and conditions that name nothing. */
function circuitProblems(type: PartType, elements: readonly Element[]): Problem[] {
  const terminals = new Set(type.terminals.map(({ name }) => name));
  const ids = new Set<string>();
  const problems: Problem[] = [];
  for (const element of elements) {
    const path = `behaviours.${element.id}`;
    if (ids.has(element.id))
      problems.push({
        path,
        message: say('job.two-behaviours-make-element', { id: element.id }),
      });
    ids.add(element.id);
    for (const node of nodesOf(element))
      if (!node.startsWith('~') && !terminals.has(node))
        problems.push({
          path,
          message: say('job.stands-which-terminal-part', { id: element.id, node }),
        });
  }
  for (const element of elements)
    for (const id of conditionIds(element))
      if (!ids.has(id))
        problems.push({
          path: `behaviours.${element.id}`,
          message: say('job.hangs-which', { id: element.id, id2: id }),
        });
  return problems;
}

function conditionIds(element: Element): string[] {
  if (element.kind === 'switch') return idsIn(element.closed);
  if (element.kind === 'output') return idsIn(element.active);
  return element.kind === 'latch' ? [...idsIn(element.set), ...idsIn(element.hold)] : [];
}

/** Terminals on which nothing stands in any state. */
function unreached(
  { terminals }: PartType,
  circuits: readonly (readonly Element[])[],
  sockets: boolean,
): Problem[] {
  const reached = new Set(circuits.flatMap((elements) => elements.flatMap(nodesOf)));
  return terminals.flatMap(({ name, role }, i) =>
    reached.has(name) || role === 'earth' || role === 'protectiveEarth' || sockets
      ? []
      : [
          {
            path: `terminals[${i}]`,
            message: say('job.nothing-stands-terminal-give', { name }),
          },
        ],
  );
}

function outputProblems(
  { terminals, outputs }: DeviceDescription,
  output: DeviceDescription['outputs'][number],
  i: number,
  circuits: readonly (readonly Element[])[],
): Problem[] {
  const path = `outputs[${i}]`;
  const known = new Set(terminals.map(({ name }) => name));
  const ids = new Set(circuits.flatMap((elements) => elements.map(({ id }) => id)));
  const foreign = output.terminals.filter((name) => !known.has(name));
  const shared = outputs.find(
    (other, k) => k < i && other.terminals.some((name) => output.terminals.includes(name)),
  );
  const needsElement = output.landsOn === 'switched' || output.landsOn === 'pulses';
  return [
    ...foreign.map((name) => ({
      path,
      message: say('job.lead-which-terminal', { outputLabel: output.label, name }),
    })),
    ...(shared
      ? [
          {
            path,
            message: say('job.same-lead-each-needs', {
              outputLabel: output.label,
              sharedLabel: shared.label,
            }),
          },
        ]
      : []),
    ...(output.of !== undefined && !outputs.some(({ id }) => id === output.of)
      ? [{ path, message: say('job.opposite-which', { outputLabel: output.label, of: output.of }) }]
      : []),
    ...(needsElement && (output.element === undefined || !ids.has(output.element))
      ? [{ path, message: say('job.switches-behaviour-says-when', { outputLabel: output.label }) }]
      : []),
    ...(needsElement &&
    output.element !== undefined &&
    ids.has(output.element) &&
    !distinct(output.element, circuits)
      ? [
          {
            path,
            message: say('job.same-both-states-stimulus', { outputLabel: output.label }),
          },
        ]
      : []),
  ];
}

/** Whether an element is not the same in all circuits. */
function distinct(id: string, circuits: readonly (readonly Element[])[]): boolean {
  const seen = new Set(
    circuits.map((elements) => JSON.stringify(elements.find((element) => element.id === id))),
  );
  // What hangs on another element of the circuit differs by that.
  const hangs = circuits.some((elements) =>
    elements.some(
      (element) => element.id === id && (element.kind === 'detector' || conditionIds(element).length > 0),
    ),
  );
  return seen.size > 1 || hangs;
}

function supplyProblems({ supply, terminals }: DeviceDescription): Problem[] {
  if (!supply) return [];
  const known = new Set(terminals.map(({ name }) => name));
  return [supply.plus, supply.minus]
    .filter((name) => !known.has(name))
    .map((name) => ({ path: 'supply', message: say('job.supply-which-terminal', { name }) }));
}
