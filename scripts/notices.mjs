import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const LICENCE = /^(?:licen[cs]e|copying|notice)(?:[.-][\w.-]+)?$/i;
/** Fonts are copied from packages that only the build needs. */
const SHIPPED_BY_BUILD = /^@expo-google-fonts\/atkinson-/;

/** The packages of others that an installed tree runs with or ships: name, version, licence, and its words. */
export function packagesIn(root) {
  const { packages } = JSON.parse(readFileSync(path.join(root, 'package-lock.json'), 'utf8'));
  return Object.entries(packages).flatMap(([place, { dev, devOptional, link }]) => {
    const name = place.split('node_modules/').at(-1);
    const folder = path.join(root, place);
    const own = link || !place.includes('node_modules/') || name.startsWith('@keypost/');
    const counts = !(dev || devOptional) || SHIPPED_BY_BUILD.test(name);
    if (own || !counts || !existsSync(path.join(folder, 'package.json'))) return [];
    const { version, license, licenses } = JSON.parse(
      readFileSync(path.join(folder, 'package.json'), 'utf8'),
    );
    const words = readdirSync(folder)
      .filter((file) => LICENCE.test(file))
      .map((file) => readFileSync(path.join(folder, file), 'utf8').replaceAll('\r\n', '\n').trim());
    const named = license ?? licenses;
    return [
      {
        name: `${name} ${version}`,
        license: typeof named === 'string' ? named : JSON.stringify(named ?? 'not said'),
        words: words.join('\n\n'),
      },
    ];
  });
}

/** The notices as one text: each licence once, under the packages that come with it. */
export function noticesText(packages) {
  const byWords = new Map();
  for (const { name, license, words } of packages) {
    const key = words || `Licence: ${license}`;
    byWords.set(key, [...(byWords.get(key) ?? []), `${name} (${license})`]);
  }
  const parts = [...byWords].map(([words, names]) => `${[...new Set(names)].sort().join('\n')}\n\n${words}`);
  return [
    'Software and fonts of others that Key Post is made of, with their licences.',
    ...parts.sort(),
  ].join(`\n\n${'-'.repeat(80)}\n\n`);
}

/** Lays the notices beside what was built. */
export const writeNotices = (root, folder) =>
  writeFileSync(path.join(folder, 'notices.txt'), `${noticesText(packagesIn(root))}\n`);
