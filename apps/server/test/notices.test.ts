import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

interface Package {
  readonly name: string;
  readonly license: string;
  readonly words: string;
}

const SCRIPT = path.join(__dirname, '../../../scripts/notices.mjs');

/** What the script of the build finds below a folder, and writes of it. */
const noticesOf = (root: string): { readonly packages: readonly Package[]; readonly text: string } =>
  JSON.parse(
    execFileSync(
      process.execPath,
      [
        '--input-type=module',
        '-e',
        `import { noticesText, packagesIn } from ${JSON.stringify(SCRIPT)};
         const packages = packagesIn(${JSON.stringify(root)});
         process.stdout.write(JSON.stringify({ packages, text: noticesText(packages) }));`,
      ],
      { encoding: 'utf8', maxBuffer: 2 ** 26, env: { ...process.env, NODE_OPTIONS: '' } },
    ),
  ) as { packages: Package[]; text: string };

const ROOT = path.join(__dirname, '../../..');

test('each package of others has a licence, the shipped fonts among them, and what only tests need is left out', () => {
  const { packages } = noticesOf(ROOT);
  const names = packages.map(({ name }) => name.replace(/ [^ ]*$/, ''));
  expect(names).toEqual(
    expect.arrayContaining(['react', 'fastify', 'qrcode', '@expo-google-fonts/atkinson-hyperlegible-next']),
  );
  expect(names).not.toContain('jest');
  expect(packages.filter(({ license }) => license === 'not said')).toEqual([]);
});

test('a licence stands once, under all that come with it', () => {
  const root = mkdtempSync(path.join(tmpdir(), 'keypost-notices-'));
  const put = (name: string, dev: boolean, words: string) => {
    const folder = path.join(root, 'node_modules', name);
    mkdirSync(folder, { recursive: true });
    writeFileSync(
      path.join(folder, 'package.json'),
      JSON.stringify({ name, version: '1.0.0', license: 'MIT' }),
    );
    writeFileSync(path.join(folder, 'LICENSE.md'), words);
    return [`node_modules/${name}`, { dev }] as const;
  };
  const rows = [put('one', false, 'Words'), put('two', false, 'Words\r\n'), put('three', true, 'Others')];
  writeFileSync(path.join(root, 'package-lock.json'), JSON.stringify({ packages: Object.fromEntries(rows) }));
  const { text } = noticesOf(root);
  expect(text.match(/Words/g)).toHaveLength(1);
  expect(text).toContain('one 1.0.0 (MIT)\ntwo 1.0.0 (MIT)\n\nWords');
  expect(text).not.toContain('Others');
});
