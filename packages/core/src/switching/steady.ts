import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import { fitBow, fitLine } from './line.ts';

/** Whether a row of readings may be taught. */
export interface Steadiness {
  /** `unsure`: too few readings, or too much scatter, to say so. */
  readonly is: 'steady' | 'moves' | 'unsure';
  readonly mean: number;
  readonly scatter: number;
  /** Half of the interval in which the mean lies with 95 %. */
  readonly uncertainty: number;
  /** How far it goes from the first to the last reading, and half of its interval of 95 %. */
  readonly drift: number;
  readonly driftUncertainty: number;
  /** How far it goes one way and comes back, where that shows that it moves. */
  readonly turns?: number;
  /** What may go on between them. */
  readonly allowed: number;
  /** So long until it moves no more than that, s, and the time constant with which it settles; where it does. */
  readonly settles?: { readonly seconds: number; readonly timeConstant: number };
}

export const LEAST_READINGS = 6;

/** Fewer leave too little beside the parabola for the quantile to hold. */
const LEAST_FOR_A_TURN = 7;

/**
 * Two-sided 95 % quantile of Student's t by the expansion of Fisher and Cornish; off by less than 0.5 % from 4 degrees
 * of freedom on.
 */
export function studentT(freedom: number): number {
  const z = 1.959964;
  const [z3, z5, z7] = [z ** 3, z ** 5, z ** 7];
  return (
    z +
    (z3 + z) / 4 / freedom +
    (5 * z5 + 16 * z3 + 3 * z) / 96 / freedom ** 2 +
    (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / 384 / freedom ** 3
  );
}

/**
 * Trend against scatter. Steady is what surely moves less over the time of the row than is allowed; moving, what
 * surely moves more, be it that it turns within the row.
 * @param allowed so much it may go from the first reading to the last; its own scatter where nothing is said.
 * @throws JobProblem for fewer than six readings.
 */
export function steadiness(values: readonly number[], period: number, allowed?: number): Steadiness {
  if (values.length < LEAST_READINGS)
    refuse(say('switching.six-readings', { least: LEAST_READINGS }), 'readings');
  if (!(period > 0)) refuse(say('switching.period-above-zero'), 'period');
  if (allowed !== undefined && !(allowed > 0)) refuse(say('switching.drift-above-zero'), 'drift');
  const n = values.length;
  const line = fitLine(values);
  const worth = worthOf(line.likeness);
  const t = studentT(n - 2);
  const may = allowed ?? line.scatter;
  const drift = line.slope * (n - 1);
  const driftUncertainty = t * line.slopeError * (n - 1) * worth;
  const still = Math.abs(drift) + driftUncertainty <= may || (may === 0 && drift === 0);
  const goes = Math.abs(drift) - driftUncertainty > may;
  const turns = still || goes ? undefined : turnBeyond(values, may);
  const is = still ? 'steady' : goes || turns !== undefined ? 'moves' : 'unsure';
  return {
    is,
    mean: line.mean,
    scatter: line.scatter,
    uncertainty: (t * line.scatter * worth) / Math.sqrt(n),
    drift,
    driftUncertainty,
    allowed: may,
    ...(goes && settling(values, period, may)),
    ...(turns !== undefined && { turns }),
  };
}

/** Readings that are like their neighbours tell less than as many that are not: by so much their error is greater. */
function worthOf(likeness: number): number {
  const like = Math.min(Math.max(likeness, 0), 0.99);
  return Math.sqrt((1 + like) / (1 - like));
}

/** How far a row goes one way and comes back, if that is surely more than allowed. */
function turnBeyond(values: readonly number[], allowed: number): number | undefined {
  if (values.length < LEAST_FOR_A_TURN) return undefined;
  const { bow, bowError, likeness } = fitBow(values);
  const uncertainty = studentT(values.length - 3) * bowError * worthOf(likeness);
  return Math.abs(bow) - uncertainty > allowed ? Math.abs(bow) : undefined;
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** How something settles as A·e^(−t/τ), from the means of its three thirds, and when it goes no further than allowed. */
function settling(values: readonly number[], period: number, allowed: number): Pick<Steadiness, 'settles'> {
  const third = Math.floor(values.length / 3);
  const [m1, m2, m3] = [0, 1, 2].map((i) => meanOf(values.slice(i * third, (i + 1) * third))) as [
    number,
    number,
    number,
  ];
  const q = (m3 - m2) / (m2 - m1);
  if (!(q > 0 && q < 0.97)) return {};
  const time = third * period;
  const timeConstant = -time / Math.log(q);
  const begin = Math.abs((m3 - m2) * time) / (timeConstant * (1 - q) ** 2 * q);
  const goesOn = begin * q ** 3 * (1 - q ** 3);
  return { settles: { seconds: Math.max(0, timeConstant * Math.log(goesOn / allowed)), timeConstant } };
}
