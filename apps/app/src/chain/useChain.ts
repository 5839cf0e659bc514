import { refusalText } from '../data/refusalText';
import { say, textOf } from '@keypost/core/messages';
import { chainOf, moveChain } from '@keypost/core/scaling';
import { JobProblem, unlessRefused } from '@keypost/core/model';
import { parseTyped } from '../ui/typedNumbers';
import type { ChainState, LinkKey, PointChain } from '@keypost/core/scaling';
import { useMemo, useState } from 'react';
import type { OpenPoint } from '../point/usePoint';

/** The chain of a point and the moment at which it is looked at. */
export interface ChainMoment {
  readonly made: PointChain;
  readonly state: ChainState;
  /** The link that was moved, and where to. */
  readonly moved: LinkKey;
  /** Moves a link to a number as it is typed; says why it cannot be there. */
  readonly move: (key: LinkKey, text: string) => string | undefined;
  readonly moveTo: (key: LinkKey, value: number) => void;
}

/** The chain of a point; a sentence where it has none yet. */
export function useChain(point: OpenPoint): ChainMoment | string {
  const made = useMemo(() => chainOf(point.analysis), [point.analysis]);
  const [at, setAt] = useState<{ key: LinkKey; value: number }>();
  const found = useMemo(() => {
    if (!made || 'problem' in made) return undefined;
    const { sensor } = made.chain;
    const middle = { key: 'value' as const, value: (sensor.low + sensor.high) / 2 };
    return stateAt(made, at ?? middle) ?? stateAt(made, middle);
  }, [made, at]);
  if (!made) return 'Nothing of this point is measured.';
  if ('problem' in made) return textOf(made.problem);
  if (!found) return 'This chain cannot be worked out in the middle of its range. Look at its setup.';
  const move = (key: LinkKey, text: string): string | undefined => {
    const { chain } = made;
    const unit = {
      value: chain.sensor.unit,
      signal: chain.sensor.signal.unit,
      input: chain.input.unit,
      counts: '',
      engineering: chain.controller.unit,
      display: chain.display.unit,
    }[key];
    const read = parseTyped(text, unit);
    if (!read.ok) return textOf(read.problem);
    if (key === 'counts' && chain.converter.format.step >= 1 && !Number.isInteger(read.value))
      return textOf(say('model.counts-whole-numbers'));
    try {
      moveChain(chain, key, read.value);
      setAt({ key, value: read.value });
      return undefined;
    } catch (error) {
      if (error instanceof JobProblem) return refusalText(error);
      throw error;
    }
  };
  return {
    made,
    state: found,
    moved: at?.key ?? 'value',
    move,
    moveTo: (key, value) => setAt({ key, value }),
  };
}

const stateAt = (
  { chain }: PointChain,
  { key, value }: { key: LinkKey; value: number },
): ChainState | undefined => unlessRefused(() => moveChain(chain, key, value));
