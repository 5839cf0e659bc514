import type { JobContent } from '@keypost/core/model';
import { madeJob } from './madeJob.ts';
import { mixedJob } from './mixedJob.ts';
import { overServer } from './onPage.ts';
import { phone, UNHINDERED, WEAK } from './phone.ts';
import type { Loaded } from './phone.ts';

/** How often a page is opened again; the middle one counts. */
const AGAIN = 5;

/** How long a view takes from nothing until something of it can be seen, and when it is opened once more. */
async function load(name: string, wanted: number, url: string, selector: string): Promise<void> {
  const { load: open, loop, end } = await phone(WEAK);
  try {
    const first = await open(url, selector);
    const again: Loaded[] = [];
    for (let k = 0; k < AGAIN; k += 1) again.push(await open(url, selector));
    const seconds = again.map((loaded) => loaded.seconds).sort((a, b) => a - b);
    const [least = NaN, middle = NaN, most = NaN] = [0, AGAIN >> 1, AGAIN - 1].map((k) => seconds[k]);
    console.log(
      `  ${name.padEnd(20)}${first.seconds.toFixed(1)} s (wanted ${wanted}), ${first.kilobytes.toFixed(0)} kB, shift ${first.shift.toFixed(3)}; again ${middle.toFixed(2)} s (${least.toFixed(2)} to ${most.toFixed(2)}, wanted 1.5); a fixed loop ${(await loop()).toFixed(0)} ms`,
    );
  } finally {
    await end();
  }
}

/** The first row of a job's Board. */
const FIRST_ROW = '[role=list][aria-label=Points] a';

/** Loads with an empty store on a slow phone in a slow net, and the Board of large jobs on this machine. */
export async function coldLoads(): Promise<void> {
  console.log(
    `Cold loads: ${WEAK.megabits} Mbit/s, ${WEAK.latency} ms, processor ${WEAK.slower} times slower`,
  );
  await overServer(
    'Cold loads',
    () => mixedJob(60),
    async ({ base, id }) => {
      await load('job list', 5, base, `a[href="/job/${id}"]`);
      await load('Board', 7, `${base}/job/${id}`, FIRST_ROW);
      const rows = await fetch(`${base}/api/jobs/${id}`);
      const { content } = (await rows.json()) as { content: JobContent };
      const [point] = content.points;
      await load(
        'drawing of a point',
        7,
        `${base}/job/${id}/point/${point?.id ?? ''}`,
        '[role=group][aria-label] svg',
      );
    },
  );
  for (const count of [488, 1769])
    await overServer(
      `The Board of ${count} points`,
      () => madeJob(count),
      async ({ base, id }) => {
        const { load: open, end } = await phone(UNHINDERED);
        try {
          const { seconds } = await open(`${base}/job/${id}`, FIRST_ROW);
          console.log(
            `  Board of ${count} points, first row: ${seconds.toFixed(2)} s (wanted 1), not throttled`,
          );
        } finally {
          await end();
        }
      },
    );
}
