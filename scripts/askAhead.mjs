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
 * Has a built application ask for its second part, the pages and what they say, while its first is being run: sooner,
 * they would share the net, and the first would come later.
 */
export function askAhead(folder) {
  const page = path.join(folder, 'index.html');
  const html = readFileSync(page, 'utf8');
  const names = readdirSync(path.join(folder, AT));
  const [first] = /\/_expo\/[^"]*\/entry-\w+\.js/.exec(html) ?? [];
  const later = names.filter((name) => /^(?:pages|index)-\w+\.js$/.test(name)).map((name) => `${AT}/${name}`);
  if (!first || later.length < 2) throw new Error('The built application has no second part.');
  const script = `(${ahead.toString()})(${JSON.stringify(first)},${JSON.stringify(later)})`;
  const name = `${AT}/ahead-${createHash('md5').update(script).digest('hex')}.js`;
  writeFileSync(path.join(folder, name), script);
  writeFileSync(page, html.replace('<script ', `<script src="${name}" defer></script><script `));
}
