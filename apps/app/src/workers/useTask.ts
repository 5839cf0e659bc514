import { JobProblem } from '@keypost/core/model';
import { proxy, wrap } from 'comlink';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Planner } from './planning.worker';
import { perform } from './tasks';
import type { Outcome, TaskName, Tasks } from './tasks';

/** A task that somebody started: where it is, or what came of it. */
export interface Running<N extends TaskName> {
  readonly busy: boolean;
  readonly count: number;
  readonly answer?: Tasks[N]['answer'];
  readonly error?: Error;
  readonly start: (given: Tasks[N]['given']) => void;
  readonly cancel: () => void;
}

interface State<N extends TaskName> {
  readonly busy: boolean;
  readonly count: number;
  readonly answer?: Tasks[N]['answer'];
  readonly error?: Error;
}

const IDLE = { busy: false, count: 0 } as const;

interface Hand {
  readonly own: Worker;
  readonly planner: Remote<Planner>;
}

/** So long a worker that has answered waits for the next task, ms: what it has run it runs several times quicker. */
const RESTS = 120_000;
let resting: (Hand & { readonly until: ReturnType<typeof setTimeout> }) | undefined;

function hire(): Hand {
  const hand = resting;
  resting = undefined;
  if (!hand) {
    const own = new Worker(new URL('./planning.worker.ts', window.location.href));
    return { own, planner: wrap<Planner>(own) };
  }
  clearTimeout(hand.until);
  return hand;
}

/** Of those that have answered one waits. */
function rest(hand: Hand): void {
  if (resting) {
    hand.own.terminate();
    return;
  }
  const until = setTimeout(() => {
    hand.own.terminate();
    resting = undefined;
  }, RESTS);
  resting = { ...hand, until };
}

/** Runs a task in a worker of its own, which is ended when the task is cancelled or fails, and otherwise rests. */
export function useTask<N extends TaskName>(name: N): Running<N> {
  const [state, setState] = useState<State<N>>(IDLE);
  const worker = useRef<Hand>(undefined);
  const stop = useCallback(() => {
    worker.current?.own.terminate();
    worker.current = undefined;
  }, []);
  useEffect(() => stop, [stop]);
  const start = useCallback(
    (given: Tasks[N]['given']) => {
      stop();
      setState((before) => ({ ...before, busy: true, count: 0, error: undefined }));
      if (typeof Worker === 'undefined') return setState(onThePage(name, given));
      const hand = hire();
      const { own, planner } = hand;
      worker.current = hand;
      const goesOn = () => worker.current?.own === own;
      own.onerror = () => {
        stop();
        setState({ ...IDLE, error: new Error('The work stopped. Try it again.') });
      };
      const tell = (count: number) => {
        if (goesOn()) setState((before) => ({ ...before, count }));
      };
      void (planner.run(name, given, proxy(tell)) as Promise<Outcome<N>>).then((word) => {
        if (!goesOn()) return;
        if (word.kind === 'failed') stop();
        else {
          worker.current = undefined;
          rest(hand);
        }
        setState(outcome(word));
      });
    },
    [name, stop],
  );
  const cancel = useCallback(() => {
    stop();
    setState(IDLE);
  }, [stop]);
  return { ...state, start, cancel };
}

function outcome<N extends TaskName>(word: Outcome<N>): State<N> {
  switch (word.kind) {
    case 'answer':
      return { ...IDLE, answer: word.answer };
    case 'refused':
      return { ...IDLE, error: new JobProblem(word.problems) };
    case 'failed':
      return { ...IDLE, error: new Error(word.message) };
  }
}

function onThePage<N extends TaskName>(name: N, given: Tasks[N]['given']): State<N> {
  try {
    const run = perform(name, given);
    for (let step = run.next(); ; step = run.next()) if (step.done) return { ...IDLE, answer: step.value };
  } catch (error) {
    return { ...IDLE, error: error instanceof Error ? error : new Error(String(error)) };
  }
}
