import type { Nets } from '../analysis/index.ts';
import { nth, oncePer } from '../lists/index.ts';
import { DeadNetwork } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { heldState } from './look.ts';
import type { Held, Look } from './look.ts';
import { netIn } from './pointFault.ts';
import { NOTHING_CONDUCTS } from './sight.ts';
import type { Sight } from './sight.ts';

/** Above this nobody knows what dead electronics beside it let through, Ω; by more than what rounding makes of it. */
const ELECTRONICS = 10_000;
const isBeyond = (ohms: number): boolean => ohms > ELECTRONICS * (1 + 1e-6);

/** What an ohmmeter shows on the isolated circuit, by the id of the look. Its leads add up to half an ohm. */
export function deadSights(nets: Nets, looks: readonly Look[]): ReadonlyMap<string, Sight> {
  const found = new Map<string, Sight>();
  for (const group of ohmsAmong(looks)) {
    const sights = group.sights(netIn(nets, group.held));
    group.looks.forEach(({ id }, i) => found.set(id, nth(sights, i)));
  }
  return found;
}

type Ohms = Pick<Look, 'id'> & Record<'red' | 'black', string>;

/** Looks with the ohmmeter while the target is held one way. */
class OhmsLooks {
  readonly held: Held;
  readonly looks: readonly Ohms[];
  readonly #ends: ReadonlySet<string>;
  /** The first circuit that was seen, the sound one of a dictionary: most faults leave it as it is without power. */
  #first: { readonly network: DeadNetwork; readonly sights: readonly Sight[] } | undefined;

  constructor(held: Held, looks: readonly Ohms[]) {
    this.held = held;
    this.looks = looks;
    this.#ends = new Set(looks.flatMap(({ red, black }) => [red, black]));
  }

  /** In the order of the looks. */
  sights(netlist: Netlist): readonly Sight[] {
    if (this.#first?.network.isOf(netlist)) return this.#first.sights;
    const network = new DeadNetwork(netlist, this.#ends);
    const sights = this.looks.map(({ red, black }) => ohmsSight(network, red, black));
    this.#first ??= { network, sights };
    return sights;
  }
}

const ohmsAmong = oncePer((looks: readonly Look[]): readonly OhmsLooks[] => {
  const byHeld = new Map<Held, Ohms[]>();
  for (const look of looks) {
    if (look.kind !== 'ohms') continue;
    const held = heldState(look.state) ?? 'away';
    byHeld.set(held, [...(byHeld.get(held) ?? []), look]);
  }
  return [...byHeld].map(([held, ohms]) => new OhmsLooks(held, ohms));
});

function ohmsSight(network: DeadNetwork, red: string, black: string): Sight {
  const { min, max } = network.between(red, black);
  return {
    kind: 'ohms',
    min: isBeyond(min) ? ELECTRONICS / 2 : 0.8 * min,
    max: isBeyond(max) ? NOTHING_CONDUCTS : 1.25 * max + 0.5,
  };
}
