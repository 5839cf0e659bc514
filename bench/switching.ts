import {
  checkLadder,
  executeLadder,
  plainFunction,
  sampledSignal,
  switchedBy,
} from '@keypost/core/switching';
import type { Ladder, Level } from '@keypost/core/switching';
import { median } from './rate.ts';

const CORNERS = 100_000;
const DAY = 86_400;

/** A day of a signal with so many corners that goes over its threshold again and again, the same every time. */
const day = sampledSignal(
  Array.from({ length: CORNERS }, (_, n) => 5 + 4 * Math.sin(n / 40) + Math.sin(n * 1.7)),
  DAY / CORNERS,
);

/** A ladder of eight levels, each of which does more than the one before. */
const LADDER: Ladder = {
  levels: Array.from({ length: 8 }, (_, n): Level => ({
    id: `l${n}`,
    name: `Level ${n + 1}`,
    limit: 10 + 10 * n,
    direction: 'above',
    hysteresis: 2,
    delay: n % 2 ? 5 : 0,
    does:
      n > 5 ? ['show', 'flash', 'stop', 'lock'] : ['show', 'lamp', ...(n > 3 ? (['pause'] as const) : [])],
    clearedBy: n > 5 ? 'key' : 'operator',
    onFault: 'acts',
    keptOverPowerCut: true,
  })),
  range: { low: 0, high: 100 },
  startUp: 60,
  faultsWaitToo: false,
  bypass: { seconds: 600, ends: true, shown: true },
};

/** How long a switching function takes over a day, bare and behind a damping, against a pass that only compares. */
export function switching(): void {
  const own = { ...plainFunction({ kind: 'points', set: 6, reset: 4 }), onDelay: 3, offDelay: 2 };
  const took = (act: () => unknown): number =>
    median(
      Array.from({ length: 7 }, () => {
        const begin = performance.now();
        act();
        return performance.now() - begin;
      }),
    );
  let turns = 0;
  const bare = took(() => (turns = switchedBy(day, own).turns.length));
  const damped = took(() => switchedBy(day, { ...own, damping: 2 }));
  const passed = took(() => {
    let on = false;
    let times = 0;
    for (let i = 0; i < CORNERS; i++) {
      const value = day.values[i] ?? 0;
      if (!on && value >= 6) [on, times] = [true, times + 1];
      else if (on && value <= 4) on = false;
    }
    return times;
  });
  console.log(`A day of a signal with ${CORNERS} corners, ${turns} turns`);
  console.log(`  switched, with delays                 ${bare.toFixed(1)} ms (wanted 100)`);
  console.log(`  switched behind a damping             ${damped.toFixed(1)} ms (wanted 100)`);
  console.log(`  a pass that only compares             ${passed.toFixed(1)} ms`);
  const checked = took(() => checkLadder(LADDER, () => 0.5));
  console.log(
    `A ladder of ${LADDER.levels.length} levels checked whole      ${checked.toFixed(1)} ms (wanted 200)`,
  );
  const steps = 1_000_000;
  const begin = performance.now();
  const run = executeLadder({ ladder: LADDER, type: 'REAL', cycle: 100, steps });
  let step = run.next();
  while (!step.done) step = run.next();
  console.log(
    `  its code beside it, ${steps} steps     ${(performance.now() - begin).toFixed(0)} ms, ${step.value.equal} of them equal`,
  );
}
