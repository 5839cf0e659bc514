import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import process from 'node:process';
import { installPackage, mayInstall } from './debian.mjs';

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
  if (mayInstall()) await installPackage('postgresql', 'the tests against a PostgreSQL server');
  return postgresPrograms() !== undefined;
}
