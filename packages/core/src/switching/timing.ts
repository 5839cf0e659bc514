/** A moment at which something turns on or off, s. */
export interface Turn {
  readonly at: number;
  readonly on: boolean;
}

/** What something is from the start on, and when it turns. */
export interface Course {
  readonly first: boolean;
  readonly turns: readonly Turn[];
}

/** Off until a moment, whatever it was before. */
export function offUntil({ first, turns }: Course, until: number, start: number): Course {
  if (until <= start) return { first, turns };
  const before = turns.filter(({ at }) => at <= until);
  const then = before.at(-1)?.on ?? first;
  const later = turns.filter(({ at }) => at > until);
  return { first: false, turns: then ? [{ at: until, on: true }, ...later] : later };
}

/** Follows only what lasts: on after so long on, off after so long off; whatever turns back meanwhile does not count. */
export function delayed({ first, turns }: Course, onDelay: number, offDelay: number): Course {
  const out: Turn[] = [];
  let now = first;
  turns.forEach(({ at, on }, i) => {
    if (on === now) return;
    const acts = at + (on ? onDelay : offDelay);
    const back = turns[i + 1]?.at ?? Infinity;
    if (acts >= back) return;
    out.push({ at: acts, on });
    now = on;
  });
  return { first, turns: out };
}

/** Once on, on for so long at least. */
export function held({ first, turns }: Course, seconds: number, start: number): Course {
  if (seconds === 0) return { first, turns };
  const out: Turn[] = [];
  let since = first ? start : -Infinity;
  for (const turn of turns) {
    const last = out.at(-1);
    if (!turn.on) out.push({ at: Math.max(turn.at, since + seconds), on: false });
    else if (last && last.at > turn.at) {
      // It is on still: what ends it is the next time it turns off.
      out.pop();
    } else {
      since = turn.at;
      out.push(turn);
    }
  }
  return { first, turns: out };
}

/** Once on, on until it is reset while nothing calls for it. @param resets moments of resets, in order. */
export function latched({ first, turns }: Course, resets: readonly number[]): Course {
  const out: Turn[] = [];
  let [called, on] = [first, first];
  const events = [
    ...turns.map((turn) => ({ ...turn, reset: false })),
    ...resets.map((at) => ({ at, on: false, reset: true })),
  ].sort((a, b) => a.at - b.at);
  for (const event of events) {
    if (!event.reset) called = event.on;
    const next = called || (on && !event.reset);
    if (next !== on) out.push({ at: event.at, on: next });
    on = next;
  }
  return { first, turns: out };
}

/** The other way round. */
export const turned = ({ first, turns }: Course): Course => ({
  first: !first,
  turns: turns.map(({ at, on }) => ({ at, on: !on })),
});
