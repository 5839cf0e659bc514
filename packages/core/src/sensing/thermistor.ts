import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';

const ZERO_KELVIN = -273.15;

/** A thermistor by its resistance at 25 °C, Ω, and its B value, K. */
export interface Thermistor {
  readonly ohms25: number;
  readonly beta: number;
}

const sound = ({ ohms25, beta }: Thermistor): void => {
  if (!(ohms25 > 0)) refuse(say('scaling.thermistor-resistance-25-c'));
  if (!(beta > 0)) refuse(say('scaling.thermistor-b-value-above'));
};

/** Resistance, Ω: R₂₅ · exp(B (1/T − 1/298.15 K)) (IEC 60539-1). @throws JobProblem at or below absolute zero. */
export function thermistorOhms(thermistor: Thermistor, t: number): number {
  sound(thermistor);
  if (!(t > ZERO_KELVIN)) refuse(say('scaling.temperature-above-c', { zeroKelvin: ZERO_KELVIN }));
  return thermistor.ohms25 * Math.exp(thermistor.beta * (1 / (t - ZERO_KELVIN) - 1 / (25 - ZERO_KELVIN)));
}

/** Temperature, °C. @throws JobProblem for a resistance that is not above 0 Ω. */
export function thermistorTemperature(thermistor: Thermistor, ohms: number): number {
  sound(thermistor);
  if (!(ohms > 0)) refuse(say('scaling.resistance-above-0'));
  const inverse = 1 / (25 - ZERO_KELVIN) + Math.log(ohms / thermistor.ohms25) / thermistor.beta;
  if (!(inverse > 0)) refuse(say('scaling.need-more-any-temperature', { ohms }));
  return 1 / inverse + ZERO_KELVIN;
}

/** B value from two known pairs of °C and Ω. @throws JobProblem where they do not tell one. */
export function betaOf(t1: number, ohms1: number, t2: number, ohms2: number): number {
  if (t1 === t2) refuse(say('scaling.b-value-needs-two'));
  if (!(ohms1 > 0 && ohms2 > 0)) refuse(say('scaling.resistance-above-0'));
  const beta = Math.log(ohms1 / ohms2) / (1 / (t1 - ZERO_KELVIN) - 1 / (t2 - ZERO_KELVIN));
  return beta > 0 ? beta : refuse(say('scaling.resistance-such-thermistor-falls'));
}
