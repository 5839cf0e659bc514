import { partTypesOf } from '../catalog/index.ts';
import type { PartTerminal, Port, TerminalRole } from '../catalog/index.ts';
import type {
  ColourRegion,
  Device,
  JobContent,
  Module,
  Point,
  Supply,
  Wire,
  WireColour,
} from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import type { ChannelPlace, CommonRail, Rail } from './jobIndex.ts';
import { JobIndex } from './jobIndex.ts';
import { oppositeRail } from './words.ts';

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
 * Wires that put a point's output on a channel: each lead where its role belongs, at the port if that wants it, else
 * at a rail, in the colours of the device's own leads, numbered on from the highest number in the job. Leads of other
 * points' outputs are left alone, and so is a supply that is wired already.
 * A contact takes the rail opposite to its group's common.
 */
export function proposeWires(job: JobContent, point: Point, place: ChannelPlace): Wire[] {
  const index = new JobIndex(job);
  const device = index.deviceOf(point);
  const type = index.deviceType(device);
  const port = index.port(place);
  const number = numbering(job);
  const own = index.ownOutputs(point);
  const [first] = own;
  return type.terminals.flatMap((terminal) => {
    const of = type.outputs.find(({ terminals }) => terminals.includes(terminal.name));
    if (of && !own.includes(of)) return [];
    if (index.wiresAt(`${device.id}:${terminal.name}`).length) return [];
    // One lead a channel is enough: what is not the point's own output stays off its input, or its output.
    const spare = of !== undefined && of !== first && (port.kind === 'digital' || port.kind === 'output');
    const to = target(index, device, terminal, place, port, spare);
    return to === undefined
      ? []
      : [
          {
            id: wireId(device.id, terminal.name),
            number: number(),
            from: `${device.id}:${terminal.name}`,
            to,
            colour: terminal.colour ?? colourTo(index.job, to),
            ...FIELD,
          },
        ];
  });
}

/** Colour of a panel wire by where it goes: that of the rail, black to anything else. */
export function colourTo(job: JobContent, to: string): WireColour {
  const { item, terminal } = splitRef(to);
  return job.supplies.some(({ id }) => id === item) ? railColour(job, terminal as Rail) : 'BK';
}

/** A wire within the panel, from a terminal to another or to a rail. */
export function panelWire(job: JobContent, number: string, from: string, to: string): Wire {
  const { item, terminal } = splitRef(from);
  return { id: wireId(item, terminal), number, from, to, colour: colourTo(job, to), ...PANEL };
}

function supplyFor(job: JobContent, kind: Supply['kind']): Supply | undefined {
  return job.supplies.find((supply) => supply.kind === kind);
}

function target(
  index: JobIndex,
  device: Device,
  terminal: PartTerminal,
  place: ChannelPlace,
  port: Port,
  spare: boolean,
): string | undefined {
  const { role } = terminal;
  if (!role) return undefined;
  const here = port.roles[role];
  if (here !== undefined && !spare) return `${place.moduleId}:${here}`;
  const { job } = index;
  const own = index.railOf(place.moduleId, port.common)?.supply;
  const mains = index.deviceType(device).description.fed === 'ac' ? MAINS_ROLES[role] : undefined;
  if (mains) {
    const ac = supplyFor(job, 'ac');
    return ac && `${ac.id}:${mains}`;
  }
  const dc = own?.kind === 'dc' ? own : supplyFor(job, 'dc');
  if (!dc) return undefined;
  if (PLUS_ROLES.has(role)) return `${dc.id}:+`;
  if (MINUS_ROLES.has(role)) return `${dc.id}:-`;
  if (spare) return undefined;
  if (role === 'sideA') return contactTarget(index, device, place, port);
  if (role === 'pulseReturn') return `${dc.id}:${contactRail(job, place)}`;
  if (port.kind !== 'output') return undefined;
  if (role === 'loadMinus') return port.drives === 'low' ? undefined : `${dc.id}:-`;
  if (role === 'loadPlus') return port.drives === 'low' ? `${dc.id}:+` : undefined;
  return undefined;
}

/** Where the leads of what is fed with mains belong. */
const MAINS_ROLES: Readonly<Partial<Record<TerminalRole, Rail>>> = {
  plus: 'L',
  minus: 'N',
  protectiveEarth: 'PE',
};

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

function contactTarget(index: JobIndex, device: Device, place: ChannelPlace, port: Port): string | undefined {
  const ac = index.deviceType(device).description.mains ? supplyFor(index.job, 'ac') : undefined;
  if (ac && !takesAc(port)) return `${ac.id}:L`;
  const rail = contactRail(index.job, place);
  const supply = supplyOfRail(index.job, rail, index.railOf(place.moduleId, port.common)?.supply);
  return supply && `${supply.id}:${rail}`;
}

/** The rail that a contact must bring to a channel so that current can pass it. */
export function contactRail(job: JobContent, place: ChannelPlace): CommonRail {
  const index = new JobIndex(job);
  const port = index.port(place);
  if (port.kind === 'digital' && port.sense === 'sink') return '+';
  if (port.kind === 'digital' && port.sense === 'source') return '-';
  const rail = index.railOf(place.moduleId, port.common)?.rail;
  if (takesAc(port)) return rail === 'L' ? 'N' : 'L';
  return rail && rail !== 'PE' ? oppositeRail(rail) : '+';
}

/** Whether a port takes alternating current. */
export const takesAc = (port: Port): boolean => port.kind === 'digital' && port.acVolts !== undefined;

/** The rails on which a port's common may sit, the usual one first. */
export const commonRails = (port: Port): readonly [CommonRail, CommonRail] =>
  takesAc(port) ? ['N', 'L'] : ['-', '+'];

const kindOfRail = (rail: Rail): Supply['kind'] => (rail === 'L' || rail === 'N' ? 'ac' : 'dc');

/** Wires that bring a new module its own supply. */
export function moduleSupplyWires(job: JobContent, module: Module): Wire[] {
  const dc = supplyFor(job, 'dc');
  if (!dc) return [];
  const number = numbering(job);
  return partTypesOf(job)
    .module(module)
    .terminals.flatMap(({ name, role }) => {
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

/** The supply on whose rail a common is put: that on which it sits, where that has such a rail, else the first that does. */
export const supplyOfRail = (job: JobContent, rail: CommonRail, sitsOn?: Supply): Supply | undefined =>
  sitsOn?.kind === kindOfRail(rail) ? sitsOn : supplyFor(job, kindOfRail(rail));

/** The wire from a group's common to a rail. */
export function commonWire(
  job: JobContent,
  moduleId: string,
  common: string,
  rail: CommonRail,
  supply: Supply,
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
    (max, wire) => Math.max(max, /^\d+$/.test(wire.number) ? Number(wire.number) : 0),
    0,
  );
  return () => String(++last);
}
