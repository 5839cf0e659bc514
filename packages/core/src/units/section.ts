import { numberIn } from './quantity.ts';
import { KEPT_STYLE } from './number.ts';
import type { NumberStyle } from './number.ts';

/** Cross-section of a wire of the American gauge, mm² (ASTM B258: diameter 0.127 mm · 92^((36 − n)/39)). */
export function awgToMm2(gauge: number): number {
  const diameter = 0.127 * 92 ** ((36 - gauge) / 39);
  return (Math.PI / 4) * diameter * diameter;
}

/** Gauges that are drawn as wire and cable: even ones, then 1, 1/0 and beyond. */
const USUAL_GAUGES = [...Array.from({ length: 20 }, (_, n) => 40 - 2 * n), 1, 0, -1, -2, -3];

/** The usual gauge that comes nearest to a cross-section, mm², by the ratio of the two: `AWG 18`, `AWG 2/0`. */
export function gaugeText(mm2: number): string {
  const off = (gauge: number): number => Math.abs(Math.log(mm2 / awgToMm2(gauge)));
  const gauge = USUAL_GAUGES.reduce((best, next) => (off(next) < off(best) ? next : best));
  return gauge > 0 ? `AWG ${gauge}` : `AWG ${1 - gauge}/0`;
}

/** 1/0 is number 0, 2/0 number −1, and so on. */
const gaugeNumber = (text: string): number =>
  text.endsWith('/0') ? 1 - Number(text.charAt(0)) : Number(text);

/**
 * Reads a cross-section as it is printed on a cable: `0.75`, `0,75 mm²`, `AWG 20`, `20 AWG`, `2/0 AWG`, `AWG 4/0`.
 * @returns mm², of a gauge to three digits, or nothing when it is neither.
 */
export function parseSection(text: string, style: NumberStyle = KEPT_STYLE): number | undefined {
  const words = text.trim();
  const gauge = /^(?:AWG\s*(\d{1,2}|[1-4]\/0)|(\d{1,2}|[1-4]\/0)\s*AWG)$/i.exec(words);
  if (gauge) return Number(awgToMm2(gaugeNumber(gauge[1] ?? gauge[2] ?? '')).toPrecision(3));
  const mm2 = numberIn(words.replace(/qmm$/i, 'mm²'), 'mm²', style);
  return mm2 >= 0 ? mm2 : undefined;
}
