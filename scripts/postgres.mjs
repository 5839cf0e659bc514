import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import process from 'node:process';
import { run } from './steps.mjs';

/** Where Debian puts the programs of PostgreSQL, a directory a version. */
const BASE = '/usr/lib/postgresql';

/** The directory of PostgreSQL's programs, the newest of this machine; nothing when there are none. */
export function postgresPrograms() {
  const versions = existsSync(BASE) ? readdirSync(BASE).sort((a, b) => Number(b) - Number(a)) : [];
  return [
    ...versions.map((version) => path.join(BASE, version, 'bin')),
    ...(process.env.PATH ?? '').split(path.delimiter),
  ].find((place) => existsSync(path.join(place, 'initdb')) && existsSync(path.join(place, 'postgres')));
}

/** Installs Debian's package where it is missing and may be installed. @returns whether PostgreSQL is here. */
export async function postgres() {
  if (postgresPrograms()) return true;
  const apt = spawnSync('sh', ['-c', 'command -v apt-get']).status === 0;
  if (apt && process.getuid?.() === 0) {
    console.log("Installing Debian's postgresql for the tests against a PostgreSQL server …");
    const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
    await run('apt-get', ['-qq', 'update'], quiet);
    await run('apt-get', ['-qq', 'install', '-y', '--no-install-recommends', 'postgresql'], quiet);
  }
  return postgresPrograms() !== undefined;
}
