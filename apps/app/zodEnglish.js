/** The one language of the validation library that is used; see metro.config.js. */
export { default as en } from 'zod/v4/locales/en.js';
