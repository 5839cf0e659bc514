import { oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { netlistOf } from '../analysis/index.ts';
import type { Analysis, Nets } from '../analysis/index.ts';
import { faults } from '../circuit/index.ts';
import { splitRef } from '../model/index.ts';
import type { Module, Supply } from '../model/index.ts';
import { elementId, LOGIC_TEXT, OUTPUT_TEXT } from '../network/index.ts';
import { elementFaults } from './elementFaults.ts';
import { both, difference, standing, stands } from './pointFault.ts';
import type { PointFault } from './pointFault.ts';
import { readAt } from './readAt.ts';
import { feedFaults } from './feedFaults.ts';
import { outputFaults } from './outputFaults.ts';
import { settingFaults } from './settingFaults.ts';
import { subjectIn } from './subject.ts';
import { valueReader } from './valueReader.ts';
import { wireFaults } from './wireFaults.ts';

/** Everything that can be wrong with a point, from the job itself. */
export const pointFaults = oncePer((analysis: Analysis): readonly PointFault[] => [
  ...wireFaults(analysis),
  ...feedFaults(analysis),
  ...supplyFaults(analysis),
  ...otherSupplies(analysis),
  ...partFaults(analysis),
  ...outputFaults(analysis),
  ...elementFaults(analysis),
  ...weldedFaults(analysis),
  ...otherOutputs(analysis),
  ...readingFaults(analysis),
  ...settingFaults(analysis),
]);

function supplyFaults({ context: { supply } }: Analysis): PointFault[] {
  return [
    supplyGone('supply gone', supply),
    {
      id: 'supply low',
      what: say('fault.supply-low', { supply: supply.tag }),
      place: { in: 'part', id: supply.id },
      sort: 'supply',
      likely: 'seldom',
      leaves: both(faults.unfed(new Set([supply.id]), supply.volts / 2)),
    },
  ];
}

const supplyGone = (id: string, supply: Pick<Supply, 'id' | 'tag'>): PointFault => ({
  id,
  what: say('fault.supply-gone', { supply: supply.tag }),
  place: { in: 'part', id: supply.id },
  sort: 'supply',
  likely: 'usual',
  leaves: both(faults.unfed(new Set([supply.id]))),
});

/** What else feeds the circuit: the supply of a coil, of a load, of a card. */
function otherSupplies({ context: { index, supply, scope }, present }: Analysis): PointFault[] {
  const wired = new Set(scope.wires.flatMap(({ from, to }) => [splitRef(from).item, splitRef(to).item]));
  const others = present.netlist.elements.flatMap(({ kind, id }) =>
    kind === 'source' && id !== supply.id && wired.has(id) ? (index.supply(id) ?? []) : [],
  );
  return others.map((other) => supplyGone(`supply gone ${other.id}`, other));
}

/** The device, its output, and what it looks at. */
function partFaults(analysis: Analysis): PointFault[] {
  const { context, present } = analysis;
  if (context.output.drivenBy === 'value') return valueFaults(analysis);
  if (context.output.drivenBy === 'communication') return talkFaults(analysis);
  if (context.output.drivenBy === 'pulses') return pulseFaults(analysis);
  if (context.output.drivenBy === 'command') return commandFaults(analysis);
  const { device, output } = context;
  const place = { in: 'part', id: device.id } as const;
  const isGuard = output.drivenBy === 'guard';
  const channels = isGuard ? (output.carries ?? []) : [output.element ?? ''];
  const stuck = (channel: string, n: number): PointFault[] => {
    const switching = elementId(device.id, channel);
    const own = present.netlist.elements.find(({ id }) => id === switching);
    if (own?.kind !== 'output') return [];
    return [true, false].map((on) => ({
      id: `stuck ${on ? 'on' : 'off'}${isGuard ? ` ${channel}` : ''}`,
      what: isGuard
        ? say('fault.channel-stuck', { device: device.tag, n: n + 1, on })
        : say('fault.output-stuck', { device: device.tag, on }),
      place,
      sort: 'output',
      likely: 'usual',
      leaves: both(faults.stuckOutput(switching, on)),
    }));
  };
  return [
    ...channels.flatMap(stuck),
    {
      id: 'target unseen',
      what: say(isGuard ? 'fault.guard-unseen' : 'fault.target-unseen', { device: device.tag }),
      place,
      sort: 'target',
      likely: 'often',
      leaves: stands('away'),
    },
    {
      id: 'target always',
      what: say(isGuard ? 'fault.guard-always' : 'fault.target-always', { device: device.tag }),
      place,
      sort: 'target',
      likely: 'usual',
      leaves: stands('present'),
    },
  ];
}

/** Contactors of a guard whose contacts do not open any more; their mirror contacts tell. */
function weldedFaults({ context, present }: Analysis): PointFault[] {
  if (context.output.drivenBy !== 'guard') return [];
  return context.helpers.flatMap((part): PointFault[] => {
    const { welds, moves } = context.index.deviceType(part).description;
    if (welds === undefined || moves === undefined) return [];
    const forced = new Map([[part.id, new Set([welds])]]);
    const welded = netlistOf(context, { ...present.situation, forced });
    return [
      {
        id: `welded ${part.id}`,
        what: say('fault.contactor-welded', { part: part.tag }),
        place: { in: 'part', id: part.id },
        sort: 'part',
        likely: 'usual',
        leaves: both(difference(present.netlist, welded)),
        shown: { staysIn: elementId(part.id, moves) },
      },
    ];
  });
}

/** Of a value: it stands still, at either end of its range. */
function valueFaults({ context: { device } }: Analysis): PointFault[] {
  const place = { in: 'part', id: device.id } as const;
  return [
    {
      id: 'value low',
      what: say('fault.value-still', { device: device.tag, low: true }),
      place,
      sort: 'output',
      likely: 'usual',
      leaves: stands('away'),
    },
    {
      id: 'value high',
      what: say('fault.value-still', { device: device.tag, low: false }),
      place,
      sort: 'output',
      likely: 'usual',
      leaves: stands('present'),
    },
  ];
}

/** Of pulses: none comes, whichever level it stands at. */
function pulseFaults({ context: { device } }: Analysis): PointFault[] {
  const still = (high: boolean): PointFault => ({
    id: `pulses ${high ? 'high' : 'low'}`,
    what: say('fault.pulses-none', { device: device.tag, high }),
    place: { in: 'part', id: device.id },
    sort: 'target',
    likely: high ? 'usual' : 'often',
    leaves: stands(high ? 'present' : 'away'),
  });
  return [still(false), still(true)];
}

/** Of a device that talks: either end is silent, or the two do not agree on how. */
function talkFaults({ context: { device, ports } }: Analysis): PointFault[] {
  const silent = { likely: 'seldom', sort: 'output', leaves, shown: { silent: true } } as const;
  const atDevice = { place: { in: 'part', id: device.id } as const, ...silent };
  const set = {
    ...atDevice,
    sort: 'setting',
    likely: 'often',
    shown: { silent: true, setElsewhere: device.id },
  } as const;
  const names = { device: device.tag };
  const agreed: readonly PointFault[] = [
    { id: 'other address', what: say('fault.talk-address', names), ...set },
    // Its own settings are right.
    {
      id: 'one address twice',
      what: say('fault.talk-twice', names),
      ...set,
      likely: 'usual',
      shown: { silent: true },
    },
  ];
  const kinds = new Set(ports.map(({ port }) => port.kind));
  return [
    { id: 'device silent', what: say('fault.silent', names), ...atDevice },
    ...(kinds.has('serial') || kinds.has('ethernet') ? agreed : []),
    ...(kinds.has('serial') ? [{ id: 'other speed', what: say('fault.talk-speed', names), ...set }] : []),
    ...(kinds.has('io-link')
      ? [
          {
            id: 'other device',
            what: say('fault.talk-other', names),
            ...set,
            likely: 'usual',
            shown: { silent: true, setElsewhere: ports[0]?.module.id ?? device.id },
          } as const,
        ]
      : []),
    ...[...new Map(ports.map(({ module }) => [module.id, module])).values()].map((module): PointFault => ({
      id: `port silent ${module.id}`,
      what: say('fault.partner-dead', { module: module.tag }),
      place: { in: 'part', id: module.id },
      ...silent,
    })),
  ];
}

/** Of what the program commands: the channel gives nothing, or all the time, or the program commands another. */
function commandFaults({ context: { module, address } }: Analysis): PointFault[] {
  if (!module) return [];
  const name = address ?? module.tag;
  const still = (low: boolean): PointFault => ({
    id: `channel ${low ? 'low' : 'high'}`,
    what: say('fault.channel-still', { address: name, low }),
    place: { in: 'part', id: module.id },
    sort: 'input',
    likely: 'usual',
    leaves: stands(low ? 'away' : 'present'),
  });
  return [
    still(true),
    still(false),
    {
      id: 'command other',
      what: say('fault.command-other', { address: name }),
      place: { in: 'program' },
      sort: 'program',
      likely: 'often',
      leaves: stands('away'),
    },
  ];
}

/** The circuit is sound; what is made of it is not. */
const leaves = (nets: Nets): Nets => nets;

/** A channel that takes nothing of what comes. */
const inputDead = (module: Module, address: string | undefined, shown: PointFault['shown']): PointFault => ({
  id: 'input dead',
  what: say('fault.input-dead', { address: address ?? module.tag }),
  place: { in: 'part', id: module.id },
  sort: 'input',
  likely: 'seldom',
  leaves,
  shown,
});

/** What stands between an analog input and the program. */
function valueReadingFaults({ context }: Analysis): PointFault[] {
  const { module, address } = context;
  if (!module) return [];
  return [
    inputDead(module, address, { value: 'none' }),
    {
      id: 'value other',
      what: say('fault.value-other'),
      place: { in: 'program' },
      sort: 'program',
      likely: 'usual',
      leaves,
      shown: { value: 'other' },
    },
  ];
}

/** Another kind or logic of the device than planned, solved as it then is. */
function otherOutputs({ context: { index, point, device, output } }: Analysis): PointFault[] {
  const { kind, logic } = device.outputs?.[output.id] ?? {};
  if (kind === undefined || logic === undefined) return [];
  return output.kinds.flatMap((otherKind) =>
    output.logics.flatMap((otherLogic): PointFault[] => {
      if (otherKind === kind && otherLogic === logic) return [];
      // Both at once is two faults.
      if (otherKind !== kind && otherLogic !== logic) return [];
      const devices = index.job.devices.map((row) =>
        row.id === device.id
          ? { ...row, outputs: { ...row.outputs, [output.id]: { kind: otherKind, logic: otherLogic } } }
          : row,
      );
      const other = subjectIn({ ...index.job, devices }, point.id);
      if (!other) return [];
      return [
        {
          id: `other ${otherKind} ${otherLogic}`,
          what: say('fault.other-output', {
            device: device.tag,
            kind: otherKind === kind ? '' : OUTPUT_TEXT[otherKind],
            logic: otherLogic === logic ? '' : LOGIC_TEXT[otherLogic],
          }),
          place: { in: 'part', id: device.id },
          sort: 'kind',
          likely: 'usual',
          shown: { setElsewhere: device.id },
          ...standing(other),
        },
      ];
    }),
  );
}

/** What stands between the circuit and who looks: a channel, an LED, the program. */
function readingFaults(analysis: Analysis): PointFault[] {
  const { context, present } = analysis;
  if (valueReader(analysis)) return valueReadingFaults(analysis);
  const { device, output } = context;
  const { module, address } = readAt(analysis);
  if (!present.inputs.length || !module) return [];
  return [
    inputDead(module, address, { inputLed: 'dark', bit: 'other' }),
    ...(output.indicator === undefined
      ? []
      : [
          {
            id: 'sensor led',
            what: say('fault.led-dead', { item: device.tag }),
            place: { in: 'part', id: device.id },
            sort: 'led',
            likely: 'seldom',
            leaves,
            shown: { sensorLed: 'dark' },
          } as const,
        ]),
    {
      id: 'input led',
      what: say('fault.led-dead', { item: module.tag }),
      place: { in: 'part', id: module.id },
      sort: 'led',
      likely: 'seldom',
      leaves,
      shown: { inputLed: 'dark' },
    },
    {
      id: 'bit turned',
      what: say('fault.bit-turned'),
      place: { in: 'program' },
      sort: 'program',
      likely: 'usual',
      leaves,
      shown: { bit: 'turned' },
    },
    {
      id: 'bit other',
      what: say('fault.bit-other'),
      place: { in: 'program' },
      sort: 'program',
      likely: 'often',
      leaves,
      shown: { bit: 'other' },
    },
  ];
}
