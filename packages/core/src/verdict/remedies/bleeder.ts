import { formatOhms } from '../../units/index.ts';
import { say } from '../../messages/index.ts';
import { RESISTOR_ID } from '../../catalog/index.ts';
import type { Device, Wire } from '../../model/index.ts';
import type { PointContext } from '../../network/index.ts';
import { numbering, PANEL } from '../../job/index.ts';
import type { Remedy } from './remedy.ts';

/** Values that are tried, Ω, from the one that burns least; E6 series of IEC 60063. */
const VALUES = [22000, 10000, 4700, 3300, 2200, 1500, 1000];
/** Power ratings that are to be had, W; a resistor is loaded to half of its rating. */
const RATINGS = [0.25, 0.5, 1, 2, 5, 10];

/**
 * A resistor beside the input, or beside a relay's coil, that takes the leakage of a sensor which is off or gives it
 * the current that it needs while on. Value and power are worked out; the solution decides which value holds.
 */
export function bleeder(context: PointContext): Remedy[] {
  const { index, place, module, port, helpers, supply } = context;
  const relay = helpers.find((helper) => index.deviceType(helper).coil);
  const coil = relay && index.deviceType(relay).coil;
  const across =
    relay && coil
      ? {
          a: `${relay.id}:A1`,
          b: `${relay.id}:A2`,
          volts: coil.volts,
          at: say('remedy.coil', { relay: relay.tag }),
        }
      : place && module && port?.kind === 'digital' && !port.common.startsWith('~')
        ? {
            a: `${module.id}:${port.terminal}`,
            b: `${module.id}:${port.common}`,
            volts: supply.volts,
            at: `${module.tag} ${port.label}`,
          }
        : undefined;
  if (!across || context.kind !== 'twowire') return [];
  return VALUES.flatMap((ohms) => {
    const burnt = (across.volts * 1.1) ** 2 / ohms;
    const watts = RATINGS.find((rating) => rating >= 2 * burnt);
    if (watts === undefined) return [];
    const words = `${formatOhms(ohms)}, ${watts} W`;
    return [
      {
        sentence: say('remedy.resistor', { words, at: across.at, burnt }),
        change: addition(context, { ohms: String(ohms), watts: String(watts) }, across),
      },
    ];
  });
}

/** A resistor from plus to the input, where a passive output only pulls it down. */
export function pullUp(context: PointContext): Remedy[] {
  const { output, module, port, supply, rail } = context;
  if (output.drivenBy !== 'pulses' || !module || port?.kind !== 'digital' || rail !== '-') return [];
  return [...VALUES].reverse().flatMap((ohms) => {
    const burnt = (supply.volts * 1.1) ** 2 / ohms;
    const watts = RATINGS.find((rating) => rating >= 2 * burnt);
    if (watts === undefined) return [];
    return [
      {
        sentence: say('remedy.pull-up', {
          ohms,
          watts,
          module: module.tag,
          portLabel: port.label,
          burnt,
        }),
        change: addition(
          context,
          { ohms: String(ohms), watts: String(watts) },
          { a: `${supply.id}:+`, b: `${module.id}:${port.terminal}` },
        ),
      },
    ];
  });
}

function addition(
  { index, point }: PointContext,
  settings: Record<string, string>,
  { a, b }: { a: string; b: string },
): Remedy['change'] {
  const taken = new Set(index.job.devices.map(({ id }) => id));
  let n = 1;
  while (taken.has(`${point.id}-r${n}`)) n++;
  const id = `${point.id}-r${n}`;
  const device: Device = {
    id,
    tag: `${point.tag.slice(0, 20)}-R${n}`,
    typeId: RESISTOR_ID,
    settings,
  };
  const number = numbering(index.job);
  const wire = (terminal: string, to: string): Wire => ({
    id: `${id}-${terminal}`,
    number: number(),
    from: `${id}:${terminal}`,
    to,
    colour: 'BK',
    ...PANEL,
  });
  return { kind: 'addHelper', pointId: point.id, device, wires: [wire('1', a), wire('2', b)] };
}
