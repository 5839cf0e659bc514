/** What a table holds under a key of somebody's; nothing for names that every object answers to, such as `constructor`. */
export const own = <T>(table: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(table, key) ? table[key] : undefined;
