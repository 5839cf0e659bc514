import { deviceType, moduleType } from '../catalog/index.ts';
import type { DeviceTerminal, Port, TerminalRole } from '../catalog/index.ts';
import type { ColourRegion, Device, JobContent, Module, Supply, Wire, WireColour } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import type { ChannelPlace, Rail } from './jobIndex.ts';
import { JobIndex } from './jobIndex.ts';

/** Field wires as they are usually run: metres and mm². */
const FIELD = { lengthM: 10, mm2: 0.34 };
export const PANEL = { lengthM: 1, mm2: 0.75 };

/**
 * Colours of panel wires to the rails. Mains: IEC 60445 (brown, blue, green-yellow); NFPA 79 (black, white, green,
 * control DC blue); JIS C 0446 (black, white, green). A choice of the job; local codes go first.
 */
export const RAIL_COLOURS: Readonly<Record<ColourRegion, Readonly<Record<Rail, WireColour>>>> = {
  iec: { '+': 'RD', '-': 'BU', L: 'BN', N: 'BU', PE: 'GNYE' },
  'north-america': { '+': 'BU', '-': 'WH', L: 'BK', N: 'WH', PE: 'GN' },
  japan: { '+': 'RD', '-': 'BK', L: 'BK', N: 'WH', PE: 'GN' },
};

/** Colour of a panel wire to a rail of a job. */
export const railColour = (job: JobContent, rail: Rail): WireColour => RAIL_COLOURS[job.colours][rail];

/**
 * Wires that put a device on a channel: each lead where its role belongs, at the port if that wants it, else at a
 * rail, in the colours of the device's own leads, numbered on from the highest number in the job.
 * A contact takes the rail opposite to its group's common.
 */
export function proposeWires(job: JobContent, device: Device, place: ChannelPlace): Wire[] {
  const index = new JobIndex(job);
  const port = index.port(place);
  const number = numbering(job);
  return deviceType(device.typeId).terminals.flatMap((terminal) => {
    const to = target(index, device, terminal, place, port);
    return to === undefined
      ? []
      : [
          {
            id: wireId(device.id, terminal.name),
            number: number(),
            from: `${device.id}:${terminal.name}`,
            to,
            colour: terminal.colour ?? colourTo(index, to),
            ...FIELD,
          },
        ];
  });
}

function colourTo(index: JobIndex, to: string): WireColour {
  const { item, terminal } = splitRef(to);
  return index.supply(item) ? railColour(index.job, terminal as Rail) : 'BK';
}

function supplyFor(job: JobContent, kind: Supply['kind']): Supply | undefined {
  return job.supplies.find((supply) => supply.kind === kind);
}

function target(
  index: JobIndex,
  device: Device,
  terminal: DeviceTerminal,
  place: ChannelPlace,
  port: Port,
): string | undefined {
  const { role } = terminal;
  if (!role) return undefined;
  const here = port.roles[role];
  if (here !== undefined && !secondary(device, role, port)) return `${place.moduleId}:${here}`;
  const { job } = index;
  const own = index.railOf(place.moduleId, port.common)?.supply;
  const dc = own?.kind === 'dc' ? own : supplyFor(job, 'dc');
  if (!dc) return undefined;
  if (PLUS_ROLES.has(role)) return `${dc.id}:+`;
  if (MINUS_ROLES.has(role)) return `${dc.id}:-`;
  if (role === 'sideA') return contactTarget(index, device, place, port);
  if (role === 'pulseReturn') return `${dc.id}:${contactRail(job, place)}`;
  if (port.kind !== 'output') return undefined;
  if (role === 'loadMinus') return port.drives === 'low' ? undefined : `${dc.id}:-`;
  if (role === 'loadPlus') return port.drives === 'low' ? `${dc.id}:+` : undefined;
  return undefined;
}

/** Roles of leads that belong on a rail where the port does not want them. */
const PLUS_ROLES: ReadonlySet<TerminalRole> = new Set([
  'plus',
  'emitterPlus',
  'loopPlus',
  'extraPlus',
  'safeIn1',
  'safeIn2',
]);
const MINUS_ROLES: ReadonlySet<TerminalRole> = new Set([
  'minus',
  'emitterMinus',
  'extraMinus',
  'elementReturn',
]);

/** Leads that stay off a digital port although it could take them: one lead a channel is enough. */
function secondary(device: Device, role: DeviceTerminal['role'], port: Port): boolean {
  if (port.kind !== 'digital') return false;
  if (role === 'complement' || role === 'auxReturn')
    return deviceType(device.typeId).terminals.some((t) => t.role === 'out' || t.role === 'sideB');
  return false;
}

function contactTarget(index: JobIndex, device: Device, place: ChannelPlace, port: Port): string | undefined {
  const ac = /-ac$/.test(device.typeId) ? supplyFor(index.job, 'ac') : undefined;
  if (ac) return `${ac.id}:L`;
  const supply = index.railOf(place.moduleId, port.common)?.supply ?? supplyFor(index.job, 'dc');
  return supply && `${supply.id}:${contactRail(index.job, place)}`;
}

/** The rail that a contact must bring to a channel so that current can pass it. */
export function contactRail(job: JobContent, place: ChannelPlace): '+' | '-' {
  const index = new JobIndex(job);
  const port = index.port(place);
  if (port.kind === 'digital' && port.sense === 'sink') return '+';
  if (port.kind === 'digital' && port.sense === 'source') return '-';
  return index.railOf(place.moduleId, port.common)?.rail === '+' ? '-' : '+';
}

/** Wires that bring a new module its own supply. */
export function moduleSupplyWires(job: JobContent, module: Module): Wire[] {
  const dc = supplyFor(job, 'dc');
  if (!dc) return [];
  const number = numbering(job);
  return moduleType(module.typeId).terminals.flatMap(({ name, role }) => {
    const rail =
      role === 'plus' || role === 'extraPlus'
        ? '+'
        : role === 'minus' || role === 'extraMinus'
          ? '-'
          : undefined;
    return rail
      ? [
          {
            id: wireId(module.id, name),
            number: number(),
            from: `${module.id}:${name}`,
            to: `${dc.id}:${rail}`,
            colour: railColour(job, rail),
            ...PANEL,
          },
        ]
      : [];
  });
}

/** The wire from a group's common to a rail. */
export function commonWire(
  job: JobContent,
  moduleId: string,
  common: string,
  rail: '+' | '-',
  supply: Supply = supplyFor(job, 'dc') ?? job.supplies[0]!,
): Wire {
  return {
    id: wireId(moduleId, common),
    number: numbering(job)(),
    from: `${moduleId}:${common}`,
    to: `${supply.id}:${rail}`,
    colour: railColour(job, rail),
    ...PANEL,
  };
}

/** Id of the proposed wire on a terminal: `+` is no sign of an id. */
export const wireId = (itemId: string, terminal: string): string =>
  `${itemId}-${terminal.replaceAll('+', 'p')}`;

/** Gives the next free wire numbers of a job, one a call. */
export function numbering(job: JobContent): () => string {
  let last = job.wires.reduce(
    (most, wire) => Math.max(most, /^\d+$/.test(wire.number) ? Number(wire.number) : 0),
    0,
  );
  return () => String(++last);
}
