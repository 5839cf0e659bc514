import { nth } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import type { Ladder } from './ladder.ts';
import type { LadderAct, LadderFrame } from './ladderPlay.ts';

/** One thing that happened, s. */
export interface LadderHappening {
  readonly at: number;
  readonly text: Message;
  /** Place of the act among those that were done, where it is one. */
  readonly act?: number;
}

const ACTS: Readonly<Record<LadderAct['is'], Message>> = {
  anyone: say('switching.act-anyone'),
  operator: say('switching.act-operator'),
  key: say('switching.act-key'),
  power: say('switching.act-power'),
  bypass: say('switching.act-bypass'),
  bypassOff: say('switching.act-bypass-off'),
};

/** What happened while a ladder was played, in order. */
export function ladderLog({ levels }: Ladder, frames: readonly LadderFrame[]): LadderHappening[] {
  let acts = 0;
  return frames.flatMap((frame, n): LadderHappening[] => {
    const before = frames[n - 1];
    const { at } = frame;
    const done: LadderHappening[] = frame.act ? [{ at, text: ACTS[frame.act], act: acts++ }] : [];
    const whole: Message[] = [
      ...(frame.fault !== (before?.fault ?? false)
        ? [say(frame.fault ? 'switching.happens-break' : 'switching.happens-mended')]
        : []),
      ...(before?.starting && !frame.starting ? [say('switching.happens-started')] : []),
      ...(frame.bypassed !== (before?.bypassed ?? false)
        ? [say(frame.bypassed ? 'switching.happens-bypassed' : 'switching.happens-bypass-over')]
        : []),
    ];
    const own = levels.flatMap(({ name, clearedBy }, i): Message[] => {
      const now = nth(frame.levels, i);
      const was = before?.levels[i] ?? { called: false, on: false };
      if (now.on && !was.on) return [say('switching.happens-comes', { name })];
      if (!now.on && was.on) return [say('switching.happens-goes', { name })];
      if (now.called && !was.called)
        return [say(now.on ? 'switching.happens-again' : 'switching.happens-waits', { name })];
      if (!now.called && was.called)
        return [
          now.on
            ? say('switching.happens-kept', { name, by: clearedBy })
            : say('switching.happens-in-time', { name }),
        ];
      return [];
    });
    return [...done, ...[...whole, ...own].map((text) => ({ at, text }))];
  });
}
