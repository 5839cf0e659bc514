import { lowerFirst, fixed, formatVolts } from '../units/index.ts';

/** Sentences by code. */
export const VERDICT = {
  'verdict.terminal-bears': ({
    terminal,
    count,
    usual,
  }: {
    terminal: string;
    count: number;
    usual: number;
  }) => `${terminal} bears ${count} wires then. A clamp usually takes ${usual}.`,
  'verdict.open': ({ point }: { point: string }) =>
    `${point} is not on a channel yet. Choose one to see whether it works there.`,
  'verdict.stops-nothing': ({ device }: { device: string }) =>
    `${device} is not complete: nothing is wired that it stops. Land the contactors, valves or safe-stop inputs on the safe contacts, or name what it stops.`,
  'verdict.no-rail': 'no rail',
  'verdict.input-takes': 'the input takes the current in',
  'verdict.input-gives': 'the input gives the current',
  'verdict.mind-inverted': ' Mind: the input is on while the sensor’s output is off.',
  'verdict.works.contact': ({
    given,
    common,
    where,
    input,
    turned,
  }: {
    given: string;
    common: string;
    where: string;
    input: string;
    turned: string;
  }) =>
    `Works. The contact brings ${given} to the input; ${lowerFirst(common)} sits on ${where}, and ${input}.${turned}`,
  'verdict.works.drives': ({ situation, load, volts }: { situation: string; load: string; volts: string }) =>
    `Works. ${situation}: ${load} is on, with ${volts} across it; otherwise it is off.`,
  'verdict.works.alone': ({ situation, on, off }: { situation: string; on: string; off: string }) =>
    `It switches. ${situation}: ${on} at its signal wire; otherwise ${off}. Nothing that it could drive is connected.`,
  'verdict.works.pair': ({
    module,
    port,
    on,
    off,
  }: {
    module: string;
    port: string;
    on: string;
    off: string;
  }) => `Works. Between its two leads at ${module} ${port} stand ${on} in a pulse and ${off} between pulses.`,
  'verdict.works.two-wire': ({ common, where, leak }: { common: string; where: string; leak: string }) =>
    `Works. The sensor is in series with the input; ${lowerFirst(common)} sits on ${where}. While it is off ${leak} still flow, too little to be taken for on.`,
  'verdict.works.pnp': ({
    plus,
    common,
    where,
    input,
    turned,
  }: {
    plus: string;
    common: string;
    where: string;
    input: string;
    turned: string;
  }) =>
    `Works. The sensor pulls the input up to ${plus}, so ${lowerFirst(common)} sits on ${where} and ${input}.${turned}`,
  'verdict.works.npn': ({
    common,
    where,
    input,
    turned,
  }: {
    common: string;
    where: string;
    input: string;
    turned: string;
  }) =>
    `Works. The sensor pulls the input to 0 V, so ${lowerFirst(common)} sits on ${where} and ${input}.${turned}`,
  'verdict.works.push-pull': ({
    common,
    where,
    input,
    high,
    turned,
  }: {
    common: string;
    where: string;
    input: string;
    high: boolean;
    turned: string;
  }) =>
    `Works. The output drives both ways; with ${lowerFirst(common)} on ${where}, ${input} while it is ${high ? 'high' : 'low'}.${turned}`,
  'verdict.works.amplifier': ({ amplifier, device }: { amplifier: undefined | string; device: string }) =>
    `Works. ${amplifier ?? 'The amplifier'} sees much or little current through ${device} and passes it on by its contact; a break and a short are told apart.`,
  'verdict.loads-follow': ({ value, size }: { value: readonly string[]; size: number }) =>
    ` ${value.join(', ')} ${size === 1 ? 'follows' : 'follow'} as planned.`,
  'verdict.works.relay': ({
    situation,
    relay,
    volts,
    follow,
  }: {
    situation: string;
    relay: string;
    volts: string;
    follow: string;
  }) => `Works. ${situation}: ${relay} is in, with ${volts} at its coil; otherwise it is out.${follow}`,
  'verdict.the-input': 'The input',
  'verdict.works.loop': ({
    where,
    burdenOhms,
    left,
    device,
    needs,
  }: {
    where: string;
    burdenOhms: undefined | number;
    left: number;
    device: string;
    needs: number;
  }) =>
    `Works. ${where} reads the loop’s current through ${burdenOhms ?? 0} Ω; at the top ${formatVolts(left)} are left for ${device}, which needs ${formatVolts(needs)}.`,
  'verdict.the-signal-of': ({ signal }: { signal: string }) => `the signal of ${signal}`,
  'verdict.the': ({ title }: { title: string }) => `the ${title}`,
  'verdict.works.signal': ({
    where,
    given,
    nom,
    digits,
    unit,
  }: {
    where: string;
    given: string;
    nom: number;
    digits: number;
    unit: string;
  }) => `Works. ${where} reads ${given}: ${fixed(nom, digits)} ${unit} at the top of the range.`,
  'verdict.works': 'Works.',
  'verdict.works.given': ({
    module,
    portLabel,
    device,
    signal,
  }: {
    module: string;
    portLabel: string;
    device: string;
    signal: string;
  }) => `Works. ${module} ${portLabel} gives ${device} its ${signal}, at both ends as meant.`,
  'verdict.works.load': ({
    module,
    portLabel,
    device,
    volts,
  }: {
    module: string;
    portLabel: string;
    device: string;
    volts: undefined | number;
  }) =>
    `Works. ${module} ${portLabel} switches ${device}: ${formatVolts(Math.abs(volts ?? 0))} across it while on.`,
  'verdict.works.communication': ({
    device,
    module,
    portLabel,
  }: {
    device: string;
    module: string;
    portLabel: string;
  }) => `Works. ${device} has its supply and hears ${module} ${portLabel} both ways.`,
  'verdict.wired-as-meant': ({ device, module }: { device: string; module: string }) =>
    `Wired as meant. Each channel of ${device} alone takes ${module} off.`,
} as const;
