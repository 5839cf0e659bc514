/** What asks a database: itself, or one of its transactions. */
export interface Queryable {
  query<T>(sql: string, values?: unknown[]): Promise<{ rows: T[] }>;
}

/** One of its transactions; several statements without values at once, too. */
export interface Transaction extends Queryable {
  exec(sql: string): Promise<unknown>;
}

/** Hears what is told on a channel (`pg_notify`), and where it could not listen for a while. */
export interface Listener {
  /** From now on nothing is missed; what was told before is not known. */
  readonly begins: () => void;
  readonly told: (payload: string) => void;
  /** From now on something may be missed. */
  readonly ends: () => void;
}

/** A database of PostgreSQL, wherever it runs. */
export interface Database extends Transaction {
  /**
   * Runs a transaction. Where the connection is lost, it is run again on another: whatever `act` does must come to the
   * same when it was stored already.
   */
  transaction<T>(act: (tx: Transaction) => Promise<T>): Promise<T>;
  /** Listens on a channel until it is closed. */
  listen(channel: string, listener: Listener): Promise<void>;
  close(): Promise<void>;
}
