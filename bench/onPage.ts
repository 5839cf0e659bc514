import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import { writeJobFile } from '@keypost/core/jobFile';
import type { JobContent } from '@keypost/core/model';
import type { ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from '../apps/server/test/freePort.ts';
import { startServer, stopServer } from '../e2e/serve.ts';

/** The browser in which pages are measured. */
export const BROWSER = process.env.KEYPOST_CHROMIUM ?? '/usr/bin/chromium';

/** Where a measurement stands: a job that was brought in, and the server behind it. */
interface Served {
  /** Address of the server, and the id of the job there. */
  readonly base: string;
  readonly id: string;
  readonly server: ChildProcess;
}

/** Measures over a server of its own that holds a job, where there is a browser. @param what is measured. */
export async function overServer(
  what: string,
  job: () => JobContent,
  measure: (served: Served) => Promise<void>,
): Promise<void> {
  if (!existsSync(BROWSER)) {
    console.log(`${what} is not measured: there is no browser at ${BROWSER}.`);
    return;
  }
  const data = mkdtempSync(path.join(os.tmpdir(), 'keypost-bench-'));
  const port = await freePort();
  const server = await startServer(data, port);
  try {
    const base = `http://127.0.0.1:${port}`;
    const answer = await fetch(`${base}/api/jobs/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), by: 'BN', file: writeJobFile(job()) }),
    });
    const { id } = (await answer.json()) as { id: string };
    await measure({ base, id, server });
  } finally {
    await stopServer(server);
    rmSync(data, { recursive: true, force: true });
  }
}

/** Measures on a page over a server of its own that holds a job. @param what is measured. */
export const onPage = (
  what: string,
  job: () => JobContent,
  measure: (stand: Served & { readonly page: Page }) => Promise<void>,
): Promise<void> =>
  overServer(what, job, async (served) => {
    const browser = await chromium.launch({
      executablePath: BROWSER,
      args: ['--no-sandbox', '--disable-gpu'],
    });
    try {
      const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
      await measure({ ...served, page });
    } finally {
      await browser.close();
    }
  });
