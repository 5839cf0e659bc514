import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { splitRef } from '../../model/index.ts';
import { terminalWithRole } from '../../catalog/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { supplyNodes } from '../../network/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/** A part on mains whose protective earth is on no earth: with a fault inside, what one touches is live. */
export function earthReason({ context: { index, device, helpers } }: Analysis): Reason | undefined {
  for (const part of [device, ...helpers]) {
    const type = index.deviceType(part);
    const earth = type.description.fed === 'ac' && terminalWithRole(type, 'protectiveEarth');
    if (earth && index.railBehind(`${part.id}:${earth.name}`)?.rail !== 'PE')
      return cannot('no-earth', say('reason.no-earth', { device: part.tag, terminal: earth.name }));
  }
  return undefined;
}

/** Above its limit by so much, a device is taken to burn: it may work for an hour, and is not to be tried. */
const BURNS = 1.25;

/** Whether the device gets its supply, the right way round and within what it is made for. */
export function supplyReason({ context, away, present }: Analysis): Reason | undefined {
  const { device, type } = context;
  const nodes = supplyNodes(context);
  if (!type.supply || !nodes || !away.supplyVolts) return undefined;
  const { min, max } = type.supply;
  // Mains may come either way round.
  const sign = type.description.fed === 'ac' && away.supplyVolts.nom < 0 ? -1 : 1;
  const nom = sign * away.supplyVolts.nom;
  const [low, high] = [sign * away.supplyVolts.min, sign * away.supplyVolts.max].sort((a, b) => a - b);
  const [plus, minus] = [nodes.plus, nodes.minus].map((ref) => splitRef(ref).terminal);
  if (nom < -1)
    return cannot('supply-reversed', say('reason.supply-reversed', { device: device.tag, nom, plus, minus }));
  if (nom < min || sign * sure(present.supplyVolts).nom < min)
    return cannot('no-supply', say('reason.no-supply.device', { device: device.tag, nom, plus, minus, min }));
  if (sure(low) < min || sure(high) > max)
    return (nom > BURNS * max ? cannot : doubtful)(
      'supply-outside',
      say('reason.supply-outside', {
        device: device.tag,
        low: sure(low),
        high: sure(high),
        min,
        max,
      }),
    );
  return undefined;
}
