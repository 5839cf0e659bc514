import CDP from 'chrome-remote-interface';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from '../apps/server/test/freePort.ts';
import { BROWSER } from './onPage.ts';

/** Mbit/s, ms there and back, and how many times slower it computes than this machine. */
export interface Conditions {
  readonly megabits: number;
  readonly latency: number;
  readonly slower: number;
}

/** A phone of some years in a hall with a weak net. */
export const WEAK: Conditions = { megabits: 1.6, latency: 150, slower: 4 };
/** This machine as it is. */
export const UNHINDERED: Conditions = { megabits: 1000, latency: 0, slower: 1 };

/** What a page took from the start of its navigation, by its own clock, until something was painted. */
export interface Loaded {
  readonly seconds: number;
  readonly kilobytes: number;
  /** Layout shift until then, as the web counts it. */
  readonly shift: number;
}

export interface Phone {
  /** Opens an address on a page of its own. @param selector of what has to be there. */
  readonly load: (url: string, selector: string) => Promise<Loaded>;
  /** A fixed loop on its processor, ms: tells a slow moment of this machine from a slow page. */
  readonly loop: () => Promise<number>;
  readonly end: () => Promise<void>;
}

/** Notes in the page when something that is looked for has been painted. */
const watching = (selector: string): string => `(() => {
  let shift = 0;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) if (!entry.hadRecentInput) shift += entry.value;
  }).observe({ type: 'layout-shift', buffered: true });
  globalThis.seen = new Promise((done) => {
    let due = false;
    // Looked for once a frame, so that looking takes next to nothing; the time is taken behind that frame.
    const look = () => {
      due = false;
      if (!document.querySelector(${JSON.stringify(selector)})?.getBoundingClientRect().height) return;
      changes.disconnect();
      setTimeout(() => {
        const seconds = performance.now() / 1000;
        setTimeout(() => done({ seconds, shift }), 300);
      });
    };
    const changes = new MutationObserver(() => {
      if (!due) requestAnimationFrame(look);
      due = true;
    });
    changes.observe(document, { childList: true, subtree: true });
  });
})()`;

const LOOP = `(() => {
  const start = performance.now();
  let sum = 0;
  for (let k = 0; k < 1e7; k += 1) sum += k % 7;
  return sum && performance.now() - start;
})()`;

/** How long a browser that was started is left alone, ms. */
const SETTLING = 4000;
/** What a phone shows, px. */
const SCREEN = { width: 390, height: 844, deviceScaleFactor: 1, mobile: false };

/** What is kept for reading without network follows a page in its own time, ms. */
const AFTERWARDS = 9000;

/**
 * A phone with nothing in its store. Its browser is driven without what a library for tests puts into
 * each page, a quarter of a second of such a processor. Requests of the service worker go through the same net.
 */
export async function phone({ megabits, latency, slower }: Conditions): Promise<Phone> {
  const profile = mkdtempSync(path.join(os.tmpdir(), 'keypost-phone-'));
  const port = await freePort();
  const flags = ['--headless=new', '--no-sandbox', '--disable-gpu'];
  const browser = spawn(
    BROWSER,
    [...flags, `--remote-debugging-port=${port}`, `--user-data-dir=${profile}`],
    {
      stdio: 'ignore',
    },
  );
  const ended = new Promise<void>((done) => browser.once('exit', () => done()));
  const end = async () => {
    browser.kill();
    await ended;
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  };
  const address = async (): Promise<string> => {
    for (let left = 100; ; left -= 1)
      try {
        return (await CDP.Version({ port })).webSocketDebuggerUrl;
      } catch (error) {
        if (!left) throw error;
        await new Promise((done) => setTimeout(done, 200));
      }
  };
  const client = await CDP({ target: await address() });
  const weaken = async (sessionId: string) => {
    await client.send('Network.enable', {}, sessionId);
    const bytes = (megabits * 1e6) / 8;
    const net = { offline: false, latency, downloadThroughput: bytes, uploadThroughput: bytes };
    await client.send('Network.emulateNetworkConditions', net, sessionId);
  };
  client.Target.attachedToTarget(({ sessionId, targetInfo }) => {
    if (targetInfo.type === 'service_worker') void weaken(sessionId);
  });
  await client.Target.setAutoAttach({ autoAttach: true, waitForDebuggerOnStart: false, flatten: true });

  // A browser that has just begun is busy with itself.
  await new Promise((done) => setTimeout(done, SETTLING));

  const onPage = async <T>(what: (sessionId: string) => Promise<T>): Promise<T> => {
    const { targetId } = await client.Target.createTarget({ url: 'about:blank' });
    const { sessionId } = await client.Target.attachToTarget({ targetId, flatten: true });
    await client.send('Emulation.setDeviceMetricsOverride', SCREEN, sessionId);
    await client.send('Emulation.setCPUThrottlingRate', { rate: slower }, sessionId);
    try {
      return await what(sessionId);
    } finally {
      await client.Target.closeTarget({ targetId });
    }
  };
  const answer = async <T>(expression: string, sessionId: string): Promise<T> => {
    const given = { expression, awaitPromise: true, returnByValue: true };
    const { result } = await client.send('Runtime.evaluate', given, sessionId);
    return result.value as T;
  };
  return {
    load: (url, selector) =>
      onPage(async (sessionId) => {
        await weaken(sessionId);
        await client.send('Page.enable', undefined, sessionId);
        await client.send('Page.addScriptToEvaluateOnNewDocument', { source: watching(selector) }, sessionId);
        let bytes = 0;
        const heard = client.Network.loadingFinished(({ encodedDataLength }, from) => {
          if (from === sessionId) bytes += encodedDataLength;
        });
        await client.send('Page.navigate', { url }, sessionId);
        const seen = await answer<{ seconds: number; shift: number }>('globalThis.seen', sessionId);
        heard();
        const kilobytes = bytes / 1000;
        await new Promise((done) => setTimeout(done, AFTERWARDS));
        return { ...seen, kilobytes };
      }),
    loop: () => onPage((sessionId) => answer<number>(LOOP, sessionId)),
    end: async () => {
      await client.close();
      await end();
    },
  };
}
