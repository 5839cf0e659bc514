import type { LoopView, ViewWire } from '@keypost/core/presentation';
import type { Frame, Placed, PlacedTerminal, RoutedWire, Side, Spot } from './sheet';
import { LANE_STEP } from './sheet';

interface Routed {
  readonly wires: readonly RoutedWire[];
  readonly lanes: { readonly left: number; readonly right: number };
}

/** An upright piece beside the plates, with the heights between which it runs. */
interface Lane {
  readonly index: number;
  readonly from: number;
  readonly to: number;
  /** Terminals whose wires run in it: wires that share one may share the lane. */
  readonly refs: readonly string[];
}

/** Finds the way of every wire: straight to a rail, straight down, or along a lane beside the plates. */
export function routeWires(view: LoopView, placed: Placed, frame: Frame): Routed {
  const router = new Router(placed, frame);
  const wires = view.wires.flatMap((wire) => router.route(wire) ?? []);
  return { wires, lanes: router.count() };
}

const STEP_ASIDE = 14;

class Router {
  private readonly spots: ReadonlyMap<string, PlacedTerminal>;
  private readonly placed: Placed;
  private readonly frame: Frame;
  private readonly taken: Record<Side, Lane[]> = { left: [], right: [] };
  private readonly crossings = new Map<number, number>();

  constructor(placed: Placed, frame: Frame) {
    this.placed = placed;
    this.frame = frame;
    this.spots = new Map(placed.sheet.terminals.map((spot) => [spot.terminal.ref, spot]));
  }

  count(): Routed['lanes'] {
    const max = (side: Side): number => this.taken[side].reduce((n, { index }) => Math.max(n, index + 1), 0);
    return { left: max('left'), right: max('right') };
  }

  route(wire: ViewWire): RoutedWire | undefined {
    const rail = this.frame.rails.find(({ ref }) => ref === wire.from || ref === wire.to);
    const from = this.spots.get(wire.from);
    const to = this.spots.get(wire.to);
    if (rail) {
      const spot = from ?? to;
      if (!spot) return undefined;
      const points = this.toRail(spot, rail);
      return { wire, points: spot === from ? points : [...points].reverse() };
    }
    if (!from || !to) return undefined;
    if (from.x === to.x && isUpright(from) && isUpright(to)) return { wire, points: [from, to] };
    return { wire, points: this.between(from, to) };
  }

  private toRail(spot: PlacedTerminal, rail: { x: number; side: Side }): Spot[] {
    if (spot.at === rail.side) return [spot, { x: rail.x, y: spot.y }];
    if (isUpright(spot)) {
      const y = spot.at === 'below' ? spot.y + STEP_ASIDE : spot.y - STEP_ASIDE;
      return [spot, { x: spot.x, y }, { x: rail.x, y }];
    }
    // Round the plate: out, down beside it, across below it.
    const y = this.spaceNear(spot);
    const x = this.lane(spot.at as Side, spot.y, y, [spot.terminal.ref]);
    return [spot, { x, y: spot.y }, { x, y }, { x: rail.x, y }];
  }

  private between(from: PlacedTerminal, to: PlacedTerminal): Spot[] {
    const refs = [from.terminal.ref, to.terminal.ref];
    const a = this.leave(from, to);
    const b = this.leave(to, from);
    if (a.side === b.side) {
      const x = this.lane(a.side, a.spot.y, b.spot.y, refs);
      return [from, a.spot, { x, y: a.spot.y }, { x, y: b.spot.y }, b.spot, to];
    }
    const upper = from.y <= to.y ? from : to;
    const y = this.spaceNear(upper);
    const xa = this.lane(a.side, a.spot.y, y, refs);
    const xb = this.lane(b.side, b.spot.y, y, refs);
    return [
      from,
      a.spot,
      { x: xa, y: a.spot.y },
      { x: xa, y },
      { x: xb, y },
      { x: xb, y: b.spot.y },
      b.spot,
      to,
    ];
  }

  /** Where a wire leaves a terminal sideways; one below or above its plate first goes a little on. */
  private leave(spot: PlacedTerminal, far: PlacedTerminal): { spot: Spot; side: Side } {
    if (!isUpright(spot)) return { spot, side: spot.at as Side };
    const side: Side = far.at === 'left' ? 'left' : 'right';
    return { spot: { x: spot.x, y: spot.y + (spot.at === 'below' ? STEP_ASIDE : -STEP_ASIDE) }, side };
  }

  /** A height in the space below the plate of a terminal that no other wire crosses at. */
  private spaceNear(spot: Spot): number {
    const plate = this.placed.sheet.plates.find((p) => spot.y >= p.y - 1 && spot.y <= p.y + p.height + 1);
    const foot = plate ? plate.y + plate.height : spot.y;
    const n = this.crossings.get(foot) ?? 0;
    this.crossings.set(foot, n + 1);
    return foot + 9 + n * 9;
  }

  /** The innermost free lane on a side between two heights. @returns its x. */
  private lane(side: Side, y1: number, y2: number, refs: readonly string[]): number {
    const [from, to] = y1 < y2 ? [y1, y2] : [y2, y1];
    const lanes = this.taken[side];
    let index = 0;
    const blocked = (lane: Lane): boolean =>
      lane.index === index &&
      lane.from < to + 6 &&
      lane.to > from - 6 &&
      !lane.refs.some((ref) => refs.includes(ref));
    while (lanes.some(blocked)) index++;
    lanes.push({ index, from, to, refs });
    const off = 18 + index * LANE_STEP;
    return side === 'left' ? this.frame.left - off : this.frame.right + off;
  }
}

const isUpright = ({ at }: PlacedTerminal): boolean => at === 'above' || at === 'below';
