import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';

/** Where a document is not well-formed though its elements close: its line, and what is wrong there. */
interface Flaw {
  readonly line: number;
  readonly what: string;
}

/** Where neither markup nor references are read (XML 1.0, 2.5 to 2.7). */
const PASSED = /<!--[\s\S]*?-->|<!\[CDATA\[[\s\S]*?\]\]>|<\?[\s\S]*?\?>/g;

/** An ampersand that begins no reference (XML 1.0, 4.1), and a bracket in an attribute (3.1). */
const FLAWS: readonly (readonly [RegExp, string])[] = [
  [
    /&(?!(?:[A-Za-z_:][\w:.-]{0,64}|#\d{1,7}|#x[\dA-Fa-f]{1,6});)/,
    'an "&" that begins nothing: it is written "&amp;"',
  ],
  [/=\s*(?:"[^"<]*<|'[^'<]*<)/, 'a "<" within an attribute: it is written "&lt;"'],
];

/** The first thing that programs that go by the standard refuse, and that the check of the elements passes over. */
function flawIn(text: string): Flaw | undefined {
  // Line ends stay, so that lines are counted as somebody sees them.
  const read = text.replace(PASSED, (passed) => passed.replace(/[^\n]/g, ' '));
  const found = FLAWS.flatMap(([flaw, what]) => {
    const at = read.search(flaw);
    return at < 0 ? [] : [{ at, what }];
  }).sort((a, b) => a.at - b.at)[0];
  return found && { line: read.slice(0, found.at).split('\n').length, what: found.what };
}

/**
 * Refuses a description that comes in and that other programs would refuse. One that a job holds already stays: it was
 * taken when nobody looked.
 * @throws JobProblem with its line.
 */
export function refuseFlawed(text: string): void {
  const flaw = flawIn(text);
  if (flaw) refuse(say('ioLink.file-damaged-line', { line: flaw.line, msg: flaw.what }));
}
