import { test as playwright } from '@playwright/test';
import { rmSync } from 'node:fs';
import { freePort } from '../apps/server/test/freePort.ts';
import { scratch, startServer, stopServer } from './serve';

export { expect } from '@playwright/test';

/** A test against the real server and the built interface: those that run side by side have a server and a demo each. */
export const test = playwright.extend<object, { site: string }>({
  site: [
    // The library reads from the first argument what a fixture needs.
    // eslint-disable-next-line no-empty-pattern
    async ({}, lend) => {
      const data = scratch();
      const port = await freePort();
      const server = await startServer(data, port);
      await lend(`http://127.0.0.1:${port}`);
      await stopServer(server);
      rmSync(data, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 400_000 },
  ],
  baseURL: ({ site }, lend) => lend(site),
});
