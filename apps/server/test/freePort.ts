import { nth } from '@keypost/core/lists';
import { createServer } from 'node:net';

/** Ports that no outgoing connection takes by itself: on Linux those are from 32768 on. */
const FROM = 20_000;
const COUNT = 10_000;

const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/** Ports of this machine that nobody uses just now. */
export async function freePorts(count: number): Promise<number[]> {
  const found: number[] = [];
  while (found.length < count) {
    const port = FROM + Math.floor(Math.random() * COUNT);
    if (!found.includes(port) && (await isFree(port))) found.push(port);
  }
  return found;
}

/** A port of this machine that nobody uses just now. */
export const freePort = async (): Promise<number> => nth(await freePorts(1), 0);
