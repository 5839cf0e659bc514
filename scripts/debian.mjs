import { spawnSync } from 'node:child_process';
import process from 'node:process';
import { run } from './steps.mjs';

/** Whether Debian's packages may be installed here. */
export const mayInstall = () =>
  spawnSync('sh', ['-c', 'command -v apt-get']).status === 0 && process.getuid?.() === 0;

/** Installs one of Debian's packages. @param what it is for, to be told before. */
export async function installPackage(name, what) {
  console.log(`Installing Debian's ${name} for ${what} …`);
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  await run('apt-get', ['-qq', 'update'], quiet);
  await run('apt-get', ['-qq', 'install', '-y', '--no-install-recommends', name], quiet);
}
