import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import subsetFont from 'subset-font';

const APP = path.resolve(import.meta.dirname, '../apps/app');
const require = createRequire(path.join(APP, 'package.json'));

/** The faces of the interface, each in its one weight. */
const FACES = {
  AtkinsonHyperlegibleNext_400Regular: 'atkinson-hyperlegible-next/400Regular',
  AtkinsonHyperlegibleNext_600SemiBold: 'atkinson-hyperlegible-next/600SemiBold',
  AtkinsonHyperlegibleNext_700Bold: 'atkinson-hyperlegible-next/700Bold',
  AtkinsonHyperlegibleMono_500Medium: 'atkinson-hyperlegible-mono/500Medium',
  AtkinsonHyperlegibleMono_700Bold: 'atkinson-hyperlegible-mono/700Bold',
};

/** Letters of Western and Central Europe, punctuation, raised and lowered figures, fractions, arrows, signs of units. */
const RANGES = [
  [0x20, 0x7e],
  [0xa0, 0x17f],
  [0x391, 0x3c9],
  [0x2010, 0x205f],
  [0x2070, 0x209c],
  [0x20ac, 0x20ac],
  [0x2122, 0x2126],
  [0x2150, 0x215f],
  [0x2190, 0x2199],
  [0x2202, 0x2265],
  [0x25a0, 0x25cf],
];

const letters = RANGES.flatMap(([from, to]) =>
  Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)),
).join('');

// Writes the fonts that ship with the application, from those of their package: smaller, with the letters that are used.
const folder = path.join(APP, 'public/fonts');
mkdirSync(folder, { recursive: true });
for (const [name, from] of Object.entries(FACES)) {
  const [family, weight] = from.split('/');
  const source = require.resolve(`@expo-google-fonts/${from}/${name}.ttf`);
  const woff = await subsetFont(readFileSync(source), letters, { targetFormat: 'woff2' });
  writeFileSync(path.join(folder, `${name}.woff2`), woff);
  console.log(`${family} ${weight}: ${woff.length} bytes`);
}
