import { sure } from '@keypost/core/lists';
import { createClient } from '@keypost/api';
import { createServer } from 'node:net';
import type { AddressInfo, Server } from 'node:net';
import path from 'node:path';
import { openDatabase } from '../src/db/database.ts';
import type { Database } from '../src/db/connection.ts';
import { buildServer } from '../src/server.ts';
import { startSimulators } from '../src/simulators/start.ts';
import type { Simulators } from '../src/simulators/start.ts';

const MIGRATIONS = path.resolve(__dirname, '../src/db/migrations');

export interface TestServer {
  /** Where it answers, on a port of its own on this machine. */
  readonly address: string;
  readonly db: Database;
  readonly call: ReturnType<typeof createClient>;
  readonly close: () => Promise<void>;
}

/** A server over a database in memory, with the typed client that reaches it. */
export async function startTestServer(simulators?: Simulators): Promise<TestServer> {
  const db = await openDatabase(undefined, MIGRATIONS);
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

/** Ports of this machine that nobody uses just now. */
export async function freePorts(count: number): Promise<number[]> {
  const probes = await Promise.all(
    Array.from(
      { length: count },
      () =>
        new Promise<Server>((done) => {
          const probe = createServer();
          probe.listen(0, '127.0.0.1', () => done(probe));
        }),
    ),
  );
  const ports = probes.map((probe) => (probe.address() as AddressInfo).port);
  await Promise.all(probes.map((probe) => new Promise((done) => probe.close(done))));
  return ports;
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
