import * as schemas from './answers.ts';
import { clientWith, readBy } from './client.ts';
import type { Fetch } from './client.ts';

/** Makes a typed client that reads every answer by its schema. @param base what stands before `/api`. */
export const createClient = (base: string, send?: Fetch) =>
  clientWith((name, answer) => readBy(schemas, name, answer), base, send);
