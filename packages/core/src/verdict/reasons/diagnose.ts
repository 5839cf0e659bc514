import { say } from '../../messages/index.ts';
import { settingsOf, valueText } from '../../catalog/index.ts';
import { asItStands } from '../../job/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { arcChainFaults } from '../../analysis/index.ts';
import { analogReasons } from './analog.ts';
import { digitalReasons } from './digital.ts';
import { loadReasons } from './loads.ts';
import { ratedReason, wettingReason } from './limits.ts';
import { mainsReasons } from './mains.ts';
import { outputReasons, resistorReasons } from './outputs.ts';
import { pulseReasons } from './pulse.ts';
import { coilReasons } from './coils.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';
import { relayReasons } from './relays.ts';
import { guardReasons } from './safety.ts';
import { amplifierReasons } from './amplifier.ts';
import { outputShort } from './shorts.ts';
import { earthReason, supplyReason } from './supply.ts';
import { fieldbusReasons } from './fieldbus.ts';

/** Reads off the solved states why a landed point does not work. Empty when it does. */
export function diagnose(analysis: Analysis): Reason[] {
  const { states, staged } = analysis;
  if ([...states, ...staged].some(({ solution }) => solution.outcome !== 'solved'))
    return [cannot('no-solution', say('reason.no-solution'))];
  const mains = mainsReasons(analysis);
  if (mains.length) return mains;
  const earth = earthReason(analysis);
  if (earth) return [earth];
  const supply = supplyReason(analysis);
  if (supply?.weight === 'cannot') return [supply];
  // A reason that stops the whole explains what follows from it, which then need not be said.
  for (const roots of [guardReasons, relayReasons, amplifierReasons, pulseReasons, fieldbusReasons]) {
    const found = roots(analysis);
    if (found.some(({ weight }) => weight === 'cannot')) return [...(supply ? [supply] : []), ...found];
  }
  const short = outputShort(analysis);
  if (short.length) return short;
  return [
    ...(supply ? [supply] : []),
    ...foundReasons(analysis),
    ...guardReasons(analysis),
    ...relayReasons(analysis),
    ...pulseReasons(analysis),
    ...fieldbusReasons(analysis),
    ...digitalReasons(analysis),
    ...loadReasons(analysis),
    ...analogReasons(analysis),
    ...outputReasons(analysis),
    ...resistorReasons(analysis),
    ...ratedReason(analysis),
    ...wettingReason(analysis),
    ...coilReasons(analysis),
    ...chainReasons(analysis),
    ...settingReasons(analysis),
  ];
}

/**
 * Outputs that were seen set otherwise than the job wants. The circuit is solved as it stands; logic and signal stop
 * the point whatever it gives, since the program would read the opposite, or another value.
 */
function foundReasons({ context: { index, device } }: Analysis): Reason[] {
  return asItStands(index, device).otherwise.map(({ parameter, found, wanted }) =>
    (parameter.from === 'output.kind' ? doubtful : cannot)(
      'found-otherwise',
      say('reason.found-otherwise', {
        device: device.tag,
        parameter: parameter.label,
        found: valueText(parameter, found),
        wanted: valueText(parameter, wanted),
      }),
    ),
  );
}

/** A part that is set so that it does not do in every case what it is there for. */
function settingReasons({ context: { type, device } }: Analysis): Reason[] {
  const chosen = settingsOf(type, device.settings);
  return (type.settings ?? []).flatMap(({ key, label, caution }) =>
    caution?.doubtful && chosen[key] === caution.value
      ? [
          doubtful(
            'setting-risk',
            say('reason.setting-risk', { device: device.tag, label, text: caution.text }),
          ),
        ]
      : [],
  );
}

/** Switches of an arc-protection chain that do not fit its units. */
function chainReasons({ context }: Analysis): Reason[] {
  if (!context.type.description.chain) return [];
  const { tag } = context.point;
  return arcChainFaults(context.index)
    .faults.filter(({ tags }) => tags.includes(tag))
    .sort((a, b) => a.tags.indexOf(tag) - b.tags.indexOf(tag))
    .map(({ sentence }) => cannot('chain', say('reason.chain', { sentence })));
}
