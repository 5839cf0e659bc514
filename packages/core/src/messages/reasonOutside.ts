import { capital } from '../lists/index.ts';
import { fixed, formatMilliamps, formatVolts } from '../units/index.ts';

interface Joint {
  readonly from: string;
  readonly to: string;
  readonly numbers: readonly string[];
}

const wiresJoin = (numbers: readonly string[]): string =>
  numbers.length > 1 ? `wires ${numbers.join(', ')} join` : `wire ${numbers.join()} joins`;

const ampsText = (amps: number): string => `${fixed(amps, amps < 1 ? 2 : amps < 10 ? 1 : 0)}\u00a0A`;

interface Way {
  readonly input: string;
  readonly through: string;
  readonly numbers: readonly string[];
}

const wiresText = (numbers: readonly string[]): string =>
  numbers.length > 1 ? `wires ${numbers.join(', ')} lead` : `wire ${numbers.join()} leads`;

const fedPast = ({ input, through, numbers }: Way): string =>
  `${input} gets energy past the safe contacts, through ${through}${numbers.length ? ` and ${numbers.length > 1 ? 'wires' : 'wire'} ${numbers.join(', ')}` : ''}.`;

/** Why a point does not work, or may not: what hangs on it, relays, safety, lines, limits. */
export const REASON_OUTSIDE = {
  'reason.short-circuit': ({ amplifier, device }: { amplifier: string; device: string }) =>
    `${amplifier} reports a short: the two wires of ${device} touch.`,
  'reason.contact-rating': ({ name, amps, amps2 }: { name: string; amps: number; amps2: number }) =>
    `${name} would carry ${fixed(amps, 1)} A; it is rated for ${amps2} A.`,
  'reason.contact-rating.inrush': ({
    name,
    inrush,
    inrushAmps,
  }: {
    name: string;
    inrush: number;
    inrushAmps: number;
  }) =>
    `${name} would have to make ${fixed(inrush, 0)} A at the start of its load; it may make ${inrushAmps} A. It would weld.`,
  'reason.contact-wetting': ({ name, amps, minAmps }: { name: string; amps: number; minAmps: number }) =>
    `${name} carries only ${formatMilliamps(amps)}; its contact stays clean from ${formatMilliamps(minAmps)} on.`,
  'reason.chain': ({ sentence }: { sentence: string }) => `The chain would not start: ${sentence}`,
  'reason.duty-edge': ({
    loadLabel,
    on,
    min,
    max,
  }: {
    loadLabel: string;
    on: boolean;
    min: number;
    max: number;
  }) =>
    `At the edge of the tolerances ${loadLabel} may not be ${on ? 'on' : 'off'}: ${formatVolts(min)} to ${formatVolts(max)} across it.`,
  'reason.cable-length': ({
    device,
    lengthM,
    landsOn,
    longest,
  }: {
    device: string;
    lengthM: number;
    landsOn: string;
    longest: number;
  }) =>
    `The cable of ${device} is ${lengthM} m long; ${landsOn === 'io-link' ? 'IO-Link' : 'Ethernet'} reaches ${longest} m.`,
  'reason.port-class': ({ portLabel, device }: { portLabel: string; device: string }) =>
    `${portLabel.replace(/,.*/, '')} is of class B: its pin 2 carries power. The second output of ${device} sits on the same pin and would work against it.`,
  'reason.line-swapped': ({ device, mark }: { device: string; mark: number }) =>
    `The two lines are exchanged at ${device}: at mark D1 stands ${formatVolts(-mark)} below D0. Makers letter A and B in both ways; go by + and −, or by D1 and D0.`,
  'reason.line-terminators': ({ ohms }: { ohms: number }) =>
    `With everything off, ${Math.round(Math.min(ohms, 1e6))} Ω stand between the lines; two terminators make about 60 Ω. One is missing.`,
  'reason.line-terminators.too-many': ({ ohms }: { ohms: number }) =>
    `With everything off, only ${Math.round(ohms)} Ω stand between the lines; two terminators make about 60 Ω. There is one too many.`,
  'reason.line-bias': ({ rest }: { rest: number }) =>
    `While nobody sends, only ${Math.round(rest * 1000)} mV stand between the lines; 200 mV are needed for a sure rest. Switch the bias on at one place.`,
  'reason.over-current': ({ which, drawn, ratedAmps }: { which: string; drawn: number; ratedAmps: number }) =>
    `${which} would carry ${formatMilliamps(drawn)}; it is rated for ${formatMilliamps(ratedAmps)}.`,
  'reason.contact-wetting.device': ({
    device,
    amps,
    amps2,
    volts,
  }: {
    device: string;
    amps: number;
    amps2: number;
    volts: number;
  }) =>
    `The contact of ${device} carries only ${formatMilliamps(amps)}; it stays clean from ${formatMilliamps(amps2)} at ${volts} V on.`,
  'reason.ac-dc': ({ point }: { point: string }) =>
    `Mains and the control supply meet in the circuit of ${point}. They must never share a conductor: separate them before anything is powered.`,
  'reason.ac-dc.fed': ({ device, supply }: { device: string; supply: string }) =>
    `${device} is made for a.c., but stands on d.c.: what it drops, leaks and needs to hold on holds for a.c. only. Feed it from ${supply}, with a relay or another a.c. load in series.`,
  'reason.ac-dc.dc-device': ({ device }: { device: string }) =>
    `${device} is made for d.c. and its supply leads are on mains: it is destroyed, and its other leads become live. Keep it off, and lead its supply to the control supply.`,
  'reason.ac-dc.no-mains': ({ device }: { device: string }) =>
    `${device} is made for a.c., and the job has no a.c. supply. It needs one (Panel, Supplies) and a relay or another a.c. load in series; on this input a sensor for d.c. belongs.`,
  'reason.overload': ({ tag, amps, otherAmps }: { tag: string; amps: string; otherAmps: number }) =>
    `${tag} is overloaded: it gives ${amps} A, and ${fixed(otherAmps, 1)} A of other loads hang on it besides.`,
  'reason.overload.branch': ({
    tag,
    amps,
    otherAmps,
    protection,
  }: {
    tag: string;
    amps: string;
    otherAmps: number;
    protection: string;
  }) =>
    `${tag} is overloaded: its ${protection === 'fuse' ? 'fuse' : 'breaker'} lets ${amps} A through, and ${fixed(otherAmps, 1)} A of other loads hang on it besides.`,
  'reason.overload.two-wire': ({ which, state, amps }: { which: string; state: string; amps: number }) =>
    `${which} is overloaded in the state “${state}”: its load asks for more than the ${ampsText(amps)} at which it gives up. It burns out. Let it switch a relay, and the relay the load.`,
  'reason.short-circuit.state': ({ tag, state, amps }: { tag: string; state: string; amps: number }) =>
    `${tag} is short-circuited in the state “${state}”: it gives its ${ampsText(amps)}, and a fuse blows or wires burn.`,
  'reason.short-circuit.mains': ({ tag, state, amps }: { tag: string; state: string; amps: number }) =>
    `${tag} is short-circuited in the state “${state}”: up to ${ampsText(amps)} flow until its protection trips. Wires can burn, and the contact that closes it can weld.`,
  'reason.short-circuit.output': ({ which, state, amps }: { which: string; state: string; amps: number }) =>
    `${which} is short-circuited in the state “${state}”: it drives ${ampsText(amps)} straight onto the other rail. Where its output is not protected, it burns out.`,
  'reason.short-circuit.two-wire': ({ which, state, amps }: { which: string; state: string; amps: number }) =>
    `${which} stands straight across its supply in the state “${state}”: ${ampsText(amps)} flow with no load in series. It burns out.`,
  'reason.rails.short': ({ from, to, numbers, amps }: Joint & { amps: number }) =>
    `Short circuit in the panel: ${wiresJoin(numbers)} ${from} to ${to}. Up to ${ampsText(amps)} flow, and a fuse blows or wires burn.`,
  'reason.rails.mains-short': ({ from, to, numbers, amps }: Joint & { amps: number }) =>
    `Short circuit in the panel: ${wiresJoin(numbers)} ${from} to ${to}. Up to ${ampsText(amps)} flow until the protection trips: fire and arc.`,
  'reason.rails.bypass': ({ from, to, numbers, branch }: Joint & { branch: string }) =>
    `${capital(wiresJoin(numbers))} ${from} to ${to}: past the protection of ${branch}, which protects nothing any more.`,
  'reason.rails.parallel': ({ from, to, numbers }: Joint) =>
    `${capital(wiresJoin(numbers))} ${from} to ${to}: two supplies feed one rail. What one protects, the other feeds.`,
  'reason.short-circuit.supply': ({ tag, amps }: { tag: string; amps: string }) =>
    `${tag} is short-circuited: it would give its ${amps} A and break down or trip.`,
  'reason.output-overload': ({
    module,
    portLabel,
    asked,
    ratedAmps,
  }: {
    module: string;
    portLabel: string;
    asked: number;
    ratedAmps: number;
  }) => `${module} ${portLabel} would have to carry ${fixed(asked, 2)} A; it is rated for ${ratedAmps} A.`,
  'reason.resistor-power': ({ device, power, watts }: { device: string; power: number; watts: number }) =>
    `${device} would turn ${fixed(power, 2)} W into heat; it is rated for ${watts} W.`,
  'reason.pulse-speed': ({
    hertz,
    portLabel,
    maxHertz,
  }: {
    hertz: number;
    portLabel: string;
    maxHertz: number;
  }) =>
    `At the top of the range ${fixed(hertz, 0)} pulses a second come; the filter of ${portLabel} lets up to ${maxHertz} through.`,
  'reason.pulse-speed.plain-input': ({ hertz }: { hertz: number }) =>
    `At the top of the range ${fixed(hertz, 0)} pulses a second come; a plain input with its usual filter sees up to about 20. Use a counter input.`,
  'reason.pulse-speed.cable': ({ metres, edge, hertz }: { metres: number; edge: number; hertz: number }) =>
    `Over ${fixed(metres, 0)} m of cable an edge takes ${fixed(edge * 1e6, 0)} µs, too long for ${fixed(hertz, 0)} pulses a second. A smaller resistor makes it steeper.`,
  'reason.pulse-resistor.missing': ({
    device,
    portLabel,
    volts,
  }: {
    device: string;
    portLabel: string;
    volts: string;
  }) =>
    `The output of ${device} is passive and pulls to 0 V only; nothing pulls ${portLabel} up between pulses (${volts} V). It needs a resistor to plus.`,
  'reason.coil-kind': ({
    device,
    volts,
    kind,
    wrong,
  }: {
    device: string;
    volts: number;
    kind: string;
    wrong: string;
  }) =>
    `The coil of ${device} is for ${volts} V ${kind.toUpperCase()}, but ${wrong.toUpperCase()} is switched to it.`,
  'reason.kept-in': ({
    device,
    device2,
    coils,
    dropOut,
    rated,
  }: {
    device: string;
    device2: string;
    coils: number;
    dropOut: number;
    rated: number;
  }) =>
    `${device} stays in once it was in: ${device2} still leaves ${formatVolts(coils)} at the coil while it is off, and the coil lets go only below ${formatVolts(dropOut * rated)}.`,
  'reason.coil-volts': ({ device, coils, lowest }: { device: string; coils: number; lowest: number }) =>
    `${device} does not pull in: its coil gets ${formatVolts(Math.abs(coils))} and needs ${formatVolts(lowest)}.`,
  'reason.coil-volts.too-high': ({ device, high, volts }: { device: string; high: number; volts: number }) =>
    `The coil of ${device} may get ${formatVolts(high)}; it is made for ${volts} V and 15 % more at most.`,
  'reason.coil-volts.at-edge': ({
    device,
    low,
    volts,
    pickUp,
  }: {
    device: string;
    low: number;
    volts: number;
    pickUp: number;
  }) =>
    `At the edge of the tolerances the coil of ${device} gets only ${formatVolts(low)}; it surely pulls in from ${formatVolts(volts * pickUp)}.`,
  'reason.kept-in.at-edge': ({
    high,
    device,
    volts,
    dropOut,
  }: {
    high: number;
    device: string;
    volts: number;
    dropOut: number;
  }) =>
    `At the edge of the tolerances ${formatVolts(high)} stay at the coil of ${device}; it surely lets go below ${formatVolts(volts * dropOut)}.`,
  'reason.coil-suppressor': ({
    device,
    through,
    device2,
  }: {
    device: string;
    through: number;
    device2: string;
  }) =>
    `The suppressor diode of ${device} is the wrong way round: it passes ${formatMilliamps(through)} past the coil and loads ${device2} to its limit. Its cathode belongs to plus.`,
  'reason.coil-suppressor.missing': ({ device, device2 }: { device: string; device2: string }) =>
    `The coil of ${device} has no suppressor: each time it is switched off it throws some hundred volts at ${device2}. Fit a diode, cathode to plus.`,
  'reason.safety-channel': ({ device, module }: { device: string; module: string }) =>
    `The safe side stays released with the guard open: the channels of ${device} do not act on ${module}.`,
  'reason.safety-channel.not-reaching': ({
    dead,
    device,
    module,
    portLabel,
    mate,
  }: {
    dead: number;
    device: string;
    module: string;
    portLabel: string;
    mate: readonly string[];
  }) =>
    `Channel ${dead + 1} of ${device} does not reach ${module} ${portLabel} while the guard is closed${mate.length ? ` (in a chain with ${mate.join(', ')})` : ''}: the safe side stays off.`,
  'reason.safety-channel.selector': ({ module, dark }: { module: string; dark: number }) =>
    `The selector of ${module} is set to both inputs, and input ${dark} is not closed. Close what belongs there; which inputs are to be used is for the competent person to say.`,
  'reason.safety-feedback': ({ module }: { module: string }) =>
    `The feedback input of ${module} is open, so it cannot start: lead it from plus through the mirror contacts of the contactors, or link it where there are none.`,
  'reason.safety-channel.alone': ({ n, device, module }: { n: number; device: string; module: string }) =>
    `With channel ${n} of ${device} alone open, ${module} stays released: that channel is bridged, joined to the other, or not used.`,
  'reason.safety-cross': ({ unseen }: { unseen: readonly number[] }) =>
    `The test pulse of channel ${unseen.join(' and ')} does not arrive: a joint between the channels, or from one to plus, would not be seen. Feed each channel from its own test output.`,
  'reason.safety-feedback.unseen': ({ unseen }: { unseen: readonly string[] }) =>
    `If ${unseen.join(' or ')} welded, nobody would see it and the next start would be allowed: ${unseen.length > 1 ? 'their mirror contacts are' : 'its mirror contact is'} not in the feedback loop.`,
  'reason.safety-output.terminal': ({ tag, terminal }: { tag: string; terminal: string }) =>
    `${tag} ${terminal}`,
  'reason.safety-output.wire': ({ input, numbers }: { input: string; numbers: readonly string[] }) =>
    `${input} gets energy past the safe contacts: ${wiresText(numbers)} there without any contact in between. It stays on when the safety function is demanded.`,
  'reason.safety-output.shows': (way: Way) =>
    `${fedPast(way)} That only shows a state: it may stay on without anybody seeing it.`,
  'reason.safety-output.program': (way: Way) =>
    `${fedPast(way)} The program switches there, not the safety function.`,
  'reason.safety-output.channel': (way: Way) =>
    `${fedPast(way)} That is only one channel, and nothing watches it: it belongs on the safety relay, and the safe contacts feed ${way.input}.`,
  'reason.safety-output.other': (way: Way) => `${fedPast(way)} The safety function does not open that.`,
  'reason.safety-output.live': ({ input, state }: { input: string; state: string }) =>
    `${input} has energy in the state “${state}”, in which it must be off. What it drives would move.`,
  'reason.safety-output.dead': ({ input }: { input: string }) =>
    `${input} gets no energy though everything is closed and reset: no safe contact leads from the supply through it and back.`,
  'reason.setting-risk': ({ device, label, text }: { device: string; label: string; text: string }) =>
    `${device}, ${label.charAt(0).toLowerCase()}${label.slice(1)}: ${text}`,
  'reason.safety-shared': ({ contact, inputs }: { contact: string; inputs: readonly string[] }) =>
    `${contact} alone feeds ${inputs.join(' and ')}: if that contact welds or is bridged, none of them drops out. Give each a contact of its own.`,
  'reason.safety-bypass': ({ onSafeName, device }: { onSafeName: string; device: string }) =>
    `The auxiliary contact ${onSafeName} of ${device} is landed on a safety terminal. It is no safety path: only the two channels are.`,
} as const;
