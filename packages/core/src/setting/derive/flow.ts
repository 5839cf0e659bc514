import { PULSE_WIDTHS } from '../../catalog/index.ts';
import type { Parameter } from '../../catalog/index.ts';
import { JobProblem } from '../../model/index.ts';
import { convert, fixed, parseIn, plain, pulseHertz } from '../../units/index.ts';
import type { DeriveContext, Derivation } from './context.ts';
import { pulsePlan, widestWidth } from './pulsePlan.ts';
import type { PulsePlan } from './pulsePlan.ts';

/** A plain input with its usual filter sees so many pulses a second, and none shorter, s. */
const PLAIN_INPUT = { maxHertz: 20, minPulse: 0.02 };

/** Flow at the top of a point's range, m³/h. */
const fullFlow = ({ point }: DeriveContext): number | undefined =>
  point?.range && convert(point.range.high, point.range.unit, 'm³/h');

export const pulseOutput = ({ device, context }: DeriveContext): Derivation =>
  device && context?.output.drivenBy === 'pulses'
    ? { value: 'on', from: 'its pulses are counted' }
    : { value: 'off', from: 'no pulse wire' };

function planned(
  context: DeriveContext,
): (PulsePlan & { counter: string }) | { problem: string } | undefined {
  const flow = fullFlow(context);
  if (context.context?.output.drivenBy !== 'pulses') return undefined;
  if (flow === undefined) return { problem: 'The point has no range in a unit of flow yet.' };
  const own = context.context.ports.find(({ port }) => port.kind === 'digital');
  const limits = (own?.port.kind === 'digital' && own.port.counter) || PLAIN_INPUT;
  try {
    return {
      ...pulsePlan({ fullFlow: flow, ...limits, widths: PULSE_WIDTHS }),
      counter: own ? `${own.module.tag} counts up to ${limits.maxHertz} Hz` : 'a plain input',
    };
  } catch (error) {
    if (error instanceof JobProblem) return { problem: error.message };
    throw error;
  }
}

/** The finest volume of a pulse that the counter keeps up with. */
export function pulseVolume(context: DeriveContext): Derivation {
  const plan = planned(context);
  if (!plan || 'problem' in plan) return plan;
  return {
    value: plain(plan.litres),
    from: `${fixed(plan.hertz, 0)} pulses a second at full flow; ${plan.counter}`,
  };
}

/** The widest that fits, for the volume that is required. */
export function pulseWidth(context: DeriveContext): Derivation {
  const plan = planned(context);
  if (!plan || 'problem' in plan) return plan;
  const litres = Number(context.requiredOf('pulseValue') ?? plan.litres);
  const hertz = pulseHertz(fullFlow(context)!, litres);
  const width = widestWidth(hertz, PULSE_WIDTHS);
  return width === undefined
    ? { problem: `${fixed(hertz, 0)} pulses a second leave no width that it offers.` }
    : { value: plain(width), from: `widest that fits ${fixed(hertz, 0)} pulses a second` };
}

/** The slowest filter that lets the pulses through. */
export function pulseFilter(context: DeriveContext, parameter: Parameter): Derivation {
  const plan = planned(context);
  if (!plan || 'problem' in plan) return plan;
  const override = context.device?.override?.pulseValue?.value;
  const hertz = override === undefined ? plan.hertz : pulseHertz(fullFlow(context)!, Number(override));
  const fits = (parameter.choices ?? [])
    .map(({ value }) => Number(value))
    .filter((most) => most >= hertz)
    .sort((a, b) => a - b)[0];
  return fits === undefined
    ? { problem: `No filter lets ${fixed(hertz, 0)} pulses a second through.` }
    : { value: String(fits), from: `${fixed(hertz, 0)} pulses a second at full flow` };
}

/** A sound start, % of full scale: much lower shows flow that is not there. */
const USUAL_CUTOFF = 0.5;

/** Cut-off in % of full scale, lower where the lowest flow that must be seen needs it. */
export function lowFlowCutoff(context: DeriveContext): Derivation {
  const full = fullFlow(context);
  if (full === undefined)
    return context.point && { problem: 'The point has no range in a unit of flow yet.' };
  const { unit } = context.point!.range!;
  const inUnit = (share: number): string =>
    `${plain(convert((full * share) / 100, 'm³/h', unit)!, 3)} ${unit}`;
  const typed = context.point?.plate?.lowest;
  const lowest = typed ? parseIn(typed, 'm³/h') : undefined;
  const share = lowest?.ok ? (100 * lowest.value) / full : undefined;
  if (share !== undefined && share <= USUAL_CUTOFF) {
    const less = Math.max(0, Math.floor(share * 0.8 * 100) / 100);
    return {
      value: plain(less),
      from: `lowest flow ${typed} must be seen; hides what is below ${inUnit(less)}`,
    };
  }
  return { value: String(USUAL_CUTOFF), from: `a sound start; hides what is below ${inUnit(USUAL_CUTOFF)}` };
}
