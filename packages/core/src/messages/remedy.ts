import { lowerFirst, formatOhms } from '../units/index.ts';

/** Sentences by code. */
export const REMEDY = {
  'remedy.take-wire-out': ({ number, from, to }: { number: string; from: string; to: string }) =>
    `Isolate, then take wire ${number} out, from ${from} to ${to}`,
  'remedy.wire-as-planned': ({ number, from, to }: { number: string; from: string; to: string }) =>
    `Isolate, then land wire ${number} as planned, from ${from} to ${to}`,
  'remedy.land-as-planned': ({ single, point }: { single: number; point: string }) =>
    `Land all ${single} wires of ${point} as planned`,
  'remedy.coil': ({ relay }: { relay: string }) => `the coil of ${relay}`,
  'remedy.resistor': ({ words, at, burnt }: { words: string; at: string; burnt: number }) =>
    `Put a resistor of ${words} across ${at} (it turns ${burnt.toFixed(2)} W into heat while on)`,
  'remedy.pull-up': ({
    ohms,
    watts,
    module,
    portLabel,
    burnt,
  }: {
    ohms: number;
    watts: number;
    module: string;
    portLabel: string;
    burnt: number;
  }) =>
    `Put a pull-up of ${formatOhms(ohms)}, ${watts} W from plus to ${module} ${portLabel} (it turns ${burnt.toFixed(2)} W into heat)`,
  'remedy.terminal-on': ({ terminal, rail }: { terminal: string; rail: string }) => `${terminal} on ${rail}`,
  'remedy.land': ({ names }: { names: readonly string[] }) => `Land ${names.join(' and ')}`,
  'remedy.add-wire': ({ from, to }: { from: string; to: string }) => `Land ${from} on ${to}`,
  'remedy.none-for-safety': ({ device }: { device: string }) =>
    `No wire of a safety function is proposed by trial. Put right what is named by the drawing of ${device} and of what it is wired to, then look again here.`,
  'remedy.none-of-tried': ({ tried, device }: { tried: number; device: string }) =>
    tried === 0
      ? `Nothing in this job can be changed to put it right. Put right what is named at ${device} first, or add the part that it lacks.`
      : `${tried} ${tried === 1 ? 'change' : 'changes'} of wires, commons, settings and channels of this job were solved, and none puts it right alone: more than one thing is wrong, or a part is lacking. Put right what is named at ${device} first, then look again here.`,
  'remedy.move-end': ({ number, from, to }: { number: string; from: string; to: string }) =>
    `Move wire ${number} from ${from} to ${to}`,
  'remedy.exchange-supply': ({ plus, minus }: { plus: string; minus: string }) =>
    `Exchange the two supply wires: ${plus} on plus, ${minus} on 0 V`,
  'remedy.move-common': ({ common, module, rail }: { common: string; module: string; rail: string }) =>
    `Put ${lowerFirst(common)} of ${module} on ${rail}`,
  'remedy.move-wire': ({ number, device, rail }: { number: string; device: string; rail: string }) =>
    `Move wire ${number} of ${device} to ${rail}`,
  'remedy.move-channel': ({
    point,
    module,
    freeLabel,
  }: {
    point: string;
    module: string;
    freeLabel: string;
  }) => `Move ${point} to ${module} ${freeLabel}`,
  'remedy.move-channel.as-it-is': ({ where, sits, rail }: { where: string; sits: string; rail: string }) =>
    `${where}, where ${lowerFirst(sits)} sits on ${rail}`,
  'remedy.move-channel.with-common': ({ where, sits, rail }: { where: string; sits: string; rail: string }) =>
    `${where} and put its ${lowerFirst(sits)} on ${rail}`,
  'remedy.move-output': ({
    point,
    module,
    portLabel,
  }: {
    point: string;
    module: string;
    portLabel: string;
  }) => `Move ${point} to ${module} ${portLabel}`,
  'remedy.other-version': ({ outputWord, deviceOf }: { outputWord: string; deviceOf: string }) =>
    `Fit the ${outputWord} version of ${deviceOf}`,
  'remedy.element': ({ device, leads }: { device: string; leads: string }) =>
    `Put its element with ${leads} wires on ${device}`,
  'remedy.coil-sensors': ({ pairs }: { pairs: readonly string[] }) =>
    `Fit a coil sensor on ${pairs.join(', ')}`,
  'remedy.set-chain': 'Set the switches of the chain by the order of its units',
  'remedy.set-module': ({ module, words }: { module: string; words: string }) => `On ${module}: ${words}`,
  'remedy.set-part': ({ part, words }: { part: string; words: string }) => `On ${part}: ${words}`,
  'remedy.setting': ({ place, label, to }: { place: string; label: string; to: string }) =>
    `${place === 'switch' ? 'put' : 'set'} ${label.charAt(0).toLowerCase()}${label.slice(1)} to ${to}`,
  'remedy.both': ({ a, b }: { a: string; b: string }) => `${a}, and ${b}`,
} as const;
