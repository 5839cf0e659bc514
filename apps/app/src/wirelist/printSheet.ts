import { textOf } from '@keypost/core/messages';
import type { SheetPart } from '@keypost/core/planning';

const STYLE = `
  @page { size: A4; margin: 14mm; }
  body { font: 11pt 'Atkinson Hyperlegible Next', 'Segoe UI', sans-serif; color: #000; }
  h1 { font-size: 16pt; margin: 0 0 6mm; }
  section { break-inside: avoid; margin-bottom: 7mm; }
  h2 { font-size: 12pt; margin: 0 0 1.5mm; }
  h2 small { font-weight: normal; }
  table { border-collapse: collapse; width: 100%; }
  th, td { border: 0.3mm solid #000; padding: 1mm 2mm; text-align: left; vertical-align: top; }
  th { font-weight: 600; }
  td.done { width: 9mm; }
`;

/**
 * Writes the terminal sheet into a document: one table a part, with a box to tick at each wire.
 * Texts go in as texts, so nothing in a job can be taken for markup.
 */
export function writeSheet(page: Document, title: string, parts: readonly SheetPart[]): void {
  const put = (parent: Element, name: string, text = ''): HTMLElement => {
    const element = page.createElement(name);
    element.textContent = text;
    parent.append(element);
    return element;
  };
  page.title = title;
  put(page.head, 'style', STYLE);
  put(page.body, 'h1', title);
  for (const part of parts.filter(({ terminals }) => terminals.some(({ wires }) => wires.length))) {
    const section = put(page.body, 'section');
    put(put(section, 'h2', `${part.tag} `), 'small', part.kind);
    const table = put(section, 'table');
    const head = put(put(table, 'thead'), 'tr');
    for (const name of ['Terminal', 'What', 'Wire', 'Colour', 'To', 'Cable', 'Done']) put(head, 'th', name);
    const body = put(table, 'tbody');
    for (const terminal of part.terminals)
      for (const wire of terminal.wires.length ? terminal.wires : [undefined]) {
        const row = put(body, 'tr');
        put(row, 'td', terminal.printed ? `${terminal.name} (${terminal.printed})` : terminal.name);
        put(row, 'td', textOf(terminal.words));
        put(row, 'td', wire?.number ?? '');
        put(row, 'td', wire?.colour ?? '');
        put(row, 'td', wire?.to ?? 'free');
        put(row, 'td', wire?.cable ?? '');
        put(row, 'td').className = 'done';
      }
  }
}

/** Prints the terminal sheet from a frame of its own, so that the page stays as it is. */
export function printSheet(title: string, parts: readonly SheetPart[]): void {
  const frame = document.createElement('iframe');
  frame.title = 'Terminal sheet';
  frame.style.cssText = 'position:fixed;width:0;height:0;border:0';
  document.body.append(frame);
  const { contentDocument, contentWindow } = frame;
  if (!contentDocument || !contentWindow) return;
  writeSheet(contentDocument, title, parts);
  contentWindow.onafterprint = () => frame.remove();
  contentWindow.print();
}
