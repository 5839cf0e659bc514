import { fixed, withUnit, written } from '../units/index.ts';

const of = (value: number, unit: string): string => withUnit(value, unit, 3);
/** A time in the unit in which it is read: ms below a second. */
const time = (seconds: number): string =>
  seconds < 1 ? withUnit(seconds * 1000, 'ms', 3) : withUnit(seconds, 's', 3);

/** An end of what something compares with. */
type End = 'set' | 'reset' | 'low' | 'high';
const END: Readonly<Record<End, string>> = {
  set: 'set point',
  reset: 'reset point',
  low: 'lower end',
  high: 'upper end',
};

/** One of both points of a threshold, and the range in which it should lie. */
interface PointInRange {
  readonly which: End;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly unit: string;
}

/** Sentences by code. */
export const SWITCHING = {
  'switching.code-program': ({ tag }: { tag: string }) =>
    `Alarms of ${tag}. No alarm of a controller takes the place of a safety function.`,
  'switching.two-readings': 'Two readings are the least.',
  'switching.six-readings': ({ least }: { least: number }) =>
    `${least} readings are the least: fewer do not tell a trend from scatter.`,
  'switching.period-above-zero': 'The time between two readings is above 0 s.',
  'switching.set-is-reset':
    'Set point and reset point are the same: a hair of noise would switch it to and fro. Leave something between them.',
  'switching.window-turned': 'The lower end of a window lies below its upper end.',
  'switching.hysteresis-negative': 'A hysteresis is 0 or more.',
  'switching.time-negative': 'A time is 0 s or more.',
  'switching.noise-above-zero': 'A standard deviation is above 0.',
  'switching.bandwidth-above-zero': 'A bandwidth is above 0 Hz.',
  'switching.allowed-above-zero': 'So often a day is above 0: write 0.01 for once in a hundred days.',
  'switching.drift-above-zero': 'What it may move is above 0.',
  'switching.nothing-taught': 'There is nothing to teach from yet.',
  'switching.second-value': 'This needs a second value.',
  'switching.margin-not-zero': 'A margin is not 0: below zero it lies below the value.',
  'switching.asks-noise': ({ scatter, unit }: { scatter: number; unit: string }) =>
    `six times the scatter of ${of(scatter, unit)}`,
  'switching.asks-resolution': ({ resolution, unit }: { resolution: number; unit: string }) =>
    `two steps of ${of(resolution, unit)}`,
  'switching.asks-hysteresis': ({ hysteresis, unit }: { hysteresis: number; unit: string }) =>
    `twice the hysteresis of ${of(hysteresis, unit)}`,
  'switching.asks-span': ({ leastSpan, unit }: { leastSpan: number; unit: string }) =>
    `the least span of ${of(leastSpan, unit)}`,
  'switching.too-near': ({
    distance,
    least,
    because,
    unit,
  }: {
    distance: number;
    least: number;
    because: string;
    unit: string;
  }) =>
    `Too near: ${of(distance, unit)} apart, and at least ${of(least, unit)} is needed, ${because}. Teach values that lie further apart, or take the scatter away first.`,
  'switching.zero-words': ({ zero, unit }: { zero: number; unit: string }) =>
    `${of(zero, unit)} is shown as 0 from then on. Only with the flow surely stopped: what flows meanwhile is missing in every reading after it.`,
  'switching.under-run': ({ low, unit }: { low: number; unit: string }) =>
    `Below ${of(low, unit)} it will tell an under-run.`,
  'switching.over-run': ({ high, unit }: { high: number; unit: string }) =>
    `Above ${of(high, unit)} it will tell an over-run.`,
  'switching.outside-range': ({ which, value, low, high, unit }: PointInRange) =>
    `The ${END[which]} of ${of(value, unit)} lies outside the range, ${written(low, 4)} to ${of(high, unit)}: it is never met surely.`,
  'switching.at-the-edge': ({ which, value, low, high, unit }: PointInRange) =>
    `The band of the ${END[which]} of ${withUnit(value, unit, 4)} reaches over the range, ${written(low, 4)} to ${of(high, unit)}: at worst it is never met.`,
  'switching.in-cut-off': ({
    which,
    value,
    cut,
    unit,
  }: {
    which: End;
    value: number;
    cut: number;
    unit: string;
  }) =>
    `The ${END[which]} of ${of(value, unit)} lies within the cut-off of ${of(cut, unit)}: below that the value is told as 0.`,
  'switching.coarser-than-hysteresis': ({
    hysteresis,
    step,
    unit,
  }: {
    hysteresis: number;
    step: number;
    unit: string;
  }) =>
    `One count is ${of(step, unit)}, and the hysteresis ${of(hysteresis, unit)}: less than two counts do not keep it from chattering.`,
  'switching.bands-overlap': ({
    hysteresis,
    plusMinus,
    unit,
  }: {
    hysteresis: number;
    plusMinus: number;
    unit: string;
  }) =>
    `The bands of both points lie over each other: ${of(hysteresis, unit)} apart, and each ±${of(plusMinus, unit)}. A reading of another instrument does not tell them apart.`,
  'switching.in-dead-zone': ({ which, value, unit }: { which: End; value: number; unit: string }) =>
    `The ${END[which]} of ${of(value, unit)} lies where nothing is measured: the signal there is a fault or stands at its end.`,
  'switching.in-blind-zone': ({
    which,
    value,
    edge,
    unit,
    near,
  }: {
    which: End;
    value: number;
    edge: number;
    unit: string;
    near: boolean;
  }) =>
    near
      ? `The ${END[which]} of ${of(value, unit)} lies in the dead zone before its face, which reaches to ${of(edge, unit)}.`
      : `The ${END[which]} of ${of(value, unit)} lies beyond its reach of ${of(edge, unit)}.`,
  'switching.window-narrow': ({
    width,
    plusMinus,
    unit,
  }: {
    width: number;
    plusMinus: number;
    unit: string;
  }) =>
    `The window is ${of(width, unit)} wide, and each of its ends is off by ±${of(plusMinus, unit)}: at worst it is never on.`,
  'switching.output-without-value':
    'Nothing of this point is measured any more: its threshold compares nothing.',
  'switching.output-other-unit': ({ was, unit }: { was: string; unit: string }) =>
    `Its numbers are in ${was || 'counts'}, and what it compares is in ${unit || 'counts'} now: set it again.`,
  'switching.output-is-set': ({ name, relay }: { name: string; relay: boolean }) =>
    `${name} is set ${relay ? 'at its relay' : 'in the controller'}`,
  'switching.output-is-set-detail':
    'With its points, logic, delays, and what it does on a break, a short and a value that is not valid.',
  'switching.fault-no-power': 'Controller or relay without power',
  'switching.fault-stands-still': 'A value that stands still',
  'switching.fault-output-on': 'Its output stuck on',
  'switching.fault-output-off': 'Its output stuck off',
  'switching.ladder-without-value':
    'Nothing of this point is measured any more: its alarms stand over nothing.',
  'switching.ladder-other-unit': ({ was, unit }: { was: string; unit: string }) =>
    `The alarms are in ${was}, and the value is in ${unit} now. Set their limits anew.`,
  'switching.controller-holds': ({ levels }: { levels: string[] }) =>
    `The controller holds the alarms: ${levels.join(', ')}`,
  'switching.controller-holds-detail':
    'Entered in the controller and read back: limits, hystereses, delays, who clears what, and what a break does.',
  'switching.way-value': ({ value, unit }: { value: number; unit: string }) =>
    `the value goes to ${of(value, unit)}`,
  'switching.way-delay': ({ name }: { name: string }) => `the delay of ${name} is over`,
  'switching.way-clear': ({ by }: { by: 'anyone' | 'operator' | 'key' }) =>
    ({ anyone: 'somebody clears it', operator: 'an operator clears it', key: 'the key is turned' })[by],
  'switching.way-fault': 'the wire breaks',
  'switching.way-mended': 'the wire is mended',
  'switching.way-started': 'the start is over',
  'switching.way-power': 'the power goes and comes back',
  'switching.way-bypass': 'the bypass is put on',
  'switching.way-bypass-over': 'the bypass ends',
  'switching.does-show': 'shown',
  'switching.does-lamp': 'lamp',
  'switching.does-flash': 'lamp flashes',
  'switching.does-sound': 'sound',
  'switching.does-pause': 'pause',
  'switching.does-stop': 'stop',
  'switching.does-lock': 'lock',
  'switching.proof-moves':
    'Alarms stop and start real things. Agree on it with whoever runs the plant, and keep people clear of what moves.',
  'switching.proof-out': ({ way }: { way: 'up' | 'down' }) =>
    way === 'up' ? 'Up through the alarms, slowly' : 'Down through the alarms, slowly',
  'switching.proof-out-how': ({ seconds }: { seconds: number }) =>
    seconds > 0
      ? `Inject in small steps and wait ${time(seconds)} at each. Write down the value at which each comes.`
      : 'Inject in small steps. Write down the value at which each comes.',
  'switching.proof-back': ({ way }: { way: 'up' | 'down' }) =>
    way === 'up' ? 'Down again, slowly' : 'Up again, slowly',
  'switching.proof-back-how':
    'From beyond the last limit, in small steps. Write down the value at which each goes.',
  'switching.proof-clear': 'Clearing what is kept',
  'switching.proof-clear-how': 'With the value back where nothing is called for, in this order.',
  'switching.proof-jump': ({ way, value, unit }: { way: 'up' | 'down'; value: number; unit: string }) =>
    `At once ${way} to ${of(value, unit)}`,
  'switching.proof-jump-how': 'Jump from where nothing is called for, and stop the time until each comes.',
  'switching.proof-comes': ({ name }: { name: string }) => `${name} comes at`,
  'switching.proof-goes': ({ name }: { name: string }) => `${name} goes at`,
  'switching.proof-does': ({ does }: { does: string[] }) => does.join(', '),
  'switching.proof-stays': ({ name }: { name: string }) => `${name} stays`,
  'switching.proof-value-back': 'with the value back',
  'switching.proof-delay': ({ name }: { name: string }) => `${name} comes after`,
  'switching.proof-delay-detail': 'by a stop-watch, from the jump on',
  'switching.proof-power': ({ name }: { name: string }) => `${name} stands after a power cut`,
  'switching.proof-power-detail': 'the controller off and on again',
  'switching.proof-without': ({ name, by }: { name: string; by: 'anyone' | 'operator' }) =>
    by === 'operator' ? `${name} stays when an operator clears` : `${name} stays when anyone clears`,
  'switching.proof-without-detail': 'without the right to do so',
  'switching.proof-clears': ({ name, by }: { name: string; by: 'itself' | 'anyone' | 'operator' | 'key' }) =>
    by === 'key'
      ? `${name} goes with the key`
      : by === 'operator'
        ? `${name} goes when an operator clears`
        : `${name} goes when it is cleared`,
  'switching.proof-faults': 'A wire that breaks, and one that is shorted',
  'switching.proof-faults-how': 'Isolate first where more than extra-low voltage is near.',
  'switching.proof-fault': ({ is, names }: { is: 'break' | 'short'; names: string[] }) =>
    names.length ? `A ${is}: ${names.join(', ')}` : `A ${is}: nothing comes`,
  'switching.proof-fault-detail': ({ seconds }: { seconds: number }) =>
    seconds > 0
      ? `${time(seconds)} later, which the input waits, without a further delay`
      : 'at once, without a delay',
  'switching.record-too-long': ({ lines }: { lines: number }) => `A record has at most ${lines} lines.`,
  'switching.record-line': ({ n }: { n: number }) =>
    `Line ${n} is no reading: write the seconds and the value, such as 12.5; 1.4.`,
  'switching.record-goes-back': ({ n }: { n: number }) => `In line ${n} the time goes back.`,
  'switching.act-anyone': 'Somebody clears',
  'switching.act-operator': 'An operator clears',
  'switching.act-key': 'The key is turned',
  'switching.act-power': 'Power cut',
  'switching.act-bypass': 'Bypass put on',
  'switching.act-bypass-off': 'Bypass taken off',
  'switching.happens-break': 'The wire breaks',
  'switching.happens-mended': 'The wire is mended',
  'switching.happens-started': 'The start is over',
  'switching.happens-bypassed': 'Passed over',
  'switching.happens-bypass-over': 'No longer passed over',
  'switching.happens-comes': ({ name }: { name: string }) => `${name} comes`,
  'switching.happens-goes': ({ name }: { name: string }) => `${name} goes`,
  'switching.happens-again': ({ name }: { name: string }) => `${name} is called for again`,
  'switching.happens-waits': ({ name }: { name: string }) => `${name} waits for its delay`,
  'switching.happens-in-time': ({ name }: { name: string }) => `${name} is not called for long enough`,
  'switching.happens-kept': ({ name, by }: { name: string; by: 'itself' | 'anyone' | 'operator' | 'key' }) =>
    `${name} is kept${by === 'key' ? ' until the key is turned' : by === 'operator' ? ' until an operator clears it' : ''}`,
  'switching.channel-missing': ({ channel }: { channel: number }) =>
    `The description of this device has no switching channel ${channel}.`,
  'switching.channel-other-unit': ({ unit, own }: { unit: string; own: string }) =>
    `The device sets its points in ${unit}, which ${own} cannot be turned into.`,
  'switching.channel-outside': ({
    label,
    value,
    min,
    max,
    unit,
  }: {
    label: string;
    value: number;
    min: number;
    max: number;
    unit: string;
  }) => `${label} would be ${of(value, unit)}, and the device takes ${written(min, 4)} to ${of(max, unit)}.`,
  'switching.fault-data': 'The device does not answer, or its value is not valid',
  'switching.fault-wire': ({ number }: { number: string }) => `Wire ${number} off`,
  'switching.fault-supply': 'Its supply gone',
  'switching.fault-leads': 'The leads of the device touch each other',
  'switching.fault-input': 'The input shorted',
  'switching.fault-unsafe': ({
    count,
    low,
    high,
    unit,
  }: {
    count: number;
    low: number;
    high: number;
    unit: string;
  }) =>
    `${count === 1 ? 'One fault is' : `${count} faults are`} not seen: the controller reads ${
      written(low, 3) === written(high, 3) ? '' : `${written(low, 3)} to `
    }${of(high, unit)}, and nothing goes to the safe side. A signal with a live zero tells a break; a second measurement tells the rest.`,
  'switching.fault-does-nothing': ({ count }: { count: number }) =>
    `${count === 1 ? 'One fault is' : `${count} faults are`} seen, and nothing goes to the safe side.`,
  'switching.ladder-empty': 'There is no level yet.',
  'switching.ladder-no-rest':
    'There is no value at which nothing is called for: an upper limit lies below a lower one.',
  'switching.ladder-does-nothing': ({ name }: { name: string }) => `${name} does nothing.`,
  'switching.ladder-unseen': ({ name }: { name: string }) =>
    `Nobody sees ${name}: what pauses, stops or locks has to be shown, by a lamp or a sound as well.`,
  'switching.ladder-never': ({ name }: { name: string }) =>
    `${name} is never called for by a value within the range.`,
  'switching.ladder-at-edge': ({ name, band }: { name: string; band: number }) =>
    `The band of ${name}, ±${written(band, 3)}, reaches over the range: at worst it never comes.`,
  'switching.ladder-chatters': ({ name }: { name: string }) =>
    `${name} chatters: it has neither hysteresis nor delay, and ends by itself.`,
  'switching.ladder-no-way-out': ({ name }: { name: string }) =>
    `${name} never ends again: within the range its value does not come back far enough.`,
  'switching.ladder-lock-loose': ({ name }: { name: string }) =>
    `${name} locks, and is left without the key.`,
  'switching.ladder-lock-lost': ({ name }: { name: string }) => `${name} locks, and a power cut opens it.`,
  'switching.ladder-restarts': ({ name }: { name: string }) =>
    `${name} stops, and what it stopped starts again by itself once the value is back: somebody has to clear it (IEC 60204-1).`,
  'switching.ladder-hidden': ({ name, by }: { name: string; by: string }) =>
    `${name} is hidden behind ${by}: whenever it stands, ${by} does all of that already.`,
  'switching.ladder-too-near': ({
    first,
    second,
    near,
    least,
  }: {
    first: string;
    second: string;
    near: number;
    least: number;
  }) =>
    `${first} and ${second} are too near: ${written(near, 3)} apart, and their bands with the hysteresis take ${written(least, 3)}. Which comes first is chance.`,
  'switching.ladder-fault-unsafe':
    'On a break or short nothing stops: with nothing to measure, it has to be as if the worst had come.',
  'switching.ladder-fault-waits':
    'A break or short while it starts is passed over: a limit may wait for the process, a broken wire may not.',
  'switching.ladder-bypass-unseen': 'The bypass is not shown.',
  'switching.ladder-bypass-endless': 'The bypass has no end: it would be forgotten.',
  'switching.scale-adjuster-longer-0': 'The scale of the adjuster is longer than 0.',
  'switching.object-lost-somewhere-0': ({ scale }: { scale: number }) =>
    `The object is lost somewhere from 0 to below ${scale}.`,
  'switching.background-seen-somewhere-above': ({ scale }: { scale: number }) =>
    `The background is seen somewhere above 0, up to ${scale}.`,
  'switching.background-seen-before-object':
    'The background is seen before the object: no setting tells them apart. Tilt the sensor, darken or move the background, or take one with background suppression.',
  'switching.set-losing-object-seeing': ({
    setting,
    scale,
    margin,
    backgroundSeen,
    tight,
    tight2,
  }: {
    setting: number;
    scale: number;
    margin: number;
    backgroundSeen: number;
    tight: boolean;
    tight2: string;
  }) =>
    `Set it to ${fixed(setting, 1)} of ${fixed(scale, 0)}: ${fixed(margin, 1)} from losing the object, ${fixed(backgroundSeen - setting, 1)} from seeing the background.${tight ? tight2 : ''}`,
  'switching.less-left-either-side': ({ min }: { min: number }) =>
    `less than ${fixed(min, 1)} is left to either side`,
  'switching.stability-lamp-both-states': 'the stability LED is not on in both states',
  'switching.too-tight-dirt-another': ({
    why,
    narrow,
    stable,
  }: {
    why: string;
    narrow: boolean;
    stable: boolean;
  }) =>
    ` That is too tight: ${why}${narrow && !stable ? ', and the stability LED is not on in both states' : ''}. Dirt or another object will upset it: bring the sensor closer, tilt it, or take one with background suppression.`,
  'switching.time': ({ seconds }: { seconds: number }) => time(seconds),
  'switching.a-day': ({ count }: { count: number }) =>
    count > 0 && count < 0.1 ? `once in ${withUnit(1 / count, 'days', 3)}` : withUnit(count, 'a day', 3),
} as const;
