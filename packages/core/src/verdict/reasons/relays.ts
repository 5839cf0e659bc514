import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { settingsOf } from '../../catalog/index.ts';
import type { DeviceType } from '../../catalog/index.ts';
import type { Device } from '../../model/index.ts';
import type { Analysis, PointState } from '../../analysis/index.ts';
import { elementId } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import { judgeContact } from './contactRating.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';
import { reachOf } from './mains.ts';

/** Why a relay among the helpers does not do what the sensor wants, or would not do it for long. */
export function relayReasons(analysis: Analysis): Reason[] {
  return analysis.context.helpers.flatMap((device) => {
    const type = analysis.context.index.deviceType(device);
    if (!type.coil || !type.contacts || type.load) return [];
    const wrongKind = coilKind(analysis, device, type);
    if (wrongKind.length) return wrongKind;
    return [
      ...coilState(analysis, device, type),
      ...suppressor(analysis, device, type),
      ...contactRatings(analysis, device, type),
    ];
  });
}

function coilKind({ away }: Analysis, device: Device, { coil }: DeviceType): Reason[] {
  if (!coil || coil.kind === 'any') return [];
  const reach = reachOf(away.netlist.elements)(`${device.id}:A1`);
  const wrong = coil.kind === 'dc' ? 'ac' : 'dc';
  if (!reach.has(wrong)) return [];
  return [
    cannot(
      'coil-kind',
      say('reason.coil-kind', { device: device.tag, volts: coil.volts, kind: coil.kind, wrong }),
    ),
  ];
}

const coilOn = ({ solution }: PointState, device: Device): boolean =>
  solution.active(elementId(device.id, 'coil'));

function coilState({ context, shown, cold }: Analysis, device: Device, { coil }: DeviceType): Reason[] {
  if (!coil) return [];
  const rated = coil.volts;
  const lowest = coil.pickUp * rated;
  const kept = shown.find(
    (state) => state === shown[0] && cold && coilOn(state, device) && !coilOn(cold, device),
  );
  if (kept)
    return [
      cannot(
        'kept-in',
        say('reason.kept-in', {
          device: device.tag,
          device2: context.device.tag,
          coils: sure(kept.coils.get(device.id)).nom,
          dropOut: coil.dropOut,
          rated,
        }),
      ),
    ];
  const wanted = shown.filter(({ outputOn }) => outputOn);
  const weak = wanted.find((state) => Math.abs(state.coils.get(device.id)?.nom ?? 0) < lowest);
  if (weak)
    return [
      cannot(
        'coil-volts',
        say('reason.coil-volts', { device: device.tag, coils: sure(weak.coils.get(device.id)).nom, lowest }),
      ),
    ];
  return coilEdges(shown, device, coil);
}

function coilEdges(
  shown: readonly PointState[],
  device: Device,
  { volts, pickUp, dropOut }: NonNullable<DeviceType['coil']>,
): Reason[] {
  for (const state of shown) {
    const band = state.coils.get(device.id);
    if (!band) continue;
    const [low, high] = band.nom < 0 ? [-band.max, -band.min] : [band.min, band.max];
    if (high > volts * 1.15)
      return [doubtful('coil-volts', say('reason.coil-volts.too-high', { device: device.tag, high, volts }))];
    if (state.outputOn && low < volts * pickUp)
      return [
        doubtful('coil-volts', say('reason.coil-volts.at-edge', { device: device.tag, low, volts, pickUp })),
      ];
    if (!state.outputOn && high > volts * dropOut)
      return [
        doubtful('kept-in', say('reason.kept-in.at-edge', { high, device: device.tag, volts, dropOut })),
      ];
  }
  return [];
}

function suppressor({ context, states }: Analysis, device: Device, type: DeviceType): Reason[] {
  const { suppressor: fitted } = settingsOf(type, device.settings);
  const { coil } = type;
  if (coil?.kind !== 'dc' || fitted === undefined) return [];
  const through = Math.max(
    0,
    ...states.map(({ solution, netlist }) => {
      const id = elementId(device.id, 'suppressor');
      return netlist.elements.some((element) => element.id === id) ? solution.amps(id) : 0;
    }),
  );
  if (through > 0.01)
    return [
      cannot(
        'coil-suppressor',
        say('reason.coil-suppressor', { device: device.tag, through, device2: context.device.tag }),
      ),
    ];
  if (fitted === 'none' && context.kind !== 'contact')
    return [
      doubtful(
        'coil-suppressor',
        say('reason.coil-suppressor.missing', {
          device: device.tag,
          device2: context.device.tag,
        }),
      ),
    ];
  return [];
}

/** Loads and inputs that hang on a contact, found by what flows when it is closed. */
function contactRatings({ context, shown }: Analysis, device: Device, { contacts }: DeviceType): Reason[] {
  if (!contacts) return [];
  const reasons: Reason[] = [];
  for (let pole = 1; pole <= contacts.poles; pole++)
    for (const throwTo of ['no', 'nc'] as const) {
      const id = elementId(device.id, `${throwTo}${pole}`);
      const closed = shown.filter(({ solution }) => solution.closed(id));
      if (!closed.length) continue;
      const amps = Math.max(...closed.map(({ solution }) => Math.abs(solution.amps(id))));
      if (amps < 1e-4) continue;
      const name = `${device.tag} ${pole}1-${pole}${throwTo === 'no' ? 4 : 2}`;
      const inrush = Math.max(amps, ...closed.map((state) => inrushThrough(context, state, amps)));
      reasons.push(...judgeContact(name, contacts, amps, inrush));
    }
  return reasons;
}

/** The start current of the loads that are on, A, as far as they make up the current of the contact. */
function inrushThrough({ index, helpers }: PointContext, { solution }: PointState, amps: number): number {
  let max = 0;
  for (const helper of helpers) {
    const { load } = index.deviceType(helper);
    if (!load || !solution.active(elementId(helper.id, 'load'))) continue;
    const running = load.watts / load.volts;
    // Only loads that this contact can feed: theirs is no more than what it carries.
    if (running <= amps * 1.2) max = Math.max(max, amps - running + running * load.inrush);
  }
  return max;
}
