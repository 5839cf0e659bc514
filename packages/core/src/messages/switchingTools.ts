import { fixed, withUnit, written } from '../units/index.ts';

const of = (value: number, unit: string): string => withUnit(value, unit, 3);

/** Places after the point that show two digits of an uncertainty. */
const placesOf = (uncertainty: number): number =>
  uncertainty > 0 ? Math.min(6, Math.max(0, 1 - Math.floor(Math.log10(uncertainty)))) : 3;

/** Sentences by code. */
export const SWITCHING_TOOLS = {
  'tools.hysteresis': 'Hysteresis from noise',
  'tools.hysteresis-hint': 'how much, or which damping or delay, so that it does not chatter',
  'tools.noise-is-known': 'Noise',
  'tools.by-readings': 'from readings',
  'tools.by-figures': 'by its figures',
  'tools.readings-at-rest': 'Readings at rest',
  'tools.every-so-many-seconds': 'One reading every',
  'tools.standard-deviation': 'Standard deviation',
  'tools.bandwidth': 'Bandwidth of the noise',
  'tools.may-switch-falsely': 'May switch falsely so often a day',
  'tools.hysteresis-as-set': 'Hysteresis as it is set',
  'tools.hysteresis-least': ({ least, unit }: { least: number; unit: string }) =>
    `Hysteresis of ${of(least, unit)} or more`,
  'tools.noise-of-it': 'Noise, standard deviation',
  'tools.noise-bandwidth': 'Noise, bandwidth',
  'tools.as-set-switches': 'As it is set it switches falsely',
  'tools.replayed-at': ({ hysteresis, unit }: { hysteresis: number; unit: string }) =>
    `With ${of(hysteresis, unit)}: worked out, and the readings replayed`,
  'tools.worked-and-replayed': ({ worked, replayed }: { worked: string; replayed: string }) =>
    `${worked}, ${replayed}`,
  'tools.damping-instead': 'Or damping, with the hysteresis as set',
  'tools.delay-instead': 'Or delay, on and off, without any hysteresis',
  'tools.hysteresis-costs': ({ least, unit }: { least: number; unit: string }) =>
    `Hysteresis costs no time while a value rises through its set point; coming back, it switches ${of(least, unit)} further on.`,
  'tools.damping-costs': ({ time }: { time: string }) =>
    `Damping costs its time: a steady rise is followed ${time} later.`,
  'tools.delay-costs': ({ time }: { time: string }) =>
    `A delay costs its time in every switching: ${time} later, and what is shorter is never seen.`,
  'tools.few-readings-of-noise':
    'These readings are few: take two hundred or more, closely one after the other, while nothing moves.',
  'tools.rest-in-the-middle':
    'Worked out for a value that rests in the middle between both points, the worst place, and for noise without mains hum or jumps.',
  'tools.reaction': 'Reaction time',
  'tools.reaction-hint': 'from the limit crossed to the output acting, at worst',
  'tools.sensor-response': 'Sensor’s response',
  'tools.damping': 'Damping, time constant',
  'tools.link-cycle': 'Cycle of its link',
  'tools.input-filter': 'Input filter',
  'tools.program-cycle': 'Program cycle',
  'tools.delay-set': 'Delay that is set',
  'tools.relay-time': 'Relay or contactor',
  'tools.rises-by': 'It rises at most by, each second',
  'tools.may-go-beyond': 'May go beyond the limit by',
  'tools.at-worst-after': ({ time }: { time: string }) => `Acts after ${time} at worst`,
  'tools.time-of': ({ times, own, time }: { times: number; own: string; time: string }) =>
    times === 1 ? time : `${times} × ${own} = ${time}`,
  'tools.reaction-words':
    'Link and program count twice: what comes just too late for one cycle waits for the next. Behind a damping, a steady rise is followed by its time constant later.',
  'tools.beyond-by': 'Beyond the limit by then',
  'tools.set-it-before': 'Set it before the limit by',
  'tools.reaction-is-quick': 'It acts before more than is allowed has happened.',
  'tools.reaction-is-slow': ({ spare }: { spare: string }) =>
    `Too slow by ${spare}: take delay or damping out, decide nearer to the sensor, or set the threshold before the limit.`,
  'tools.not-for-safety':
    'For what protects people this is not enough: response times of safety functions are for a competent person to prove (ISO 13855).',
  'tools.teach': 'Teach check',
  'tools.teach-hint': 'whether readings are steady enough to teach, and what comes of it',
  'tools.teach-kind': 'What is taught',
  'tools.teach-margin': 'one value, with a margin',
  'tools.teach-two': 'two values: background and object',
  'tools.teach-window': 'a window around one value',
  'tools.teach-flow': 'smallest and largest flow',
  'tools.teach-cycle': 'over a whole cycle',
  'tools.teach-zero': 'the present value as zero',
  'tools.teach-sensitivity': 'the sensitivity, by its adjuster',
  'tools.adjuster-scale': 'Full scale of the adjuster',
  'tools.object-lost-at': 'Object lost at',
  'tools.background-seen-at': 'Background seen at',
  'tools.empty-if-never': 'empty if never',
  'tools.stability-led': 'Stability LED, with and without the object',
  'tools.led-in-both': 'on in both',
  'tools.led-not-in-both': 'not in both',
  'tools.turn-it-up':
    'Turn it up from nothing. Note where the object is just seen or lost, then, without the object, where the background is just seen.',
  'tools.set-adjuster-to': ({ setting, scale }: { setting: number; scale: number }) =>
    `Set it to ${written(setting, 3)} of ${written(scale, 3)}`,
  'tools.left-either-side': 'Left to either side',
  'tools.first-readings': 'Readings',
  'tools.second-readings': 'Readings of the second value',
  'tools.teach-margin-is': 'Margin; below zero for a point below it',
  'tools.may-drift': 'May drift over these readings by',
  'tools.device-step': 'Device’s own step',
  'tools.least-span': 'Least span that it takes',
  'tools.cannot-teach-moves': 'Not to be taught: it moves',
  'tools.conditions': 'Under which conditions',
  'tools.cannot-teach-unsure': 'Not to be taught yet: not sure that it is steady',
  'tools.cannot-teach-near': 'Not to be taught: too near',
  'tools.can-be-taught': 'Can be taught',
  'tools.mean-of': ({ which }: { which: 'first' | 'second' }) =>
    which === 'first' ? 'Value' : 'Second value',
  'tools.value-give-or-take': ({
    mean,
    uncertainty,
    unit,
  }: {
    mean: number;
    uncertainty: number;
    unit: string;
  }) => `${fixed(mean, placesOf(uncertainty))} ± ${fixed(uncertainty, placesOf(uncertainty))} ${unit}`.trim(),
  'tools.moved-by': ({ which }: { which: 'first' | 'second' }) =>
    which === 'first' ? 'Moved while it was read' : 'Second value moved',
  'tools.switches-on-at': 'Switches on at',
  'tools.switches-off-at': 'Switches off at',
  'tools.window-from-to': 'Window',
  'tools.range-from-to': 'Range',
  'tools.from-to-unit': ({ low, high, unit }: { low: number; high: number; unit: string }) =>
    `${written(low, 4)} to ${withUnit(high, unit, 4)}`,
  'tools.apart': 'Apart',
  'tools.apart-of': ({ distance, least, unit }: { distance: number; least: number; unit: string }) =>
    `${of(distance, unit)}; at least ${of(least, unit)}`,
  'tools.moves-words': ({ drift, allowed, unit }: { drift: number; allowed: number; unit: string }) =>
    `It went ${drift > 0 ? 'up' : 'down'} by ${of(Math.abs(drift), unit)} while it was read, and may by ${of(allowed, unit)}.`,
  'tools.turns-words': ({ turns, allowed, unit }: { turns: number; allowed: number; unit: string }) =>
    `It went one way and came back by ${of(turns, unit)} while it was read, and may by ${of(allowed, unit)}.`,
  'tools.wait-yet': ({ time }: { time: string }) => `It settles: wait ${time} more, then read it again.`,
  'tools.does-not-settle': 'It does not settle by itself: find out what moves before anything is taught.',
  'tools.unsure-words': 'The readings scatter too much to say: take more of them, or closer ones.',
} as const;
