import { nth } from '@keypost/core/lists';
import { createServer } from 'node:net';
import type { AddressInfo, Server } from 'node:net';

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

/** A port of this machine that nobody uses just now. */
export const freePort = async (): Promise<number> => nth(await freePorts(1), 0);
