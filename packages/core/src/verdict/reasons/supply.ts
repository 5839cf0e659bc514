import { splitRef } from '../../model/index.ts';
import { fixed, formatVolts } from '../../units/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { supplyNodes } from '../../network/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Whether the device gets its supply, the right way round and within what it is made for. */
export function supplyReason({ context, away, present }: Analysis): Reason | undefined {
  const { device, type } = context;
  const nodes = supplyNodes(context);
  if (!type.supply || !nodes || !away.supplyVolts) return undefined;
  const { min: least, max: most } = type.supply;
  const { nom } = away.supplyVolts;
  const [plus, minus] = [nodes.plus, nodes.minus].map((ref) => splitRef(ref).terminal);
  if (nom < -1)
    return cannot(
      'supply-reversed',
      `${device.tag} has its supply the wrong way round: ${formatVolts(nom)} from ${plus} to ${minus}. It stays dead until ${plus} is on + and ${minus} on 0 V.`,
    );
  if (nom < least || present.supplyVolts!.nom < least)
    return cannot(
      'no-supply',
      `${device.tag} has no supply: ${formatVolts(nom)} from ${plus} to ${minus} where it needs at least ${least} V. Land ${plus} on + and ${minus} on 0 V.`,
    );
  if (away.supplyVolts.min < least || away.supplyVolts.max > most)
    return doubtful(
      'supply-outside',
      `The supply at ${device.tag} may be ${fixed(away.supplyVolts.min, 1)} to ${fixed(away.supplyVolts.max, 1)} V; it is made for ${least} to ${most} V.`,
    );
  return undefined;
}
