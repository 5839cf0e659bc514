import { sure } from '@keypost/core/lists';
import { createClient } from '@keypost/api';
import path from 'node:path';
import { openDatabase } from '../src/db/database.ts';
import type { Database } from '../src/db/connection.ts';
import { buildServer } from '../src/server.ts';
import { freePorts } from './freePort.ts';
import { emptyPlace } from './testPlace.ts';
import { startSimulators } from '../src/simulators/start.ts';
import type { Simulators } from '../src/simulators/start.ts';

export const MIGRATIONS = path.resolve(__dirname, '../src/db/migrations');

export interface TestServer {
  /** Where it answers, on a port of its own on this machine. */
  readonly address: string;
  readonly db: Database;
  readonly call: ReturnType<typeof createClient>;
  readonly close: () => Promise<void>;
}

/** A server over an empty database, with the typed client that reaches it. */
export async function startTestServer(simulators?: Simulators): Promise<TestServer> {
  const db = await openDatabase(await emptyPlace(), MIGRATIONS);
  const app = await buildServer(db, undefined, { simulators });
  const address = await app.listen({ host: '127.0.0.1', port: 0 });
  return {
    address,
    db,
    call: createClient(address),
    close: async () => {
      await app.close();
      await db.close();
    },
  };
}

/** The simulated partners on ports that nobody uses just now. */
export async function simulatorsAnywhere(): Promise<Simulators> {
  const [ioLink, modbusTcp, modbusRtu, bench] = await freePorts(4);
  return startSimulators({
    ioLink: sure(ioLink),
    modbusTcp: sure(modbusTcp),
    modbusRtu: sure(modbusRtu),
    bench: sure(bench),
  });
}
