import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const AT = '/_expo/static/js/web';

/** Runs in the page, as its first script: asks for the second part of the program as soon as the first has arrived. */
function ahead(first, later) {
  const { document, location, PerformanceObserver } = globalThis;
  // The list of jobs and a job's Board come without it, and ask for it when they are on the screen.
  if (/^\/(?:job\/[^/]+\/?)?$/.test(location.pathname)) return;
  const observer = new PerformanceObserver((arrived) => {
    if (!arrived.getEntries().some(({ name }) => name.endsWith(first))) return;
    observer.disconnect();
    for (const href of later)
      document.head.append(
        Object.assign(document.createElement('link'), { rel: 'preload', as: 'script', href }),
      );
  });
  observer.observe({ type: 'resource', buffered: true });
}

/**
 * Puts two small scripts round the program of a built application.
 *
 * One before it asks for the second part, the pages and what they say, while the first is being run: sooner, they would
 * share the net, and the first would come later.
 *
 * One after it holds the few lines that start it. What is on the stack while it begins is then these lines and no longer
 * the whole program, which a browser with tools attached would read a second time for each place of an error that is
 * made then; the user interface library makes five of its own.
 */
export function firstScripts(folder) {
  const page = path.join(folder, 'index.html');
  const html = readFileSync(page, 'utf8');
  const [tag, entry] = /<script src="([^"]*\/entry-\w+\.js)" defer><\/script>/.exec(html) ?? [];
  if (!entry) throw new Error('The page of the built application has no script of its own.');
  const program = readFileSync(path.join(folder, entry), 'utf8');
  const [start] = /(?:\n__r\(\d+\);)+\s*$/.exec(program) ?? [];
  if (!start) throw new Error('The program of the built application does not end with what starts it.');
  const later = readdirSync(path.join(folder, AT))
    .filter((name) => /^(?:pages|index)-\w+\.js$/.test(name))
    .map((name) => `${AT}/${name}`);
  if (later.length < 2) throw new Error('The built application has no second part.');
  const script = (name, text) => {
    const url = `${AT}/${name}-${createHash('md5').update(text).digest('hex')}.js`;
    writeFileSync(path.join(folder, url), text);
    return `<script src="${url}" defer></script>`;
  };
  // The name that the program was given stands for what it was with these lines, so it changes with them too.
  writeFileSync(path.join(folder, entry), program.slice(0, -start.length));
  const before = script('ahead', `(${ahead.toString()})(${JSON.stringify(entry)},${JSON.stringify(later)})`);
  const after = script('start', start.trim());
  writeFileSync(page, html.replace(tag, tag + after).replace('<script ', `${before}<script `));
}
