import { fileName } from '@keypost/core/lists';
import { saveFile } from '../data/saveFile';

const SVG = 'http://www.w3.org/2000/svg';

/** The drawing as an SVG file of its own: its size, a ground, and families of letters that every viewer has. */
function drawingFile(drawn: SVGSVGElement, title: string, ground: string): string {
  const svg = drawn.cloneNode(true) as SVGSVGElement;
  const { width, height } = drawn.viewBox.baseVal ?? { width: 0, height: 0 };
  svg.setAttribute('xmlns', SVG);
  if (width > 0) {
    svg.setAttribute('width', String(width));
    svg.setAttribute('height', String(height));
  }
  svg.removeAttribute('style');
  const name = document.createElementNS(SVG, 'title');
  name.textContent = title;
  const rect = document.createElementNS(SVG, 'rect');
  for (const [key, value] of [
    ['width', '100%'],
    ['height', '100%'],
    ['fill', ground],
  ] as const)
    rect.setAttribute(key, value);
  svg.prepend(name, rect);
  svg.querySelectorAll<SVGElement>('text, tspan').forEach(withOpenLetters);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(svg)}\n`;
}

/** Families that a viewer without our letters has, by whether each letter is as wide as the others. */
const OPEN = {
  mono: 'Atkinson Hyperlegible Mono, Liberation Mono, DejaVu Sans Mono, monospace',
  word: 'Atkinson Hyperlegible Next, Liberation Sans, DejaVu Sans, sans-serif',
};

/**
 * Our families are called after their weight, and the page asks for them in a style: whoever has no such families would
 * lose the weight too, and not every renderer reads styles.
 */
function withOpenLetters(text: SVGElement): void {
  const { fontFamily, fontSize } = text.style;
  const own = fontFamily || text.getAttribute('font-family') || '';
  text.removeAttribute('style');
  if (own !== '') {
    text.setAttribute('font-family', /Mono/.test(own) ? OPEN.mono : OPEN.word);
    text.setAttribute('font-weight', /_(\d{3})/.exec(own)?.[1] ?? '400');
  }
  if (fontSize !== '') text.setAttribute('font-size', fontSize);
}

/** Gives the drawing that stands in a view to the browser as an SVG file. */
export function saveDrawing(view: unknown, title: string, ground: string): void {
  const drawn = view instanceof HTMLElement ? view.querySelector('svg') : null;
  if (drawn) saveFile(fileName(title, 'svg'), 'image/svg+xml', drawingFile(drawn, title, ground));
}
