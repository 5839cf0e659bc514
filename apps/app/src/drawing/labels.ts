import { nth, sure } from '@keypost/core/lists';
import type { LoopView } from '@keypost/core/presentation';
import { bodies, fixedTexts } from './fixedMarks';
import { boxOf } from './lettering';
import type {
  ArrowSpot,
  Box,
  Choices,
  Letters,
  LoopLayout,
  Placed,
  PlacedRail,
  RoutedWire,
  Shows,
  Spot,
  ValueSpot,
} from './sheet';
import { captionChoices, nameChoices } from './textChoices';
import { valueChoices } from './valueChoices';
import { arrowChoices, labelChoices } from './wireChoices';
import type { WireLabel } from './wireChoices';

interface Unwritten {
  readonly view: LoopView;
  readonly shows: Shows;
  readonly rails: readonly PlacedRail[];
  readonly placed: Placed;
  readonly wires: readonly RoutedWire[];
  readonly width: number;
}

interface Written extends Pick<LoopLayout, 'texts' | 'values' | 'wires'> {
  /** By how much what is written covers something else; 0 where nothing does. */
  readonly covered: number;
}

/** How much two boxes cover each other. */
export function overlap(a: Box, b: Box): number {
  const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const down = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  return across > 0 && down > 0 ? across * down : 0;
}

/**
 * Writes names, values, wires' letters and arrowheads so that none stands on another, on a terminal or on a part. Each
 * takes its best free place; then each is looked at again, as often as somebody moves.
 */
export function writeBeside({ view, shows, rails, placed, wires, width }: Unwritten): Written {
  const { sheet, signal, bottom } = placed;
  const fixed = fixedTexts(view, rails, sheet);
  const writer = new Writer(
    [...bodies(sheet), ...fixed.map(boxOf)],
    [...wires, ...sheet.inner].flatMap(({ points }) => linesAlong(points)),
    { width, height: bottom + 32 },
  );
  const names = sheet.terminals.flatMap((terminal) => nameChoices(terminal, shows)).map(writer.add);
  const captions = sheet.glyphs.flatMap(captionChoices).map(writer.add);
  const values = writer.add(valueChoices(view, signal, width));
  const labels = wires.map((wire) => writer.add(labelChoices(wire)));
  const arrows = wires.map((wire) => writer.add(arrowChoices(wire)));
  const covered = writer.settle();
  const at = <T>(item: Item<T>): T | undefined => item.choices.placeAt(item.at);
  return {
    covered,
    texts: [...fixed, ...[...names, ...captions].flatMap((item) => at<Letters>(item) ?? [])],
    values: at<readonly ValueSpot[]>(values) ?? [],
    wires: wires.map((wire, i) => ({
      ...wire,
      ...(at<WireLabel>(nth(labels, i)) ?? { letters: [] }),
      arrow: at<ArrowSpot>(nth(arrows, i)),
    })),
  };
}

/** The lines of a way, as wide as they are drawn. */
const linesAlong = (points: readonly Spot[]): Box[] =>
  points.slice(1).map((b, i) => {
    const a = nth(points, i);
    return {
      x: Math.min(a.x, b.x) - 4,
      y: Math.min(a.y, b.y) - 4,
      width: Math.abs(a.x - b.x) + 8,
      height: Math.abs(a.y - b.y) + 8,
    };
  });

interface Item<T> {
  readonly choices: Choices<T>;
  /** What each place takes and costs whatever else is written, once it was asked for. */
  readonly prices: (Price | undefined)[];
  at: number;
  /** What it takes where it stands; nothing before it stands anywhere. */
  room: readonly Box[];
}

/** What a place takes, and what it costs before anything else stands there. */
interface Price {
  readonly room: readonly Box[];
  readonly covered: number;
  readonly lines: number;
  readonly later: number;
  readonly beyond: number;
}

/** What a place costs where it covers so much. Nothing of it is ever less than nothing. */
const costOf = ({ lines, later, beyond }: Price, covered: number): number =>
  10 * covered + lines + later + beyond;

/** What a place costs beside what it covers: a line behind it, a place less good. */
const LINE = 0.35;
const LATER = 0.4;
const laterCost = (at: number): number => LATER * Math.min(at, 40);
/** Nothing moves more often than so many times. */
const ROUNDS = 4;
/** What leaves the sheet is covered by its edge. */
const OUTSIDE = 20;

class Writer {
  private readonly items: Item<never>[] = [];
  private readonly standing: readonly Box[];
  private readonly lines: readonly Box[];
  private readonly size: { readonly width: number; readonly height: number };

  constructor(
    standing: readonly Box[],
    lines: readonly Box[],
    size: { readonly width: number; readonly height: number },
  ) {
    this.standing = standing;
    this.lines = lines;
    this.size = size;
  }

  add = <T>(choices: Choices<T>): Item<T> => {
    const item: Item<T> = { choices, prices: [], at: 0, room: [] };
    this.items.push(item as unknown as Item<never>);
    return item;
  };

  /** Finds a place for each. @returns by how much they cover something all together. */
  settle(): number {
    const open = this.items.filter(({ choices }) => choices.count > 0);
    const byChoice = [...open].sort((a, b) => a.choices.count - b.choices.count);
    for (const item of byChoice) this.move(item);
    for (let round = 0; round < ROUNDS; round++) {
      const moved = byChoice.filter((item) => this.covers(item.room, item) > 0 && this.move(item));
      if (!moved.length) break;
    }
    return open.reduce((sum, item) => sum + this.covers(item.room, item), 0);
  }

  /** Puts one where it costs least. @returns whether it stands elsewhere now. */
  private move(item: Item<never>): boolean {
    let best = { at: item.at, cost: Infinity, room: item.room };
    for (let at = 0; at < item.choices.count; at++) {
      // Whatever comes later is no better.
      if (laterCost(at) >= best.cost) break;
      const price = (item.prices[at] ??= this.priceOf(item, at));
      const cost = this.costBelow(best.cost, price, item);
      if (cost < best.cost) best = { at, cost, room: price.room };
    }
    const moved = best.at !== item.at || item.room.length === 0;
    item.at = best.at;
    item.room = best.room;
    return moved;
  }

  private priceOf({ choices }: Item<never>, at: number): Price {
    const room = choices.roomOf(sure(choices.placeAt(at)));
    return {
      room,
      covered: sum(room, this.standing),
      lines: LINE * sum(room, this.lines),
      later: laterCost(at),
      beyond: this.beyond(room),
    };
  }

  /** What a place costs, or anything not below a limit where that is passed on the way. */
  private costBelow(limit: number, price: Price, own: Item<never>): number {
    let { covered } = price;
    let cost = costOf(price, covered);
    for (const other of this.items) {
      if (cost >= limit) return cost;
      if (other === own) continue;
      covered += sum(price.room, other.room);
      cost = costOf(price, covered);
    }
    return cost;
  }

  private covers(room: readonly Box[], own: Item<never>): number {
    let all = sum(room, this.standing);
    for (const other of this.items) if (other !== own) all += sum(room, other.room);
    return 10 * all;
  }

  private beyond(room: readonly Box[]): number {
    const { width, height } = this.size;
    const out = ({ x, y, width: w, height: h }: Box): number =>
      Math.max(0, -x) + Math.max(0, x + w - width) + Math.max(0, -y) + Math.max(0, y + h - height);
    return OUTSIDE * room.reduce((all, box) => all + out(box), 0);
  }
}

const sum = (boxes: readonly Box[], others: readonly Box[]): number => {
  let all = 0;
  for (const box of boxes) for (const other of others) all += overlap(box, other);
  return all;
};
