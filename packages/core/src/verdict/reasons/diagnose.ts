import { say } from '../../messages/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { arcChainFaults } from '../../analysis/index.ts';
import { analogReasons } from './analog.ts';
import { digitalReasons } from './digital.ts';
import { dutyReasons } from './duties.ts';
import { ratedReason, wettingReason } from './limits.ts';
import { mainsReasons, shortReasons } from './mains.ts';
import { outputReasons, resistorReasons } from './outputs.ts';
import { pulseReasons } from './pulse.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';
import { relayReasons } from './relays.ts';
import { guardReasons } from './safety.ts';
import { amplifierReasons } from './amplifier.ts';
import { supplyReason } from './supply.ts';
import { fieldbusReasons } from './fieldbus.ts';

/** Reads off the solved states why a landed point does not work. Empty when it does. */
export function diagnose(analysis: Analysis): Reason[] {
  const { states, staged } = analysis;
  // What can burn is said before anything else, whatever follows from it.
  const short = shortReasons(analysis);
  if (short.length) return short;
  if ([...states, ...staged].some(({ solution }) => solution.outcome !== 'solved'))
    return [cannot('no-solution', say('reason.no-solution'))];
  const mains = mainsReasons(analysis);
  if (mains.length) return mains;
  const supply = supplyReason(analysis);
  if (supply?.weight === 'cannot') return [supply];
  // A reason that stops the whole explains what follows from it, which then need not be said.
  for (const roots of [guardReasons, relayReasons, amplifierReasons, pulseReasons, fieldbusReasons]) {
    const found = roots(analysis);
    if (found.some(({ weight }) => weight === 'cannot')) return [...(supply ? [supply] : []), ...found];
  }
  return [
    ...(supply ? [supply] : []),
    ...guardReasons(analysis),
    ...relayReasons(analysis),
    ...pulseReasons(analysis),
    ...fieldbusReasons(analysis),
    ...digitalReasons(analysis),
    ...dutyReasons(analysis),
    ...analogReasons(analysis),
    ...outputReasons(analysis),
    ...resistorReasons(analysis),
    ...ratedReason(analysis),
    ...wettingReason(analysis),
    ...chainReasons(analysis),
  ];
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
