import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';

const DAY = 86_400;

/** Gaussian noise around a value: its standard deviation, and how often it goes up through its mean, 1/s. */
export interface Noise {
  readonly sigma: number;
  readonly zeroRate: number;
}

/** Noise of which all frequencies up to a bandwidth are alike, Hz: it goes up through its mean B/√3 times a second (Rice). */
export function flatNoise(sigma: number, hertz: number): Noise {
  if (!(sigma > 0)) refuse(say('switching.noise-above-zero'), 'sigma');
  if (!(hertz > 0)) refuse(say('switching.bandwidth-above-zero'), 'hertz');
  return { sigma, zeroRate: hertz / Math.sqrt(3) };
}

/** The bandwidth of flat noise that goes through its mean as often, Hz. */
export const bandwidthOf = ({ zeroRate }: Noise): number => zeroRate * Math.sqrt(3);

/**
 * The same behind a damping of first order with a time constant, s: its spectrum is 1/(1 + (2πfτ)²) up to its
 * bandwidth, whose moments are closed forms.
 */
export function dampedNoise(noise: Noise, seconds: number): Noise {
  if (seconds <= 0) return noise;
  const hertz = bandwidthOf(noise);
  const turn = 2 * Math.PI * seconds;
  const x = turn * hertz;
  // For a small x the closed form loses its digits: its series to the third term.
  const power = x < 1e-3 ? hertz * (1 - x ** 2 / 3) : Math.atan(x) / turn;
  const moved = x < 1e-3 ? (hertz ** 3 / 3) * (1 - (3 * x ** 2) / 5) : (x - Math.atan(x)) / turn ** 3;
  return { sigma: noise.sigma * Math.sqrt(power / hertz), zeroRate: Math.sqrt(moved / power) };
}

/**
 * How often a day it switches on by noise alone, where the value rests in the middle between both points, which is the
 * worst place. Up through a level a·σ goes it ν₀·e^(−a²/2) times a second (Rice); from one level to the other and back
 * takes two of those waits. Below 2.5 σ these are not apart from each other any more: so much more is fitted to flat noise
 * that was counted; damped noise switches rather less there, by 15 % at most.
 */
export function falsePerDay({ sigma, zeroRate }: Noise, hysteresis: number): number {
  const a = Math.max(hysteresis, 0) / 2 / sigma;
  const apart = (zeroRate * Math.exp(-(a ** 2) / 2)) / 2;
  return DAY * apart * (1 + Math.exp(-1.2 * a - 0.1 * a ** 2));
}

/** The smallest of what falls with x, from which on it is no more than allowed; found by halving, to one part in 10⁹. */
function smallestFrom(falls: (x: number) => number, allowed: number, begin: number): number {
  if (falls(0) <= allowed) return 0;
  let high = begin;
  while (falls(high) > allowed) high *= 2;
  let low = 0;
  while (high - low > 1e-9 * high) {
    const middle = (low + high) / 2;
    if (falls(middle) > allowed) low = middle;
    else high = middle;
  }
  return high;
}

const allowed = (perDay: number): number =>
  perDay > 0 ? perDay : refuse(say('switching.allowed-above-zero'), 'perDay');

/** Least hysteresis with which it switches falsely so often a day at most. */
export const hysteresisFor = (noise: Noise, perDay: number): number =>
  smallestFrom((h) => falsePerDay(noise, h), allowed(perDay), noise.sigma);

/** Least damping with which a hysteresis does, s; 0 where it does without. */
export function dampingFor(noise: Noise, hysteresis: number, perDay: number): number | undefined {
  if (!(hysteresis > 0)) return undefined;
  return smallestFrom(
    (tau) => falsePerDay(dampedNoise(noise, tau), hysteresis),
    allowed(perDay),
    1 / bandwidthOf(noise),
  );
}

/**
 * Least delay, of on and of off, with which a bare threshold does, s. The share of times on one side that last longer
 * than d falls as 1.42·e^(−1.68·B·d) for flat noise: fitted to noise that was counted, for B·d from 2 on.
 */
export function delayFor(noise: Noise, perDay: number): number {
  const hertz = bandwidthOf(noise);
  const most = (2 * allowed(perDay)) / DAY / noise.zeroRate;
  return most >= 1 ? 0 : Math.max(2, Math.log(1.42 / most) / 1.68) / hertz;
}
