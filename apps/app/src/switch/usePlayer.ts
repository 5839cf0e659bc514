import { useCallback, useEffect, useRef, useState } from 'react';

/** Speeds at which a course is played, times the clock. */
export const SPEEDS = ['1', '5', '20', '60'] as const;
type Speed = (typeof SPEEDS)[number];

export interface Player {
  readonly at: number;
  readonly playing: boolean;
  readonly speed: Speed;
  readonly setSpeed: (speed: Speed) => void;
  readonly go: (at: number) => void;
  readonly toggle: () => void;
}

/** Whether the system asks for less motion. */
const isStill = (): boolean =>
  typeof window.matchMedia === 'function' && window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Every so many ms the moment moves on where motion is to be reduced. */
const STILL_STEP = 1000;

/** A moment that moves on by itself, faster or slower, to the end of a course; in steps of a second where motion is reduced. */
export function usePlayer(end: number): Player {
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<Speed>('20');
  const times = useRef(Number(speed));
  useEffect(() => {
    times.current = Number(speed);
  }, [speed]);
  useEffect(() => {
    if (!playing) return undefined;
    const move = (seconds: number) =>
      setAt((before) => {
        const next = Math.min(end, before + seconds * times.current);
        if (next >= end) setPlaying(false);
        return next;
      });
    if (isStill()) {
      const timer = setInterval(() => move(STILL_STEP / 1000), STILL_STEP);
      return () => clearInterval(timer);
    }
    let last = performance.now();
    let frame = requestAnimationFrame(function tick(now) {
      move((now - last) / 1000);
      last = now;
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, end]);
  const go = useCallback((to: number) => setAt(Math.max(0, to)), []);
  return {
    at: Math.min(at, end),
    playing,
    speed,
    setSpeed,
    go,
    toggle: () => {
      if (!playing && at >= end) setAt(0);
      setPlaying(!playing);
    },
  };
}
