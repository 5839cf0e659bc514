import { create } from 'qrcode';

/** What a label says, and where its code leads. */
export interface Label {
  readonly tag: string;
  readonly name: string;
  readonly address: string;
}

/** A kind of label, in mm. */
export interface LabelSize {
  readonly width: number;
  readonly height: number;
}

export const LABEL_SIZES = {
  small: { width: 60, height: 22 },
  large: { width: 90, height: 38 },
} as const satisfies Record<string, LabelSize>;

/** What can be printed on of an A4 page, mm. */
const PAGE = { width: 186, height: 262 };

/** Families that a viewer without the fonts of the application has too. */
const WORDS = 'font-family="\'Atkinson Hyperlegible Next\', sans-serif"';

/** About how wide a letter is, of its height. */
const LETTER = 0.56;
const NAME_LINES = 2;

const escaped = (text: string): string => text.replace(/[<>&"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** Words of a text in lines of so many letters; the last one ends with … where more would follow. */
export function linesOf(text: string, letters: number, most = NAME_LINES): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= letters)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  const shown = lines
    .slice(0, most)
    .map((line) => (line.length > letters ? `${line.slice(0, letters - 1)}…` : line));
  const end = shown.at(-1);
  if (lines.length > most && end !== undefined && !end.endsWith('…'))
    shown[most - 1] = `${end.slice(0, letters - 1)}…`;
  return shown;
}

/** The dark squares of a code (ISO/IEC 18004, error correction M), one unit each, and how many stand side by side. */
export function squaresOf(text: string): { readonly path: string; readonly size: number } {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  let path = '';
  for (let y = 0; y < modules.size; y++)
    for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) path += `M${x} ${y}h1v1h-1z`;
  return { path, size: modules.size };
}

/** Modules left white round a code: four, as the standard asks. */
const QUIET = 4;

function labelAt({ tag, name, address }: Label, { width, height }: LabelSize, x: number, y: number): string {
  const { path, size } = squaresOf(address);
  const side = height - 2;
  const unit = side / (size + 2 * QUIET);
  const left = side + 2;
  const tagSize = Math.min(height * 0.26, (width - left - 1) / (Math.max(tag.length, 1) * LETTER));
  const nameSize = height * 0.13;
  const lines = linesOf(name, Math.floor((width - left - 1) / (nameSize * LETTER)));
  const texts = [
    `<text x="${left}" y="${height * 0.42}" font-size="${tagSize.toFixed(2)}" font-weight="700" ${WORDS}>${escaped(tag)}</text>`,
    ...lines.map(
      (line, i) =>
        `<text x="${left}" y="${(height * 0.62 + i * nameSize * 1.25).toFixed(2)}" font-size="${nameSize.toFixed(2)}" ${WORDS}>${escaped(line)}</text>`,
    ),
  ];
  return [
    `<g transform="translate(${x} ${y})">`,
    `<rect width="${width}" height="${height}" fill="#fff" stroke="#999" stroke-width="0.2"/>`,
    `<path transform="translate(${1 + QUIET * unit} ${1 + QUIET * unit}) scale(${unit.toFixed(5)})" d="${path}"/>`,
    ...texts,
    '</g>',
  ].join('');
}

/** How many labels stand on a page. */
export const labelsOnPage = ({ width, height }: LabelSize): number =>
  Math.floor(PAGE.width / width) * Math.floor(PAGE.height / height);

/** Labels as pages of SVG, each as large as what can be printed on of A4; cut along the fine lines. */
export function labelPages(labels: readonly Label[], size: LabelSize): string[] {
  const across = Math.floor(PAGE.width / size.width);
  const each = labelsOnPage(size);
  return Array.from({ length: Math.ceil(labels.length / each) }, (_, page) => {
    const own = labels.slice(page * each, (page + 1) * each);
    const drawn = own.map((label, i) =>
      labelAt(label, size, (i % across) * size.width, Math.floor(i / across) * size.height),
    );
    const height = Math.ceil(own.length / across) * size.height;
    return `<svg xmlns="http://www.w3.org/2000/svg" width="${PAGE.width}mm" height="${height}mm" viewBox="0 0 ${PAGE.width} ${height}"><title>Labels ${page + 1}</title>${drawn.join('')}</svg>\n`;
  });
}
