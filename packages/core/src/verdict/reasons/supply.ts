import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { supplyNodes } from '../../network/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** Whether the device gets its supply, the right way round and within what it is made for. */
export function supplyReason({ context, away, present }: Analysis): Reason | undefined {
  const { device, type } = context;
  const nodes = supplyNodes(context);
  if (!type.supply || !nodes || !away.supplyVolts) return undefined;
  const { min, max } = type.supply;
  const { nom } = away.supplyVolts;
  const [plus, minus] = [nodes.plus, nodes.minus].map((ref) => splitRef(ref).terminal);
  if (nom < -1)
    return cannot('supply-reversed', say('reason.supply-reversed', { device: device.tag, nom, plus, minus }));
  if (nom < min || sure(present.supplyVolts).nom < min)
    return cannot('no-supply', say('reason.no-supply.device', { device: device.tag, nom, plus, minus, min }));
  if (away.supplyVolts.min < min || away.supplyVolts.max > max)
    return doubtful(
      'supply-outside',
      say('reason.supply-outside', {
        device: device.tag,
        low: away.supplyVolts.min,
        high: away.supplyVolts.max,
        min,
        max,
      }),
    );
  return undefined;
}
