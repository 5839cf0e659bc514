/** This moment, as records keep it (ISO 8601, UTC). */
export const now = (): string => new Date().toISOString();
