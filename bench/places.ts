import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** Where the project lies, and the migrations of its database. */
export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
export const MIGRATIONS = path.join(ROOT, 'apps/server/src/db/migrations');
