/** An id for something new; what makes it is fetched when it is wanted, and not with the list of jobs. */
export const newId = async (): Promise<string> => (await import('uuid')).v4();
