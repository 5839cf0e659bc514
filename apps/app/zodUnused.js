/**
 * Stands for parts of the validation library that the app does not use; see metro.config.js: schemas made into code, and
 * JSON Schema either way.
 */
export const INVALID = Symbol.for('zod.compile.invalid');
export class ZodCompileAsyncError extends Error {}
export class ZodCompileUnsupportedError extends Error {}
function unused() {
  throw new Error('This part of the validation library is left out of the app.');
}
export {
  unused as compile,
  unused as compileFn,
  unused as withParser,
  unused as fromJSONSchema,
  unused as toJSONSchema,
};
/** What writes each kind of schema as JSON Schema: looked for only while that is done. */
export const allProcessors = {};
