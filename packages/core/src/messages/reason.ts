import { fixed, formatMilliamps, formatVolts, lowerFirst } from '../units/index.ts';

/** Why a point does not work, or may not: its supply, its input, its signal. */
export const REASON = {
  'reason.no-supply': ({ device }: { device: string }) =>
    `${device} has no amplifier: a NAMUR sensor needs 8.2 V through 1 kΩ, not 24 V.`,
  'reason.no-supply.amplifier': ({
    amplifier,
    volts,
    volts2,
    plus,
    minus,
  }: {
    amplifier: string;
    volts: number;
    volts2: number;
    plus: string;
    minus: string;
  }) => `${amplifier} has no supply: ${formatVolts(volts - volts2)} from ${plus} to ${minus}.`,
  'reason.loop-open': ({ amplifier, device }: { amplifier: string; device: string }) =>
    `${amplifier} reports a break: no current flows through ${device}. Its loop is open, or its two wires are exchanged.`,
  'reason.signal-reading.beyond': ({
    level,
    module,
    portLabel,
    device,
  }: {
    level: number;
    module: string;
    portLabel: string;
    device: string;
  }) =>
    `At ${fixed(level * 100, 0)} % of the value what arrives at ${module} ${portLabel} lies outside its range altogether: it is not the signal of ${device}. Look for an open return, exchanged leads, or a signal of another kind.`,
  'reason.signal-reading.value': ({
    level,
    module,
    portLabel,
    share,
    nom,
    unit,
  }: {
    level: number;
    module: string;
    portLabel: string;
    share: string;
    nom: number;
    unit: string;
  }) =>
    `At ${fixed(level * 100, 0)} % of the value ${module} ${portLabel} reads ${share} (${fixed(nom, unit === 'V' ? 2 : 1)} ${unit}).`,
  'reason.signal-switch': ({
    signal,
    at,
    range,
  }: {
    signal: string;
    at: undefined | string;
    range: undefined | string;
  }) =>
    `The device gives ${signal}, the switch is set to ${at}, the parameter to ${range}: the three must agree.`,
  'reason.loop-open.nothing-on': ({ device, ends }: { device: string; ends: readonly string[] }) =>
    `The loop of ${device} is open: nothing is landed on ${ends.join(', nor on ')}.`,
  'reason.loop-open.no-current': ({ device }: { device: string }) =>
    `No current flows in the loop of ${device}: it is open, or the wrong way round.`,
  'reason.loop-left': ({
    left,
    device,
    top,
    needs,
  }: {
    left: number;
    device: string;
    top: number;
    needs: number;
  }) =>
    `${formatVolts(Math.max(left, 0))} would be left for ${device} at ${formatMilliamps(top)}, and it needs ${formatVolts(needs)}`,
  'reason.loop-volts': ({ amps, left }: { amps: number; left: string }) =>
    `The loop runs out of volts at ${formatMilliamps(amps)}: ${left}.`,
  'reason.loop-volts.at-edge': ({ min, device, needs }: { min: number; device: string; needs: number }) =>
    `At the edge of the tolerances only ${formatVolts(min)} are left for ${device} at the top of its current; it needs ${formatVolts(needs)}.`,
  'reason.loop-ohms': ({ ohms, digitalOhms }: { ohms: number; digitalOhms: number }) =>
    `The loop has only ${Math.round(ohms)} Ω; digital communication needs at least ${digitalOhms} Ω between transmitter and supply.`,
  'reason.sense-open': ({
    module,
    portLabel,
    wires,
    split,
  }: {
    module: string;
    portLabel: string;
    wires: string;
    split: undefined | string;
  }) =>
    `${module} ${portLabel} is set to ${wires} wires, but nothing is landed on ${split}: what it reads means nothing.`,
  'reason.lead-reading': ({
    module,
    portLabel,
    worst,
  }: {
    module: string;
    portLabel: string;
    worst: number;
  }) => `${module} ${portLabel} reads ${fixed(Math.abs(worst), 2)} Ω too ${worst > 0 ? 'much' : 'little'}`,
  'reason.signal-reading': ({
    module,
    portLabel,
    device,
  }: {
    module: string;
    portLabel: string;
    device: string;
  }) =>
    `${module} ${portLabel} reads nothing of ${device}: the element is open, shorted, or on other terminals.`,
  'reason.lead-error': ({ words }: { words: string }) => `${words}: that is the leads.`,
  'reason.lead-error.kelvin': ({ words, kelvin }: { words: string; kelvin: number }) =>
    `${words}, ${fixed(kelvin, 1)} K: that is its leads. Use three or four wires, or set the lead resistance off.`,
  'reason.no-solution': 'The circuit never settles: something in it switches itself on and off.',
  'reason.always-on': ({ numbers, leak }: { numbers: string; leak: string }) =>
    `The input stays on whatever the target does: ${numbers}${leak}.`,
  'reason.starved': ({ device }: { device: string }) =>
    `No current drives ${device} and its input: both ends of the two in series are on the same rail, or one is open.`,
  'reason.undecided.at-nominal': ({
    numbers,
    outputOn,
    leak,
  }: {
    numbers: string;
    outputOn: boolean;
    leak: string;
  }) => `The input can read either way: ${numbers}${outputOn ? '' : leak}, between surely off and surely on.`,
  'reason.not-following': ({ numbers }: { numbers: string }) =>
    `The input does not follow the target in every state: ${numbers}.`,
  'reason.own-leakage': ', which is what the sensor leaks while it is off',
  'reason.back-feed': ({ common, point }: { common: string; point: string }) =>
    `${common} is on no rail, and current finds its way back through the other channels: the input then reads what they do, not ${point}.`,
  'reason.common-open': ({ common }: { common: string }) =>
    `${common} is on no rail, so no current can close its way through the input.`,
  'reason.always-off': ({ feeder, numbers }: { feeder: string; numbers: string }) =>
    `The input stays off: what ${feeder} switches to it never closes. ${numbers}.`,
  'reason.wrong-sense.npn': ({ module, device }: { module: string; device: string }) =>
    `${module} can only take current in, and so can the NPN output of ${device}: both pull to 0 V and none flows.`,
  'reason.wrong-sense.pnp': ({ module, device }: { module: string; device: string }) =>
    `${module} can only give current out, and so can the PNP output of ${device}: both pull to plus and none flows.`,
  'reason.same-pull': ({ rail, device, common }: { rail: string; device: string; common: string }) =>
    `This input cannot see the sensor: both pull to ${rail}. ${device} pulls its output there, and ${lowerFirst(common)} sits there too, so no current flows.`,
  'reason.wrong-sense.takes-only': ({ common, rail }: { common: string; rail: string }) =>
    `This input only takes current in at its terminal. With ${lowerFirst(common)} on ${rail} the current would have to come out.`,
  'reason.wrong-sense.gives-only': ({ common, rail }: { common: string; rail: string }) =>
    `This input only gives current out of its terminal. With ${lowerFirst(common)} on ${rail} the current would have to go in.`,
  'reason.starved.held': ({ device, amps }: { device: string; amps: number }) =>
    `${device} does not get the current that it needs to stay on: the input takes only ${formatMilliamps(amps)}.`,
  'reason.same-pull.switched': ({ device, rail, common }: { device: string; rail: string; common: string }) =>
    `This input cannot see ${device}: it switches to ${rail}, where ${lowerFirst(common)} sits too.`,
  'reason.always-off.any-target': ({ numbers }: { numbers: string }) =>
    `The input stays off whatever the target does: ${numbers}.`,
  'reason.group-mixed': ({
    common,
    rail,
    others,
    point,
  }: {
    common: string;
    rail: string;
    others: readonly string[];
    point: string;
  }) =>
    `Group mixed: ${lowerFirst(common)} serves both PNP and NPN sensors. It sits on ${rail}, which suits ${others.join(', ')} but not ${point}.`,
  'reason.undecided': ({
    min,
    max,
    min2,
    max2,
    led,
  }: {
    min: number;
    max: number;
    min2: number;
    max2: number;
    led: string;
  }) =>
    `At the edge of the tolerances the input may read either way: ${fixed(min, 1)} to ${fixed(max, 1)} V and ${fixed(min2 * 1000, 1)} to ${fixed(max2 * 1000, 1)} mA while ${led}.`,
  'reason.given-too-much': ({
    device,
    gets,
    unit,
    signal,
    when,
  }: {
    device: string;
    gets: number;
    unit: string;
    signal: string;
    when: string;
  }) =>
    `${when}: ${device} gets ${fixed(gets, 1)} ${unit} where it takes ${signal}: its input burns. Nothing but an analog output belongs on it.`,
  'reason.given-other': ({
    device,
    gets,
    unit,
    meant,
    when,
  }: {
    device: string;
    gets: number;
    unit: string;
    meant: number;
    when: string;
  }) => `${when}: ${device} gets ${fixed(gets, 2)} ${unit} where ${fixed(meant, 2)} ${unit} are meant.`,
  'reason.over-voltage.limit': ({ volts, max }: { volts: number; max: number }) =>
    `Up to ${formatVolts(volts)} can stand at the input; it is made for ${max} V at most.`,
  'reason.over-voltage': ({ sentence }: { sentence: string }) =>
    `${sentence} Such an input may see minus only.`,
  'reason.at-terminal': ({ volts, amps }: { volts: number; amps: number }) =>
    `${formatVolts(volts)} and ${formatMilliamps(amps)} at its terminal`,
  'reason.duty-unmet.no-supply': ({
    loadLabel,
    volts,
    onVolts,
  }: {
    loadLabel: string;
    volts: number;
    onVolts: number;
  }) => `${loadLabel} has no supply: ${formatVolts(volts)} where it needs ${formatVolts(onVolts)}.`,
  'reason.duty-unmet.line': ({
    when,
    loadLabel,
    voltsOf,
    wanted,
    voltsOf2,
    voltsOf3,
  }: {
    when: string;
    loadLabel: string;
    voltsOf: string;
    wanted: boolean;
    voltsOf2: string;
    voltsOf3: string;
  }) =>
    `${when}: ${loadLabel} does not hear it. ${voltsOf} reach it where it wants ${wanted ? `at least ${voltsOf2}` : `no more than ${voltsOf3}`}.`,
  'reason.element-open': ({
    device,
    terminals,
    amps,
  }: {
    device: string;
    terminals: readonly string[];
    amps: number;
  }) =>
    `${device} does not see its element whole on ${terminals.join(', ')}: it gives ${formatMilliamps(amps)} whatever is measured.`,
  'reason.coil-sensor.free': ({ device, pairs }: { device: string; pairs: readonly string[] }) =>
    `No coil sensor stands between ${pairs.join(', ')} of ${device}: it does not start, and would not see an arc there.`,
  'reason.coil-sensor.shorted': ({ device, pairs }: { device: string; pairs: readonly string[] }) =>
    `${pairs.join(', ')} of ${device} ${pairs.length === 1 ? 'is' : 'are'} bridged: what flows in that phase is not seen.`,
  'reason.found-otherwise': ({
    device,
    parameter,
    found,
    wanted,
  }: {
    device: string;
    parameter: string;
    found: string;
    wanted: string;
  }) =>
    `${device} was found with “${parameter}” at ${found}; the job wants ${wanted}. Set it, and enter what you left.`,
  'reason.duty-unmet.stays-off': ({
    when,
    loadLabel,
    title,
    volts,
  }: {
    when: string;
    loadLabel: string;
    title: string;
    volts: number;
  }) => `${when}: ${loadLabel} (${title}) stays off, ${formatVolts(volts)} across it.`,
  'reason.duty-unmet.stays-on': ({
    when,
    loadLabel,
    title,
    volts,
  }: {
    when: string;
    loadLabel: string;
    title: string;
    volts: number;
  }) => `${when}: ${loadLabel} (${title}) is on where it is to be off, ${formatVolts(volts)} across it.`,
  'reason.pulse-resistor.too-large': ({
    resistor,
    volts,
    portLabel,
    onVolts,
  }: {
    resistor: string;
    volts: string;
    portLabel: string;
    onVolts: number;
  }) =>
    `With ${resistor} only ${volts} V reach ${portLabel} between pulses, and it is surely on from ${onVolts} V. A smaller resistor pulls it up further.`,
  'reason.no-supply.output-stage': ({
    device,
    volts,
    plus,
    minus,
  }: {
    device: string;
    volts: number;
    plus: string;
    minus: string;
  }) =>
    `The display of ${device} is lit, but its output stage has no supply: ${fixed(volts, 1)} V from ${plus} to ${minus}. Land ${plus} on plus and ${minus} on 0 V.`,
  'reason.safety-bypass.plain-input': ({
    device,
    module,
    portLabel,
  }: {
    device: string;
    module: string;
    portLabel: string;
  }) =>
    `${device} goes only to ${module} ${portLabel}, a normal input. That shows its state and protects nobody: its two channels belong on a safety relay or a safe-stop pair.`,
  'reason.safety-bypass.nowhere': ({ device }: { device: string }) =>
    `The two channels of ${device} lead to no safety relay and no safe-stop pair.`,
  'reason.no-supply.safety-relay': ({ module }: { module: string }) =>
    `${module} has no supply at A1 and A2.`,
  'reason.safety-reset.not-starting': ({ module }: { module: string }) =>
    `${module} does not start although both channels are closed.`,
  'reason.safety-reset.held': ({ module }: { module: string }) =>
    `${module} does not start: its reset input RI has energy all the time, so no reset can be let go of. The button is bridged, or stuck.`,
  'reason.safety-channel.not-selected': ({
    device,
    module,
    portLabel,
  }: {
    device: string;
    module: string;
    portLabel: string;
  }) =>
    `${device} is on ${portLabel} of ${module}, and its selector counts input 1 only. A competent person says how the selector stands.`,
  'reason.safety-reset.no-button': ({ module }: { module: string }) =>
    `${module} waits for its reset, and no button reaches its reset input RI.`,
  'reason.supply-reversed': ({
    device,
    nom,
    plus,
    minus,
  }: {
    device: string;
    nom: number;
    plus: undefined | string;
    minus: undefined | string;
  }) =>
    `${device} has its supply the wrong way round: ${formatVolts(nom)} from ${plus} to ${minus}. It stays dead until ${plus} is on + and ${minus} on 0 V.`,
  'reason.no-earth': ({ device, terminal }: { device: string; terminal: string }) =>
    `${device} is fed with mains, and its protective earth ${terminal} is on no earth: with a fault inside, its housing is live. Keep it off the mains until it is earthed under the local rules, by somebody who may.`,
  'reason.no-supply.device': ({
    device,
    nom,
    plus,
    minus,
    min,
  }: {
    device: string;
    nom: number;
    plus: undefined | string;
    minus: undefined | string;
    min: number;
  }) =>
    `${device} has no supply: ${formatVolts(nom)} from ${plus} to ${minus} where it needs at least ${min} V. Land ${plus} on + and ${minus} on 0 V.`,
  'reason.supply-outside': ({
    device,
    low,
    high,
    min,
    max,
  }: {
    device: string;
    low: number;
    high: number;
    min: number;
    max: number;
  }) =>
    `The supply at ${device} may be ${fixed(low, 1)} to ${fixed(high, 1)} V; it is made for ${min} to ${max} V.`,
} as const;
