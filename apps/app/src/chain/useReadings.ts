import { useCallback, useEffect, useRef, useState } from 'react';
import type { ReadingSource } from './readingSources';

/** One reading: when it came, s since the first, and the value; nothing where nothing counted. */
export interface Reading {
  readonly at: number;
  readonly value: number | undefined;
}

export interface Readings {
  readonly rows: readonly Reading[];
  readonly running: boolean;
  /** Why the last one did not count. */
  readonly problem: string | undefined;
  /** Begins anew. @param most ends after so many that counted; without it goes on until it is stopped. */
  readonly start: (most?: number) => void;
  readonly stop: () => void;
}

/** Reads a source again and again, no more often than it answers. With a number to reach, the first that does not count ends it: a gap is no reading. */
export function useReadings(
  source: ReadingSource | undefined,
  period: number,
  onDone?: (rows: readonly Reading[]) => void,
): Readings {
  const [rows, setRows] = useState<readonly Reading[]>([]);
  const [problem, setProblem] = useState<string>();
  const [running, setRunning] = useState(false);
  const round = useRef(0);
  const stop = useCallback(() => {
    round.current++;
    setRunning(false);
  }, []);
  useEffect(() => stop, [stop]);
  const start = (most?: number): void => {
    if (!source) return;
    const own = ++round.current;
    const read = source.begin();
    const taken: Reading[] = [];
    let first: number | undefined;
    setRows([]);
    setProblem(undefined);
    setRunning(true);
    const once = async (): Promise<void> => {
      const [value, why] = await read().then(
        (number) => [number, undefined] as const,
        (error: unknown) => [undefined, error instanceof Error ? error.message : 'No answer.'] as const,
      );
      if (own !== round.current) return;
      const came = performance.now();
      first ??= came;
      taken.push({ at: (came - first) / 1000, value });
      setRows([...taken]);
      setProblem(why);
      if (most !== undefined && (value === undefined || taken.length >= most)) {
        setRunning(false);
        if (value !== undefined) onDone?.(taken);
        return;
      }
      const next = first + taken.length * period * 1000 - performance.now();
      setTimeout(() => void (own === round.current && once()), Math.max(0, next));
    };
    void once();
  };
  return { rows, running, problem, start, stop };
}
