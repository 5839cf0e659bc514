import { nth } from '@keypost/core/lists';
import type { LoopView, ViewCard, ViewRow, ViewTerminal } from '@keypost/core/presentation';
import type { Side } from './sheet';

/** How a row lies in its plate: what is at its left, at its right, and what leaves it upwards or downwards. */
export interface ArrangedRow {
  readonly row: ViewRow;
  readonly left?: ViewTerminal;
  readonly right?: ViewTerminal;
  readonly up?: ViewTerminal;
  readonly down?: ViewTerminal;
  /** Whether the row's first end is at the right. */
  readonly turned: boolean;
}

export interface ArrangedCard {
  readonly plate: ViewCard;
  readonly rows: readonly ArrangedRow[];
}

/** Which side of the sheet a rail stands on. */
export const railSide = (rail: string): Side => (rail === '+' || rail === 'L' ? 'left' : 'right');

/**
 * Decides for every row which end lies left and which right, and which wires between neighbouring plates run
 * straight down the middle.
 */
export function arrange(given: LoopView): ArrangedCard[] {
  const view = { ...given, plates: given.plates.map(untangled) };
  const stems = findStems(view);
  const sides = new Map<string, Side>();
  const rails = new Map(view.rails.map(({ ref, rail }) => [ref, railSide(rail)]));
  const wanted = (terminal: ViewTerminal | undefined): number => {
    if (!terminal) return 0;
    let want = 0;
    for (const { from, to } of view.wires) {
      const far = from === terminal.ref ? to : to === terminal.ref ? from : undefined;
      if (far === undefined) continue;
      const rail = rails.get(far);
      const mate = sides.get(far);
      if (rail) want += rail === 'left' ? -3 : 3;
      else if (mate) want += mate === 'left' ? -1 : 1;
    }
    return want;
  };
  return view.plates.map((plate) => ({
    plate,
    rows: plate.rows.map((row) => {
      const arranged = arrangeRow(row, stems, wanted);
      if (arranged.left) sides.set(arranged.left.ref, 'left');
      if (arranged.right) sides.set(arranged.right.ref, 'right');
      return arranged;
    }),
  }));
}

/**
 * Rows in an order and form that can be drawn: one whose middle leaves the plate downwards stands last, and a second
 * one of that kind becomes a line from the first one's end to a terminal at the side.
 */
function untangled(plate: ViewCard): ViewCard {
  const first = plate.rows.find(({ middle }) => middle);
  if (!first) return plate;
  const rest = plate.rows.filter((row) => row !== first).map(sideways);
  return { ...plate, rows: [...rest, first] };
}

function sideways(row: ViewRow): ViewRow {
  const { a, b, middle, glyph, second } = row;
  if (!middle) return row;
  return glyph ? { a, b: middle, glyph } : { a: middle, b, glyph: second };
}

interface Stems {
  readonly up: ReadonlySet<string>;
  readonly down: ReadonlySet<string>;
}

function arrangeRow(
  row: ViewRow,
  { up, down }: Stems,
  wanted: (terminal: ViewTerminal | undefined) => number,
): ArrangedRow {
  const { a, b, middle } = row;
  const stem = (terminal: ViewTerminal | undefined): 'up' | 'down' | undefined =>
    terminal && (up.has(terminal.ref) ? 'up' : down.has(terminal.ref) ? 'down' : undefined);
  const leaving = { up: undefined as ViewTerminal | undefined, down: undefined as ViewTerminal | undefined };
  for (const terminal of [a, b, middle]) {
    const way = stem(terminal);
    if (way) leaving[way] = terminal;
  }
  if (middle && !stem(middle)) leaving.down = middle;
  const first = a && !stem(a) ? a : undefined;
  const last = b && !stem(b) ? b : undefined;
  const turned = wanted(first) - wanted(last) > 0;
  return {
    row,
    ...(turned ? { left: last, right: first } : { left: first, right: last }),
    ...leaving,
    turned,
  };
}

/** One wire between the last row of a plate and the first row of the next runs straight; the first that fits. */
function findStems({ plates, wires }: LoopView): Stems {
  const up = new Set<string>();
  const down = new Set<string>();
  plates.slice(0, -1).forEach((plate, i) => {
    const above = endsOf(plate.rows.at(-1));
    const below = endsOf(nth(plates, i + 1).rows[0]);
    const pair = pairsOf(above, below).find(([top, bottom]) =>
      wires.some(({ from, to }) => (from === top && to === bottom) || (from === bottom && to === top)),
    );
    if (!pair) return;
    const [top, bottom] = pair;
    if (up.has(top)) return;
    down.add(top);
    up.add(bottom);
  });
  return { up, down };
}

/** Every end above with every end below; what can only leave in the middle comes before what could leave sideways. */
const pairsOf = (above: readonly string[], below: readonly string[]): [string, string][] =>
  above.flatMap((top) => below.map((bottom): [string, string] => [top, bottom]));

/** The ends of a row, the one in its middle first, since it cannot go anywhere else. */
function endsOf(row: ViewRow | undefined): string[] {
  if (!row) return [];
  return [row.middle, row.b, row.a].flatMap((terminal) => terminal?.ref ?? []);
}
