import { say } from '../../messages/index.ts';
import { JobProblem } from '../../model/index.ts';
import { pulseHertz } from '../../units/index.ts';

/** What limits the pulses of a flow meter. */
export interface PulseLimits {
  /** Flow at the top of the range, m³/h. */
  readonly fullFlow: number;
  /** Most pulses a second that the counter takes, and the shortest that it sees, s. */
  readonly maxHertz: number;
  readonly minPulse: number;
  /** Widths that the meter offers, ms. */
  readonly widths: readonly number[];
}

export interface PulsePlan {
  /** Volume of a pulse, l. */
  readonly litres: number;
  /** Width, ms: the widest that fits. */
  readonly width: number;
  /** Pulses a second at full flow. */
  readonly hertz: number;
}

/** A counter is used up to this share of its limit, so that a flow above the range is still counted. */
const SHARE = 0.8;
/** Least width as a multiple of the shortest pulse that the counter sees. */
const MARGIN = 1.5;

/** The widest of the widths that leaves as much pause as pulse at full flow: w ≤ 1 / (2 f). */
export const widestWidth = (hertz: number, widths: readonly number[]): number | undefined =>
  [...widths].sort((a, b) => b - a).find((width) => width / 1000 <= 0.5 / hertz + 1e-12);

/**
 * The finest volume of a pulse of the steps 1, 2, 5 at which the counter keeps up and a width fits.
 * @throws JobProblem where no volume below 100 m³ does.
 */
export function pulsePlan({ fullFlow, maxHertz, minPulse, widths }: PulseLimits): PulsePlan {
  if (!(fullFlow > 0)) throw new JobProblem([{ path: '', message: say('setting.flow-top-range-above') }]);
  for (let decade = -4; decade <= 5; decade++)
    for (const step of [1, 2, 5]) {
      const litres = Number((step * 10 ** decade).toPrecision(1));
      const hertz = pulseHertz(fullFlow, litres);
      if (hertz > SHARE * maxHertz) continue;
      const width = widestWidth(hertz, widths);
      if (width !== undefined && width / 1000 >= MARGIN * minPulse) return { litres, width, hertz };
    }
  throw new JobProblem([
    {
      path: '',
      message: say('setting.pulse-fits-counter-needs', { minPulse, widths }),
    },
  ]);
}
