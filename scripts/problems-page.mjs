// Writes docs/problems.md: every code of the catalog of messages with its parameters and its sentence.
// Run it with `npx tsx scripts/problems-page.mjs` after a change of packages/core/src/messages.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { CATALOG } from '../packages/core/src/messages/catalog.ts';

/** The sentence of an entry with its parameters in braces, from the source of the function that words it. */
function sentence(entry) {
  if (typeof entry === 'string') return entry;
  const body = entry.toString().replace(/^[^]*?=>\s*/, '');
  return body
    .replace(/\$\{([^{}`]*)\}/g, (_, expression) => `{${expression.trim()}}`)
    .replace(/\\u00a0/gi, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^`([^`]*)`$/, '$1');
}

/** What stands between bars and braces in a table of Markdown. */
const cell = (text) => text.replaceAll('|', '\\|').replaceAll('<', '&lt;');

const parameters = (entry) =>
  typeof entry === 'string'
    ? ''
    : (/^\(?\{([^}]*)\}/.exec(entry.toString())?.[1] ?? '')
        .split(',')
        .map((name) => name.trim())
        .filter(Boolean)
        .join(', ');

const areas = new Map();
for (const code of Object.keys(CATALOG)) {
  const [area] = code.split('.');
  areas.set(area, [...(areas.get(area) ?? []), code]);
}

const page = [
  '# Codes',
  '',
  'Everything that Key Post decides, stores or compares is a code with parameters; the sentence is made at the edge from `packages/core/src/messages`, a file an area. A problem of the server (RFC 9457) has the code behind `/problems/` as its `type`, and code and parameters as `message`; `detail` is the sentence for those who have no catalog. A code never changes once it is out; a sentence may.',
  '',
  'Quantities are in SI units (V, A, Ω, m) unless their name says otherwise. `npx tsx scripts/problems-page.mjs` writes this page, a test compares it with the catalog.',
  '',
  ...[...areas].flatMap(([area, codes]) => [
    `## ${area}`,
    '',
    '| code | parameters | sentence |',
    '| --- | --- | --- |',
    ...codes.map(
      (code) => `| \`${code}\` | ${parameters(CATALOG[code])} | ${cell(sentence(CATALOG[code]))} |`,
    ),
    '',
  ]),
].join('\n');

writeFileSync(fileURLToPath(new URL('../docs/problems.md', import.meta.url)), page);
