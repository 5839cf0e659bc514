import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import process from 'node:process';
import { Friendly, run } from './steps.mjs';

function find() {
  for (const name of ['chromium', 'chromium-browser']) {
    const { stdout, status } = spawnSync('sh', ['-c', `command -v ${name}`], { encoding: 'utf8' });
    if (status === 0) return stdout.trim();
  }
  return undefined;
}

/** Path of Chromium for the browser tests; installs Debian's package when it is missing and may be installed. */
export async function chromium() {
  const chosen = process.env.KEYPOST_CHROMIUM;
  if (chosen) {
    if (!existsSync(chosen)) throw new Friendly(`KEYPOST_CHROMIUM names ${chosen}, which is not there.`);
    return chosen;
  }
  const found = find();
  if (found) return found;
  const apt = spawnSync('sh', ['-c', 'command -v apt-get']).status === 0;
  if (!apt || process.getuid?.() !== 0)
    throw new Friendly(
      'The browser tests need Chromium. Install it (on Debian: sudo apt-get install chromium), or name one with KEYPOST_CHROMIUM.',
    );
  console.log("Installing Debian's chromium for the browser tests …");
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  await run('apt-get', ['-qq', 'update'], quiet);
  await run('apt-get', ['-qq', 'install', '-y', '--no-install-recommends', 'chromium'], quiet);
  const installed = find();
  if (!installed)
    throw new Friendly('Chromium could not be installed; apt-get says why above. The browser tests need it.');
  return installed;
}
