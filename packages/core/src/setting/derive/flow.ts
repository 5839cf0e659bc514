import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message, Text } from '../../messages/index.ts';
import { PULSE_WIDTHS } from '../../catalog/index.ts';
import type { Parameter } from '../../catalog/index.ts';
import { JobProblem } from '../../model/index.ts';
import { hertzPerUnit, pulseLaw } from '../../sensing/index.ts';
import { convert, parseIn, plain, pulseHertz } from '../../units/index.ts';
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
    ? { value: 'on', from: say('setting.pulses-counted') }
    : { value: 'off', from: say('setting.pulse-wire') };

function planned(context: DeriveContext): (PulsePlan & { counter: Message }) | { problem: Text } | undefined {
  const flow = fullFlow(context);
  if (context.context?.output.drivenBy !== 'pulses') return undefined;
  const law = context.point?.range && pulseLaw(context.point.range);
  if (law === 'rotation' || law === 'frequency') return undefined;
  if (flow === undefined) return { problem: say('setting.point-range-unit-flow') };
  const own = context.context.ports.find(({ port }) => port.kind === 'digital');
  const limits = (own?.port.kind === 'digital' && own.port.counter) || PLAIN_INPUT;
  try {
    return {
      ...pulsePlan({ fullFlow: flow, ...limits, widths: PULSE_WIDTHS }),
      counter: own
        ? say('setting.counts-up-hz', { module: own.module.tag, maxHertz: limits.maxHertz })
        : say('setting.plain-input'),
    };
  } catch (error) {
    if (error instanceof JobProblem) return { problem: error.first };
    throw error;
  }
}

/** The finest volume of a pulse that the counter keeps up with. */
export function pulseVolume(context: DeriveContext): Derivation {
  const plan = planned(context);
  if (!plan || 'problem' in plan) return plan;
  return {
    value: plain(plan.litres),
    from: say('setting.pulses-second-full-flow', { hertz: plan.hertz, counter: plan.counter }),
  };
}

/** The widest that fits, for the volume that is required. */
export function pulseWidth(context: DeriveContext): Derivation {
  const plan = planned(context);
  if (!plan || 'problem' in plan) return plan;
  const litres = Number(context.requiredOf('pulseValue') ?? plan.litres);
  const hertz = pulseHertz(sure(fullFlow(context)), litres);
  const width = widestWidth(hertz, PULSE_WIDTHS);
  return width === undefined
    ? { problem: say('setting.pulses-second-leave-width', { hertz }) }
    : { value: plain(width), from: say('setting.widest-fits-pulses-second', { hertz }) };
}

/** The slowest filter that lets the pulses through. */
export function pulseFilter(context: DeriveContext, parameter: Parameter): Derivation {
  const { point } = context;
  const law = point?.range && pulseLaw(point.range);
  if (point?.range && context.context?.output.drivenBy === 'pulses' && law && law !== 'flow') {
    const per = hertzPerUnit(point, undefined);
    return per === undefined
      ? { problem: say('setting.pulses-of-a-turn') }
      : filterFor(point.range.high * per, parameter);
  }
  const plan = planned(context);
  if (!plan || 'problem' in plan) return plan;
  const override = context.device?.override?.pulseValue?.value;
  const hertz = override === undefined ? plan.hertz : pulseHertz(sure(fullFlow(context)), Number(override));
  return filterFor(hertz, parameter);
}

function filterFor(hertz: number, parameter: Parameter): Derivation {
  const fits = (parameter.choices ?? [])
    .map(({ value }) => Number(value))
    .filter((max) => max >= hertz)
    .sort((a, b) => a - b)[0];
  return fits === undefined
    ? { problem: say('setting.filter-lets-pulses-second', { hertz }) }
    : { value: String(fits), from: say('setting.pulses-second-full-flow-2', { hertz }) };
}

/** The unit of a total: the volume that the unit of the flow counts, l of l/min. */
export function totalUnit({ point }: DeriveContext, parameter: Parameter): Derivation {
  const volume = point?.range?.unit.split('/')[0];
  return volume && parameter.choices?.some(({ value }) => value === volume)
    ? { value: volume, from: say('setting.range-of-2', { point: sure(point).tag }) }
    : undefined;
}

/** A sound start, % of full scale: much lower shows flow that is not there. */
const USUAL_CUTOFF = 0.5;

/** Cut-off in % of full scale, lower where the lowest flow that must be seen needs it. */
export function lowFlowCutoff(context: DeriveContext): Derivation {
  const full = fullFlow(context);
  if (full === undefined) return context.point && { problem: say('setting.point-range-unit-flow') };
  const { unit } = sure(sure(context.point).range);
  const inUnit = (share: number): string =>
    `${plain(sure(convert((full * share) / 100, 'm³/h', unit)), 3)} ${unit}`;
  const typed = context.point?.plate?.lowest;
  const lowest = typed ? parseIn(typed, 'm³/h') : undefined;
  const share = lowest?.ok ? (100 * lowest.value) / full : undefined;
  if (share !== undefined && share <= USUAL_CUTOFF) {
    const less = Math.max(0, Math.floor(share * 0.8 * 100) / 100);
    return {
      value: plain(less),
      from: say('setting.lowest-flow-must-seen', { typed, inUnit: inUnit(less) }),
    };
  }
  return {
    value: String(USUAL_CUTOFF),
    from: say('setting.sound-start-hides-what', { inUnit: inUnit(USUAL_CUTOFF) }),
  };
}
