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
  for (const text of svg.querySelectorAll('[font-family]'))
    text.setAttribute('font-family', `${text.getAttribute('font-family')}, sans-serif`);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(svg)}\n`;
}

/** Gives the drawing that stands in a view to the browser as an SVG file. */
export function saveDrawing(view: unknown, title: string, ground: string): void {
  const drawn = view instanceof HTMLElement ? view.querySelector('svg') : null;
  if (drawn) saveFile(fileName(title, 'svg'), 'image/svg+xml', drawingFile(drawn, title, ground));
}
