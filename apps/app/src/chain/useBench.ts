import { textOf } from '@keypost/core/messages';
import type { PracticeState } from '@keypost/api';
import { useState } from 'react';
import useSWR from 'swr';
import { z } from 'zod';
import { readStored, store } from '../data/stored';
import { server } from '../data/server';
import { asProblem } from '../data/asProblem';

/** What a source truly gave at a step. */
export interface Given {
  readonly injected: number;
  readonly source: string;
}

const KEY = 'keypost.bench';

const remembered = (): string => readStored(KEY, z.string()) ?? '';

/** Units that a bench source gives. */
const GIVES = new Set(['mA', 'V', 'mV', 'Ω']);

/** A source on the bench: where it answers, what it was asked for, and what it gave. */
export function useBench(unit: string) {
  const practice = useSWR<PracticeState>('practice', () => server('practice', {}));
  const [typed, setTyped] = useState(remembered);
  const [given, setGiven] = useState<Readonly<Record<string, Given>>>({});
  const [waiting, setWaiting] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const simulated = practice.data?.links?.bench;
  const address = typed.trim() || simulated;
  const link = GIVES.has(unit) ? address : undefined;
  const change = (text: string): void => {
    setTyped(text);
    store(KEY, text);
  };
  const give = async (step: string, value: number): Promise<void> => {
    if (link === undefined) return;
    setWaiting(step);
    setProblem(undefined);
    try {
      const answer = await server('inject', { body: { link, unit, value } });
      setGiven((before) => ({ ...before, [step]: answer }));
    } catch (error) {
      setProblem(textOf(asProblem(error).details.message));
    } finally {
      setWaiting(undefined);
    }
  };
  const put = (step: string, injected: number | undefined): void =>
    setGiven(({ [step]: _, ...rest }) =>
      injected === undefined ? rest : { ...rest, [step]: { injected, source: '' } },
    );
  return { put, link, typed, simulated, change, give, given, waiting, problem };
}
