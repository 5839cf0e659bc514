import { formatOhms } from '../../units/index.ts';
import { say } from '../../messages/index.ts';
import { RESISTOR_ID } from '../../catalog/index.ts';
import type { Settings } from '../../model/index.ts';
import type { PointContext } from '../../network/index.ts';
import { newParts } from './newParts.ts';
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
        change: addResistor(context, { ohms: String(ohms), watts: String(watts) }, across),
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
        change: addResistor(
          context,
          { ohms: String(ohms), watts: String(watts) },
          { a: `${supply.id}:+`, b: `${module.id}:${port.terminal}` },
        ),
      },
    ];
  });
}

const addResistor = (
  context: PointContext,
  settings: Settings,
  { a, b }: { readonly a: string; readonly b: string },
): Remedy['change'] => newParts(context, 'r')({ typeId: RESISTOR_ID, settings }, { '1': a, '2': b });
