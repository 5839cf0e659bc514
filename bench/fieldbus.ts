import { nth, sure } from '@keypost/core/lists';
import { livePath } from '@keypost/api';
import type { LiveBatch } from '@keypost/api';
import { applyHistory } from '@keypost/core/job';
import { BusPlan, emptyJob } from '@keypost/core/model';
import { knownDescription } from '@keypost/core/ioLink';
import type { Change } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { readFileSync } from 'node:fs';
import type net from 'node:net';
import { shippedDescription } from '../apps/server/src/demo/shippedDescriptions.ts';
import { ioLinkJson } from '../apps/server/src/simulators/ioLinkJson.ts';
import { modbusServer } from '../apps/server/src/simulators/modbusServer.ts';
import { PowerMonitor } from '../apps/server/src/simulators/powerMonitor.ts';
import { SimulatedDevice } from '../apps/server/src/simulators/simulatedDevice.ts';
import { SimulatedMaster } from '../apps/server/src/simulators/simulatedMaster.ts';
import { onPage } from './onPage.ts';

const MASTERS = 8;
const PORTS = 8;
const UNITS = 31;
const SECONDS = 8;

const portOf = (server: { address: () => net.AddressInfo | string | null }): number =>
  (server.address() as net.AddressInfo).port;

/** Masters and a line of simulated units, each on a port of its own. */
async function partners(): Promise<{ links: string[]; line: string; close: () => Promise<void> }> {
  const known = knownDescription(shippedDescription('level-distance'));
  const apps: ReturnType<typeof ioLinkJson>[] = [];
  for (let m = 0; m < MASTERS; m++) {
    const devices = Array.from({ length: PORTS }, (_, i) => new SimulatedDevice(known, `B-${m}-${i}`));
    const app = ioLinkJson(new SimulatedMaster(devices, () => nth(devices, 0)));
    await app.listen({ host: '127.0.0.1', port: 0 });
    apps.push(app);
  }
  const units = Array.from({ length: UNITS }, (_, i) => ({
    number: i + 1,
    memory: new PowerMonitor(),
    silent: false,
  }));
  const line = modbusServer(units, 'rtu');
  await new Promise<void>((done) => line.listen(0, '127.0.0.1', done));
  return {
    links: apps.map((app) => `127.0.0.1:${portOf(app.server)}`),
    line: `127.0.0.1:${portOf(line)}`,
    close: async () => {
      await Promise.all(apps.map((app) => app.close()));
      line.close();
    },
  };
}

function busyJob(links: readonly string[], line: string): JobContent {
  const changes: Change[] = [
    {
      kind: 'addDescription',
      description: { id: 'd', fileName: 'd.xml', text: shippedDescription('level-distance') },
    },
    ...links.flatMap((link, m): Change[] => [
      {
        kind: 'addModule',
        module: { id: `m${m}`, tag: `IOL ${m}`, typeId: `iol-${'a'.repeat(PORTS)}`, firstByte: 0 },
        commons: [],
      },
      { kind: 'editModule', id: `m${m}`, patch: { link } },
      ...Array.from({ length: PORTS }, (_, i): Change[] => {
        const id = `lt-${m}-${i}`;
        return [
          {
            kind: 'addPoint',
            point: { id, tag: id.toUpperCase(), name: 'Level', deviceId: `${id}-b`, bit: 'direct' },
            device: {
              id: `${id}-b`,
              tag: id.toUpperCase(),
              typeId: 'io-link-a',
            },
            place: { moduleId: `m${m}`, channel: i },
          },
          { kind: 'editDevice', id: `${id}-b`, patch: { descriptionId: 'd' } },
        ];
      }).flat(),
    ]),
  ];
  const value = { name: 'Active power', table: 'input', address: 10, type: 'int32', unit: 'W' };
  const unit = {
    baud: 19200,
    parity: 'even',
    stopBits: 1,
    plusName: '+',
    terminated: false,
    unitLoad: 1,
    fromLastM: 5,
  };
  const plan = BusPlan.parse({
    kind: 'serial',
    id: 'l',
    tag: 'LINE',
    mm2: 0.34,
    link: line,
    framing: 'rtu',
    units: Array.from({ length: UNITS }, (_, i) => ({
      ...unit,
      id: `u${i}`,
      tag: `U${i}`,
      unit: i + 1,
      map: [{ ...value, id: 'p' }],
    })),
  });
  const actor = { by: 'BN', at: '2026-01-01T00:00:00.000Z' };
  return applyHistory(
    emptyJob('Busy', ''),
    [...changes, { kind: 'setPlan', plan } as Change].map((change) => [change, actor]),
  );
}

