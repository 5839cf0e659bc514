import { oncePer } from '../lists/index.ts';
import { DeadNetwork } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { heldState } from './look.ts';
import type { Look } from './look.ts';
import { netIn } from './pointFault.ts';
import type { Nets } from './pointFault.ts';
import { NOTHING_CONDUCTS } from './sight.ts';
import type { Sight } from './sight.ts';

/** Above this nobody knows what dead electronics beside it let through, Ω; by more than what rounding makes of it. */
const ELECTRONICS = 10_000;
const isBeyond = (ohms: number): boolean => ohms > ELECTRONICS * (1 + 1e-6);

/** What an ohmmeter shows on the isolated circuit, by the id of the look. Its leads add up to half an ohm. */
export function deadSights(nets: Nets, looks: readonly Look[]): ReadonlyMap<string, Sight> {
  const at = (state: Look['state']): Netlist => netIn(nets, heldState(state) ?? 'away');
  return new Map(
    looks.flatMap((look): [string, Sight][] =>
      look.kind === 'ohms' ? [[look.id, ohmsSight(at(look.state), look.red, look.black)]] : [],
    ),
  );
}

const networkOf = oncePer((netlist: Netlist) => new DeadNetwork(netlist));

function ohmsSight(netlist: Netlist, red: string, black: string): Sight {
  const { min, max } = networkOf(netlist).between(red, black);
  return {
    kind: 'ohms',
    min: isBeyond(min) ? ELECTRONICS / 2 : 0.8 * min,
    max: isBeyond(max) ? NOTHING_CONDUCTS : 1.25 * max + 0.5,
  };
}
