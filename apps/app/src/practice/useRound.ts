import { act, isFound } from '@keypost/core/fault';
import type { Act, Dictionary, Round } from '@keypost/core/fault';
import { textOf } from '@keypost/core/messages';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { now } from '../data/now';
import { useSettings } from '../data/settings';
import type { OpenPoint } from '../point/usePoint';
import { useResults } from './results';

const STATE = z.enum(['away', 'present', 'pressed', 'pulses']);
const Done = z.object({
  act: z.union([
    z.object({ kind: z.enum(['sensorLed', 'inputLed', 'bit', 'value', 'talks', 'counts']), state: STATE }),
    z.object({ kind: z.literal('flickers'), lamp: z.enum(['sensorLed', 'inputLed']), state: STATE }),
    z.object({ kind: z.literal('asSet'), part: z.string(), label: z.string(), state: STATE }),
    z.object({ kind: z.enum(['acts', 'fed', 'lit']), element: z.string(), label: z.string(), state: STATE }),
    z.object({
      kind: z.enum(['volts', 'ohms', 'amps']),
      state: STATE,
      red: z.string(),
      black: z.string(),
      power: z.enum(['on', 'off']),
    }),
  ]),
  is: z.union([z.number(), z.boolean()]),
});
const Kept = z.object({
  acts: z.array(Done),
  over: z.string().optional(),
  answer: z.array(z.string()).optional(),
});

export interface Play {
  readonly acts: readonly { readonly act: Act; readonly is: number | boolean }[];
  /** Why it ended early. */
  readonly over: string | undefined;
  /** What was answered, by the ids of faults; none where somebody gave up. */
  readonly answer: readonly string[] | undefined;
  readonly doAct: (doing: Act) => void;
  readonly give: (answer: readonly string[], seconds: number) => void;
  readonly anew: () => void;
}

/** A round as it is played; it outlasts a reload. */
export function useRound({
  point,
  dictionary,
  round,
  code,
}: {
  point: OpenPoint;
  dictionary: Dictionary;
  round: Round;
  code: string;
}): Play {
  const { by } = useSettings();
  const [kept, setKept] = useDraftState<z.infer<typeof Kept>>(`practice.${point.view.id}.${code}`, Kept, {
    acts: [],
  });
  const [, setResults] = useResults();
  const { tag } = point.analysis.context.point;
  const note = (found: boolean, over: string, looks: number, seconds: number) =>
    setResults((before) => [
      ...before.slice(-499),
      {
        code,
        level: round.key.level,
        by,
        tag,
        sort: round.faults[0]?.sort ?? 'other',
        found,
        over,
        looks,
        seconds,
        at: now(),
      },
    ]);
  const doAct = (doing: Act) => {
    const before = kept.acts.filter(({ act: { kind } }) => kind === 'volts' || kind === 'ohms').length;
    const out = act(point.analysis, dictionary, round, doing, before);
    if (out.kind === 'seen') setKept({ ...kept, acts: [...kept.acts, { act: doing, is: out.is }] });
    else {
      const over = textOf(out.why);
      setKept({ ...kept, over });
      note(false, over, kept.acts.length + 1, 0);
    }
  };
  const give = (answer: readonly string[], seconds: number) => {
    setKept({ ...kept, answer: [...answer] });
    note(isFound(dictionary, round, answer), '', kept.acts.length, seconds);
  };
  return { ...kept, over: kept.over, answer: kept.answer, doAct, give, anew: () => setKept({ acts: [] }) };
}