/** Processor time that a process has had, s. */
function processorSeconds(pid: number): number {
  const fields = nth(readFileSync(`/proc/${pid}/stat`, 'utf8').split(') '), 1).split(' ');
  return (Number(fields[11]) + Number(fields[12])) / 100;
}

/** Counts what a job's live values tell for some seconds. */
async function listen(base: string, id: string): Promise<{ batches: number; ports: number; units: number }> {
  const stop = new AbortController();
  const response = await fetch(base + livePath(id), { signal: stop.signal });
  const counted = { batches: 0, ports: 0, units: 0 };
  const until = performance.now() + SECONDS * 1000;
  const reader = sure(response.body).getReader();
  let text = '';
  while (performance.now() < until) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
    const events = text.split('\n\n');
    text = sure(events.pop());
    for (const event of events) {
      if (!event.startsWith('data: ')) continue;
      const batch = JSON.parse(event.slice(6)) as LiveBatch;
      counted.batches++;
      counted.ports += batch.ports.length;
      counted.units += batch.units.length;
    }
  }
  stop.abort();
  return counted;
}

/** 64 ports and 31 serial units live at once: how often each is told, what the server spends, and whether the page stays smooth. */
export async function talking(): Promise<void> {
  const devices = await partners();
  try {
    await onPage(
      'Smoothness with live values',
      () => busyJob(devices.links, devices.line),
      async ({ page, base, id, server }) => {
        await page.addInitScript(() => {
          const blocked: number[] = [];
          Object.assign(window, { blocked });
          new PerformanceObserver((list) =>
            blocked.push(...list.getEntries().map(({ duration }) => duration)),
          ).observe({ type: 'longtask' });
        });
        await page.goto(`${base}/job/${id}/live`);
        await page.getByText('U30').waitFor({ timeout: 30000 });
        await page.waitForTimeout(2000);
        await page.evaluate(() => void ((window as unknown as { blocked: number[] }).blocked.length = 0));
        const before = processorSeconds(sure(server.pid));
        const counted = await listen(base, id);
        const spent = processorSeconds(sure(server.pid)) - before;
        const blocked = await page.evaluate(() => (window as unknown as { blocked: number[] }).blocked);
        console.log(
          `${MASTERS * PORTS} IO-Link ports and ${UNITS} serial units, live at once for ${SECONDS} s`,
        );
        console.log(
          `  each port is told                     ${(counted.ports / MASTERS / PORTS / SECONDS).toFixed(1)} times a second`,
        );
        console.log(
          `  each unit is told                     ${(counted.units / UNITS / SECONDS).toFixed(1)} times a second`,
        );
        console.log(
          `  the server’s processor time           ${((100 * spent) / SECONDS).toFixed(0)} % of one core, ${((1000 * spent) / (counted.ports + counted.units)).toFixed(2)} ms a value told`,
        );
        console.log(
          `  blocks above 50 ms on the page        ${blocked.length}${blocked.length ? `, longest ${Math.max(...blocked).toFixed(0)} ms` : ''}`,
        );
        console.log(
          `  share of time that the page is free   ${(100 - blocked.reduce((sum, ms) => sum + ms, 0) / SECONDS / 10).toFixed(1)} %`,
        );
      },
    );
  } finally {
    await devices.close();
  }
}
