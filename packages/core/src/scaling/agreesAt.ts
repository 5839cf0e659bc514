import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { countedOf, cutoffOf, engineeringOf, ofDisplay, shownOn } from './chain.ts';
import type { SignalChain } from './chain.ts';
import { convert } from '../units/index.ts';
import { problemOfCurve } from '../sensing/index.ts';
import type { PointChain } from './pointChainTypes.ts';

/** Where the screen does not show what there is. */
export interface Disagreement {
  readonly value: number;
  readonly shown: number;
  readonly sentence: Message;
}

/** Share of the span by which a screen may be off before the chain is said not to agree. */
const OFF = 0.02;

/**
 * The largest difference between value and screen at the states that were solved with the point; nothing while all
 * are within 2 % of the span.
 */
export function disagreementOf(analysis: Analysis, made: PointChain): Disagreement | undefined {
  const { chain, sensed } = made;
  let worst: { value: number; shown: number; off: number } | undefined;
  const states = analysis.shown.flatMap(({ situation, measured }) =>
    measured[0] ? [{ level: situation.level, input: measured[0].value.nom }] : [],
  );
  // Pulses are no measured value: their chain is gone through at a few flows.
  const looked = states.length
    ? states
    : [0, 0.5, 1].map((level) => ({ level, input: chain.loop.at(sensed.signalOf(level)).nom }));
  for (const { level, input } of looked) {
    // A level that the sensor's function does not hold says nothing.
    problemOfCurve(() => {
      const value = chain.sensor.curve.inverse(sensed.signalOf(level));
      const shown = shownOn(chain, engineeringOf(chain, countedOf(chain, input).counts));
      const off = offBy(made, value, shown.value);
      if (off > (worst?.off ?? OFF)) worst = { value, shown: shown.value, off };
    });
  }
  const { unit, decimals, label } = chain.display;
  if (!worst) return hidden(chain);
  const { value, shown } = worst;
  return {
    value,
    shown,
    sentence: say('scaling.shows-where', { label, shown, decimals, unit, value, unit2: chain.sensor.unit }),
  };
}

/**
 * How far a screen is off, as a share of the sensor's span. In a unit that belongs to the sensor's it must show the
 * value itself; in any other what its own span says.
 */
function offBy({ chain }: PointChain, value: number, shown: number): number {
  const { sensor, display } = chain;
  const span = Math.abs(sensor.high - sensor.low);
  const same = convert(shown, display.unit, sensor.unit);
  return Math.abs((same ?? ofDisplay(chain, shown)) - value) / span;
}

/** A screen whose cut-off is above this share hides flow that somebody wants to see, %. */
const USUAL_CUTOFF = 5;

function hidden({ display, sensor }: SignalChain): Disagreement | undefined {
  const { cutoffPercent, label, unit, decimals } = display;
  if (cutoffPercent <= USUAL_CUTOFF) return undefined;
  const limit = cutoffOf(display);
  return {
    value: sensor.low + (cutoffPercent / 100) * (sensor.high - sensor.low),
    shown: 0,
    sentence: say('scaling.cut-off-holds-zero', { cutoffPercent, label, limit, decimals, unit }),
  };
}
