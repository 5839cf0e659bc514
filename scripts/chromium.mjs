import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import process from 'node:process';
import { installPackage, mayInstall } from './debian.mjs';
import { Friendly } from './steps.mjs';

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
  if (!mayInstall())
    throw new Friendly(
      'The browser tests need Chromium. Install it (on Debian: sudo apt-get install chromium), or name one with KEYPOST_CHROMIUM.',
    );
  await installPackage('chromium', 'the browser tests');
  const installed = find();
  if (!installed)
    throw new Friendly('Chromium could not be installed; apt-get says why above. The browser tests need it.');
  return installed;
}
