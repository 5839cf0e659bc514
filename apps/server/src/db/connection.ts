/** What asks a database: itself, or one of its transactions. */
export interface Queryable {
  query<T>(sql: string, values?: unknown[]): Promise<{ rows: T[] }>;
}

/** One of its transactions; several statements without values at once, too. */
export interface Transaction extends Queryable {
  exec(sql: string): Promise<unknown>;
}

/** A database of PostgreSQL, wherever it runs. */
export interface Database extends Transaction {
  transaction<T>(act: (tx: Transaction) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}
