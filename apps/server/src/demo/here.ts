import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** Where the files of the demo lie. */
export const here = path.dirname(fileURLToPath(import.meta.url));
