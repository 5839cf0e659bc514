import { sure } from '@keypost/core/lists';
import type { LoopView } from '@keypost/core/presentation';
import { arrange, railSide } from './arrange';
import type { ArrangedCard, ArrangedRow } from './arrange';
import { writeBeside } from './labels';
import { routeWires } from './routes';
import { LANE_STEP } from './sheet';
import type {
  Box,
  Frame,
  Gap,
  InnerLine,
  LoopLayout,
  Placed,
  PlacedCard,
  PlacedGlyph,
  PlacedRail,
  PlacedTerminal,
  Shows,
  Spot,
} from './sheet';

const WIDTH = 366;
const MIDDLE = WIDTH / 2;
const TOP = 42;
/** Rails stand this far from the edge, and from each other. */
const RAIL_EDGE = 14;
const RAIL_STEP = 17;
/** From the innermost rail to the plates, without lanes. */
const GUTTER = 54;
const HEAD = 54;
const ROW = 46;
const PAD = 14;
/** Heights of the space below a plate: with a straight wire and its values, with one, and without. */
const SPACES = { values: 84, stem: 52, none: 30 } as const;
const EMPTY_HEIGHT = 96;
/** A line that ends inside a plate stops this far from its edge. */
const INSIDE = 24;
/** How much more room rows and spaces get, one after the other, until nothing stands on anything. */
const ROOM = [1, 1.2, 1.45] as const;

/**
 * Places a loop: rails upright at the sides, the field device above, what it leads to below it, straight wires where
 * plates follow each other and lanes beside the plates for the others. Longer loops grow downwards.
 */
export function layOut(view: LoopView, shows: Shows = 'names'): LoopLayout {
  let best: { layout: LoopLayout; covered: number } | undefined;
  for (const room of ROOM) {
    const made = layOutIn(view, shows, room);
    if (made.covered < (best?.covered ?? Infinity)) best = made;
    if (made.covered === 0) break;
  }
  return sure(best).layout;
}

function layOutIn(view: LoopView, shows: Shows, room: number): { layout: LoopLayout; covered: number } {
  const arranged = arrange(view);
  const rails = placeRails(view);
  const narrow = frameOf(rails, 0, 0);
  const lanes = routeWires(view, place(view, arranged, narrow, room), narrow).lanes;
  const frame = frameOf(rails, lanes.left, lanes.right);
  const placed = place(view, arranged, frame, room);
  const { wires } = routeWires(view, placed, frame);
  const { covered, ...written } = writeBeside({ view, shows, rails, placed, wires, width: WIDTH });
  return {
    covered,
    layout: {
      width: WIDTH,
      height: placed.bottom + 32,
      top: TOP - 10,
      bottom: placed.bottom + 12,
      rails,
      ...placed.sheet,
      ...written,
    },
  };
}

function placeRails({ rails }: LoopView): PlacedRail[] {
  const count = { left: 0, right: 0 };
  return rails.map(({ ref, rail }) => {
    const side = railSide(rail);
    const at = RAIL_EDGE + RAIL_STEP * count[side]++;
    return { ref, side, x: side === 'left' ? at : WIDTH - at };
  });
}

function frameOf(rails: readonly PlacedRail[], left: number, right: number): Frame {
  const inner = (side: 'left' | 'right'): number =>
    RAIL_EDGE + RAIL_STEP * Math.max(0, rails.filter((rail) => rail.side === side).length - 1);
  return {
    left: inner('left') + Math.max(GUTTER, 40 + LANE_STEP * left),
    right: WIDTH - inner('right') - Math.max(GUTTER, 40 + LANE_STEP * right),
    rails,
  };
}

function place(view: LoopView, arranged: readonly ArrangedCard[], frame: Frame, room: number): Placed {
  const sheet = new Sheet(frame, room);
  let y = TOP;
  let signal: Placed['signal'] = { x: MIDDLE, y: TOP, named: false };
  arranged.forEach((plate, i) => {
    const box = sheet.plate(plate, y);
    y = box.y + box.height;
    const down = plate.rows.at(-1)?.down;
    const next = arranged[i + 1];
    if (i === 0) signal = { x: MIDDLE, y: y + 42 * room, named: down?.ref !== view.signal.ref };
    if (next) y += room * (i === 0 ? SPACES.values : down?.wired ? SPACES.stem : SPACES.none);
  });
  if (
    arranged.length === 1 &&
    !view.wires.some(({ from, to }) => from === view.signal.ref || to === view.signal.ref)
  ) {
    const empty: Box = {
      x: frame.left,
      y: y + SPACES.values,
      width: frame.right - frame.left,
      height: EMPTY_HEIGHT,
    };
    sheet.empty = empty;
    y = empty.y + empty.height;
  }
  return { sheet, bottom: y, signal };
}

/** Where the ends and the middle of a row are. */
interface RowSpots {
  readonly left?: Spot;
  readonly right?: Spot;
  readonly top?: Spot;
  readonly foot?: Spot;
  readonly centre: Spot;
}

class Sheet {
  readonly plates: PlacedCard[] = [];
  readonly terminals: PlacedTerminal[] = [];
  readonly glyphs: PlacedGlyph[] = [];
  readonly inner: InnerLine[] = [];
  readonly gaps: Gap[] = [];
  empty?: Box;
  private readonly frame: Frame;
  private readonly rowHeight: number;
  private readonly known = new Map<string, Spot>();

