import { nth } from '../../lists/index.ts';
import type { FaceGlyph, FaceRow } from '../../catalog/index.ts';
import { nodesOf } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import { formatOhms } from '../../units/index.ts';

/** Elements that stand for a part's own needs and are not drawn, unless nothing else shows their terminals. */
const QUIET =
  /^(supply|leak|stage|screen|terminated|fed|cq)$|^load\d$|-tie$|-sense[+-]$|-burnout$|-load$|^suppressor$/;

const inside = (node: string): boolean => node.startsWith('~');

/**
 * The lines in which a part is drawn when it says nothing about that itself: one for every element, or chain of
 * elements, between two terminals; an output is a line with its terminal in the middle.
 */
export function faceOf(elements: readonly Element[]): FaceRow[] {
  const drawn = elements.filter(({ id, kind }) => kind !== 'detector' && kind !== 'latch' && !QUIET.test(id));
  const rows: FaceRow[] = [];
  const used = new Set<Element>();
  for (const element of drawn) {
    if (used.has(element)) continue;
    if (element.kind === 'output') {
      used.add(element);
      rows.push(outputRow(element));
      continue;
    }
    if (nodesOf(element).every(inside)) continue;
    rows.push(chainFrom(element, drawn, used));
  }
  return rows;
}

function outputRow(output: Extract<Element, { kind: 'output' }>): FaceRow {
  return {
    a: output.plus,
    b: output.minus,
    middle: output.out,
    ...(output.style !== 'npn' && { glyph: { kind: 'slot', id: `${output.id}/high` } }),
    ...(output.style !== 'pnp' && { second: { kind: 'slot', id: `${output.id}/low` } }),
  };
}

/** Lines as a part says them, with each output switching to the side, or the sides, that were chosen of it. */
export const faceAsChosen = (face: readonly FaceRow[], elements: readonly Element[]): FaceRow[] =>
  face.map((row) => {
    const output = elements.find(
      (element) => element.kind === 'output' && row.glyph?.id === `${element.id}/high`,
    );
    if (output?.kind !== 'output' || row.middle !== output.out) return row;
    const { glyph, second } = outputRow(output);
    const { glyph: said, ...rest } = row;
    return {
      ...rest,
      ...(glyph && { glyph: { ...said, ...glyph } }),
      ...(second && { second: { ...(!glyph && said), ...second } }),
    };
  });

/** Follows a chain through the nodes inside until it comes out at a terminal. */
function chainFrom(first: Element, drawn: readonly Element[], used: Set<Element>): FaceRow {
  const chain = [first];
  used.add(first);
  const [one, two] = nodesOf(first) as [string, string];
  const a = inside(one) ? two : one;
  let end = inside(one) ? one : two;
  while (inside(end)) {
    const next = drawn.find(
      (element) => !used.has(element) && element.kind !== 'output' && nodesOf(element).includes(end),
    );
    if (!next) break;
    used.add(next);
    chain.push(next);
    const [p, q] = nodesOf(next) as [string, string];
    end = p === end ? q : p;
  }
  const telling = nth(
    chain.map(glyphOf).sort((x, y) => RANK[x.kind] - RANK[y.kind]),
    0,
  );
  return { a, ...(!inside(end) && { b: end }), glyph: telling };
}

/** Of a chain the most telling part is drawn. */
const RANK: Readonly<Record<FaceGlyph['kind'], number>> = {
  slot: 0,
  opto: 1,
  coil: 2,
  lamp: 3,
  signal: 4,
  resistor: 5,
  diode: 6,
  state: 7,
  line: 8,
};

function glyphOf(element: Element): FaceGlyph {
  const { id } = element;
  switch (element.kind) {
    case 'switch':
    case 'twoWire':
      return { kind: 'slot', id };
    case 'optocoupler':
      return { kind: 'opto', id, text: formatOhms(element.seriesOhms.nom) };
    case 'transmitter':
      return { kind: 'signal', id };
    case 'diode':
      return { kind: /diode$/.test(id) ? 'lamp' : 'diode', id };
    case 'resistor':
      return /winding$/.test(id)
        ? { kind: 'coil', id, text: formatOhms(element.ohms.nom) }
        : /-part$/.test(id)
          ? { kind: 'lamp', id }
          : { kind: 'resistor', id, text: formatOhms(element.ohms.nom) };
    default:
      return { kind: 'line', id };
  }
}
