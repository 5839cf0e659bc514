import { createHash } from 'node:crypto';
import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const ENTRY = /\/_expo\/static\/js\/web\/(entry-\w+\.js)/;

/**
 * Puts the few lines that start a built application into a script of their own. What is on the stack while it begins is
 * then these lines and no longer the whole program, which a browser with tools attached would read a second time for
 * each place of an error that is made then; the user interface library makes five of its own.
 */
export function startApart(folder) {
  const page = path.join(folder, 'index.html');
  const html = readFileSync(page, 'utf8');
  const [entry, name] = ENTRY.exec(html) ?? [];
  if (!name) throw new Error('The page of the built application has no script of its own.');
  const file = path.join(folder, entry);
  const program = readFileSync(file, 'utf8');
  const [start] = /(?:\n__r\(\d+\);)+\s*$/.exec(program) ?? [];
  if (!start) throw new Error('The program of the built application does not end with what starts it.');
  const named = (text) => createHash('md5').update(text).digest('hex');
  const rest = program.slice(0, -start.length);
  const [program2, start2] = [`entry-${named(rest)}.js`, `start-${named(start)}.js`];
  const beside = path.dirname(file);
  renameSync(file, path.join(beside, program2));
  writeFileSync(path.join(beside, program2), rest);
  writeFileSync(path.join(beside, start2), start.trim());
  const at = path.posix.dirname(entry);
  writeFileSync(
    page,
    html.replace(
      `<script src="${entry}" defer></script>`,
      `<script src="${at}/${program2}" defer></script><script src="${at}/${start2}" defer></script>`,
    ),
  );
}
