import { plainFunction, sampledSignal, switchedBy } from '@keypost/core/switching';
import { median } from './rate.ts';

const CORNERS = 100_000;
const DAY = 86_400;

/** A day of a signal with so many corners that goes over its threshold again and again, the same every time. */
const day = sampledSignal(
  Array.from({ length: CORNERS }, (_, n) => 5 + 4 * Math.sin(n / 40) + Math.sin(n * 1.7)),
  DAY / CORNERS,
);

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
}
