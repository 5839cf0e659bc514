import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const brotli = promisify(brotliCompress);
const zip = promisify(gzip);

/** Files that become smaller; fonts, pictures and what is small enough for one packet do not. */
const COMPRESSED = /\.(?:js|css|html|json|webmanifest|svg|wasm|txt)$/;
const LEAST = 1024;

function filesIn(folder) {
  return readdirSync(folder).flatMap((name) => {
    const file = path.join(folder, name);
    return statSync(file).isDirectory() ? filesIn(file) : [file];
  });
}

/** Lays each file of a built application beside itself as brotli and gzip, so that nothing is compressed while serving. */
export async function compressAll(folder) {
  const files = filesIn(folder).filter((file) => COMPRESSED.test(file) && statSync(file).size >= LEAST);
  await Promise.all(
    files.map(async (file) => {
      const plain = readFileSync(file);
      const [br, gz] = await Promise.all([
        brotli(plain, {
          params: {
            [constants.BROTLI_PARAM_QUALITY]: 11,
            [constants.BROTLI_PARAM_SIZE_HINT]: plain.length,
          },
        }),
        zip(plain, { level: 9 }),
      ]);
      writeFileSync(`${file}.br`, br);
      writeFileSync(`${file}.gz`, gz);
    }),
  );
}
