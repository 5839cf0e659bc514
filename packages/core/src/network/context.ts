import { chosenOutput, resistanceOfOutput, settingsOf, terminalWithRole } from '../catalog/index.ts';
import type { DeviceOutput, DeviceType, Port, ResistanceElement } from '../catalog/index.ts';
import type { Device, Logic, Module, OutputKind, Point, Settings, Supply } from '../model/index.ts';
import { addressOf, minusOf } from '../job/index.ts';
import type { ChannelPlace, CommonRail, JobIndex, Rail } from '../job/index.ts';
import { scopeOf } from './scope.ts';
import type { Scope } from './scope.ts';

/** A port on which a point's device or one of its further parts is landed. */
export interface OwnPort {
  readonly place: ChannelPlace;
  readonly port: Port;
  readonly module: Module;
  readonly settings: Settings;
  readonly address?: string;
  readonly rail?: Rail;
  readonly supply?: Supply;
  /** The output of the point's device whose own lead ends here; nothing where a further part stands between. */
  readonly landed?: DeviceOutput;
}

/** Everything about where a point stands, found once. */
export interface PointContext {
  readonly index: JobIndex;
  readonly point: Point;
  readonly device: Device;
  readonly type: DeviceType;
  /** The output of the device that the point is about, and how that was chosen. */
  readonly output: DeviceOutput;
  readonly kind: OutputKind;
  readonly logic: Logic;
  readonly helpers: readonly Device[];
  /** All ports on which it is landed; the first is the one that it is named by. */
  readonly ports: readonly OwnPort[];
  readonly place?: ChannelPlace;
  readonly port?: Port;
  readonly module?: Module;
  readonly common?: string;
  /** Where its common sits; earth is no place for one. */
  readonly rail?: CommonRail;
  readonly address?: string;
  readonly supply: Supply;
  readonly scope: Scope;
}

const contexts = new WeakMap<JobIndex, Map<string, PointContext>>();

/** Where a point stands. Found once for an index, whoever asks. */
export function contextOf(index: JobIndex, pointId: string): PointContext {
  let known = contexts.get(index);
  if (!known) contexts.set(index, (known = new Map()));
  let context = known.get(pointId);
  if (!context) known.set(pointId, (context = findContext(index, pointId)));
  return context;
}

/** Stands for the output of a device that has none of its own, such as a plain part. */
const NO_OUTPUT: DeviceOutput = {
  id: '',
  label: '',
  drivenBy: 'target',
  terminals: [],
  kinds: ['none'],
  logics: ['none'],
  carries: [],
  landsOn: 'none',
  rule: 'by-kind',
  loopPowered: false,
  words: { present: '', away: '' },
  stimulus: '',
};

function findContext(index: JobIndex, pointId: string): PointContext {
  const point = index.point(pointId);
  const device = index.deviceOf(point);
  const type = index.deviceType(device);
  const output = index.outputOf(point) ?? NO_OUTPUT;
  const helpers = (point.helperIds ?? []).flatMap((id) => index.device(id) ?? []);
  const ports = ownPorts(index, point, helpers);
  const first = ports[0];
  const rail = first?.rail === 'PE' ? undefined : first?.rail;
  const [usual] = index.job.supplies;
  const supply = first?.supply ?? supplyOf(index, device) ?? usual;
  if (!supply) throw new Error('A job needs a supply.');
  return {
    index,
    point,
    device,
    type,
    output,
    ...chosenOutput(type, device, output),
    helpers,
    ports,
    place: first?.place,
    port: first?.port,
    module: first?.module,
    common: first?.port.common,
    rail,
    address: first?.address,
    supply,
    scope: scopeOf(index, point),
  };
}

/** The supply to which a device's own leads go, directly or through what protects it, if any does. */
function supplyOf(index: JobIndex, device: Device): Supply | undefined {
  for (const { name } of index.deviceType(device).terminals) {
    const rail = index.railBehind(`${device.id}:${name}`);
    if (rail && rail.rail !== 'PE') return rail.supply;
  }
  return undefined;
}

function ownPorts(index: JobIndex, point: Point, helpers: readonly Device[]): OwnPort[] {
  const places = new Map<string, { place: ChannelPlace; landed?: DeviceOutput }>();
  const add = (place: ChannelPlace | undefined, landed?: DeviceOutput): void => {
    const key = place && `${place.moduleId}:${place.channel}`;
    if (place && key) places.set(key, { place, landed: places.get(key)?.landed ?? landed });
  };
  add(index.placeOf(point));
  const device = index.deviceOf(point);
  const { outputs } = index.deviceType(device);
  const own = index.ownOutputs(point);
  const foreign = outputs.filter((output) => !own.includes(output));
  const isForeign = (name: string): boolean => foreign.some(({ terminals }) => terminals.includes(name));
  for (const part of [device, ...helpers])
    for (const { name } of index.deviceType(part).terminals)
      if (part !== device || !isForeign(name))
        for (const far of index.across(`${part.id}:${name}`))
          add(
            index.placeAt(far),
            part === device ? outputs.find(({ terminals }) => terminals.includes(name)) : undefined,
          );
  return [...places.values()].flatMap(({ place, landed }) => ownPort(index, place, landed));
}

function ownPort(index: JobIndex, place: ChannelPlace, landed: DeviceOutput | undefined): OwnPort[] {
  const module = index.module(place.moduleId);
  if (!module) return [];
  const type = index.moduleType(module);
  const port = index.port(place);
  const rail = index.railOf(module.id, port.common);
  return [
    {
      place,
      port,
      module,
      settings: settingsOf(type, module.settings),
      address: addressOf(module, type, place.channel),
      rail: rail?.rail ?? port.inside?.rail,
      supply: rail?.supply,
      ...(landed && { landed }),
    },
  ];
}

/** The node of the signal wire at the device. */
export function signalNode({ index, point, device, type }: PointContext): string {
  const [name = type.terminals[0]?.name ?? ''] = index.ownTerminals(point);
  return `${device.id}:${name}`;
}

/**
 * Where a technician puts the leads to see an output's signal: across it where it is read so, since its loop may hang
 * on no rail, else from the signal wire to the device's own minus, to N of mains, or to 0 V.
 */
export function signalLeads(
  context: PointContext,
  zero: string,
): { red: string; black: string; across: boolean } {
  const { device, output } = context;
  if (output.across) {
    const [red, black] = output.across;
    return { red: `${device.id}:${red}`, black: `${device.id}:${black}`, across: true };
  }
  // What mains drives is read against N: 0 V of the control supply is no point of that circuit.
  const back = context.supply.kind === 'ac' ? minusOf(context.supply) : zero;
  return { red: signalNode(context), black: supplyNodes(context)?.minus ?? back, across: false };
}

/** The device's own supply terminals, if it has any. */
export function supplyNodes({
  device,
  type,
}: Pick<PointContext, 'device' | 'type'>): { plus: string; minus: string } | undefined {
  const plus = terminalWithRole(type, 'plus');
  const minus = terminalWithRole(type, 'minus');
  return plus && minus
    ? { plus: `${device.id}:${plus.name}`, minus: `${device.id}:${minus.name}` }
    : undefined;
}

/** The resistance that stands for a point's value; nothing for a device that is no element. */
export const elementOf = ({
  type,
  output,
  device,
}: Pick<PointContext, 'type' | 'output' | 'device'>): ResistanceElement | undefined =>
  resistanceOfOutput(type, output, device.settings);
