/** Sentences by code. */
export const FAULT = {
  'fault.wire-open': ({ number, from, to }: { number: string; from: string; to: string }) =>
    `Wire ${number} from ${from} to ${to} is interrupted`,
  'fault.wire-weak': ({ number, from, to }: { number: string; from: string; to: string }) =>
    `Wire ${number} from ${from} to ${to} has a bad joint`,
  'fault.wires-exchanged': ({ first, second, item }: { first: string; second: string; item: string }) =>
    `Wires ${first} and ${second} at ${item} are exchanged`,
  'fault.short-to': ({ number, to }: { number: string; to: string }) => `Wire ${number} touches ${to}`,
  'fault.supply-gone': ({ supply }: { supply: string }) => `${supply} gives nothing: fuse, breaker or supply`,
  'fault.supply-low': ({ supply }: { supply: string }) => `${supply} is far too low`,
  'fault.output-stuck': ({ device, on }: { device: string; on: boolean }) =>
    `The output of ${device} stays ${on ? 'on' : 'off'}`,
  'fault.target-unseen': ({ device }: { device: string }) =>
    `${device} does not see its target: reach, place, dirt`,
  'fault.target-always': ({ device }: { device: string }) =>
    `${device} sees something all the time: background, dirt, setting`,
  'fault.other-output': ({ device, kind, logic }: { device: string; kind: string; logic: string }) =>
    `${device} is another kind than planned, or set so: ${[kind, logic].filter(Boolean).join(', ')}`,
  'fault.look-led': ({ item }: { item: string }) => `LED of ${item}`,
  'fault.look-bit': ({ address }: { address: string }) => `${address} in the program`,
  'fault.look-volts': ({ red, black }: { red: string; black: string }) =>
    `Volts, red lead on ${red}, black on ${black}`,
  'fault.look-ohms': ({ from, to }: { from: string; to: string }) => `Ohms between ${from} and ${to}`,
  'fault.look-dead': 'Power off',
  'fault.shared-supply': ({ supply }: { supply: string }) => `${supply}: supply, fuse or breaker`,
  'fault.shared-module': ({ module }: { module: string }) => `Module ${module}`,
  'fault.shared-common': ({ module, common }: { module: string; common: string }) =>
    `Common ${common} of ${module}: its wire, its terminal`,
  'fault.shared-cable': ({ cable }: { cable: string }) => `Cable ${cable}`,
  'fault.shared-plan': ({ plan }: { plan: string }) => `Network ${plan}`,
  'practice.mains': ({ volts }: { volts: number }) =>
    `Your leads stood on ${volts} V. At a real panel that is mains: only who is licensed for it works there, and never from a guess.`,
  'practice.ohms-live':
    'Ohms on a live circuit: the meter’s range is burnt, and the reading would have meant nothing. Isolate and prove dead first.',
  'practice.fuse':
    'The meter’s current input lay across a supply: its fuse is gone. Current is measured in a wire that was opened, never across.',
  'fault.look-value': ({ tag }: { tag: string }) => `Value of ${tag} in the program`,
  'fault.look-milliamps': ({ from, to }: { from: string; to: string }) =>
    `Current in the wire from ${from} to ${to}, opened for the meter`,
  'fault.value-still': ({ device, low }: { device: string; low: boolean }) =>
    `${device} gives ${low ? 'its lowest' : 'its highest'} all the time`,
  'fault.value-other': 'The program reads another channel',
  'fault.setting-elsewhere': ({ part, label, name }: { part: string; label: string; name: string }) =>
    `${part}: ${label} stands at ${name}`,
  'fault.input-dead': ({ address }: { address: string }) => `Input ${address} does not take what comes`,
  'fault.led-dead': ({ item }: { item: string }) => `The LED of ${item} is broken`,
  'fault.bit-turned': 'The program turns the bit round',
  'fault.bit-other': 'The program reads another address',
} as const;
