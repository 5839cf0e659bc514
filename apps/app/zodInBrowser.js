import { config } from 'zod/v4/core/core.js';

/*
 * How the validation library runs in a browser; stands for its list of languages, see metro.config.js. It makes no code
 * out of text: the page's policy refuses that, and finding so out costs the browser a second reading of the program.
 */
config({ jitless: true });

/** The one language that is used. */
export { default as en } from 'zod/v4/locales/en.js';
