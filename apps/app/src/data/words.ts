let words: Promise<unknown> | undefined;

/** Fetches the sentences in which something judged is said; asked for with the first that is judged or opened. */
export const fetchWords = (): Promise<unknown> => (words ??= import('@keypost/core/messages/all'));
