/** What an output can be; `none` for one that switches nothing. */
export const OUTPUT_KINDS = ['pnp', 'npn', 'pushpull', 'contact', 'twowire', 'none'] as const;
/** When an output is on. */
export const LOGICS = ['no', 'nc', 'light', 'dark', 'none'] as const;