  constructor(frame: Frame, room: number) {
    this.frame = frame;
    this.rowHeight = Math.round(ROW * room);
  }

  plate({ plate, rows }: ArrangedCard, y: number): PlacedCard {
    const { left, right } = this.frame;
    const goesUp = rows[0]?.up !== undefined;
    const goesDown = rows.at(-1)?.down !== undefined;
    const head = goesUp && !goesDown ? 'bottom' : 'top';
    const crossed = head === 'top' ? goesUp : goesDown;
    const height = HEAD + rows.length * this.rowHeight + (rows.length ? 0 : PAD);
    const width = right - left;
    const box: PlacedCard = {
      plate,
      x: left,
      y,
      width,
      height,
      head,
      crossed,
    };
    this.plates.push(box);
    const first = y + (head === 'top' ? HEAD : 0) + this.rowHeight / 2 + (head === 'top' ? -6 : 4);
    rows.forEach((row, i) => this.row(row, first + i * this.rowHeight, box, plate.title));
    return box;
  }

  private row(arranged: ArrangedRow, y: number, box: Box, owner: string): void {
    const { up, down } = arranged;
    const top = up && this.stemEnd(up, { x: MIDDLE, y: box.y }, 'above', owner);
    const left = this.end(arranged.left, { x: box.x, y }, 'left', owner);
    const right = this.end(arranged.right, { x: box.x + box.width, y }, 'right', owner);
    const foot = down && this.stemEnd(down, { x: MIDDLE, y: box.y + box.height }, 'below', owner);
    const spots = { left, right, top, foot, centre: { x: MIDDLE, y } };
    if (!up && !down) this.across(arranged, spots);
    else if (top && foot && !left && !right) this.through(arranged, spots);
    else this.bent(arranged, spots, { x: box.x + box.width - INSIDE, y });
  }

  /** A row from side to side. */
  private across({ row, turned }: ArrangedRow, { left, right, centre }: RowSpots): void {
    this.line([left, right], (row.glyph?.amps ?? 0) * (turned ? -1 : 1));
    if (row.glyph) this.glyphs.push({ glyph: row.glyph, upright: false, ...centre });
  }

  /** A row that comes in above and leaves below. */
  private through({ row, up }: ArrangedRow, { top, foot, centre }: RowSpots): void {
    this.line([top, foot], (row.glyph?.amps ?? 0) * (up === row.a ? 1 : -1));
    if (row.glyph) this.glyphs.push({ glyph: row.glyph, upright: true, ...centre });
  }

  /** A row that goes from a side to the middle and out there; one with a terminal in its middle from both sides. */
  private bent({ row, up, down, turned }: ArrangedRow, spots: RowSpots, inside: Spot): void {
    const { left, right, top, foot, centre } = spots;
    const stem = sure(up ? top : foot);
    if (row.middle) {
      const [near, far] = turned ? [row.second, row.glyph] : [row.glyph, row.second];
      this.half(left, near, centre, stem, (near?.amps ?? 0) * (turned ? -1 : 1));
      this.half(right, far, centre, stem, (far?.amps ?? 0) * (turned ? 1 : -1));
      return;
    }
    const outwards = ((up ?? down) === row.a ? 1 : -1) * (row.glyph?.amps ?? 0);
    this.half(left ?? right ?? inside, row.glyph, centre, stem, -outwards);
    if (up && down) this.line([centre, foot], 0);
  }

  /** A line from a side over a glyph to the middle and out along the stem; `amps` counts from the side inwards. */
  private half(
    side: Spot | undefined,
    glyph: PlacedGlyph['glyph'] | undefined,
    centre: Spot,
    stem: Spot,
    amps: number,
  ): void {
    if (!side || !glyph) return;
    this.line([side, centre, stem], amps);
    this.glyphs.push({ glyph, upright: false, x: (side.x + centre.x) / 2, y: centre.y });
  }

  private line(points: readonly (Spot | undefined)[], amps: number): void {
    const there = points.filter((point) => point !== undefined);
    if (there.length > 1) this.inner.push({ points: there, amps });
  }

  private end(
    terminal: ArrangedRow['left'],
    at: Spot,
    side: 'left' | 'right',
    owner: string,
  ): Spot | undefined {
    if (!terminal) return undefined;
    const earlier = this.known.get(terminal.ref);
    // A terminal that an earlier row shows already is joined to it along the plate's side.
    if (earlier) {
      const inset = { x: at.x + (side === 'left' ? 26 : -26), y: at.y };
      this.inner.push({ points: [{ x: inset.x, y: earlier.y }, inset], amps: 0 });
      return inset;
    }
    this.known.set(terminal.ref, at);
    this.terminals.push({ terminal, owner, at: side, ...at });
    if (terminal.needed && !terminal.wired)
      this.gaps.push({ from: at, to: { x: at.x + (side === 'left' ? -24 : 24), y: at.y } });
    return at;
  }

  private stemEnd(
    terminal: NonNullable<ArrangedRow['up']>,
    at: Spot,
    where: 'above' | 'below',
    owner: string,
  ): Spot {
    this.known.set(terminal.ref, at);
    this.terminals.push({ terminal, owner, at: where, ...at });
    if (!terminal.wired && terminal.needed)
      this.gaps.push({ from: at, to: { x: at.x, y: at.y + (where === 'below' ? 32 : -24) } });
    return at;
  }
}
