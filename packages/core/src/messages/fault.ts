import { written } from '../units/index.ts';

/** Sentences by code. */
export const FAULT = {
  'fault.wire-open': ({ number, from, to }: { number: string; from: string; to: string }) =>
    `Wire ${number} from ${from} to ${to} is interrupted`,
  'fault.wire-weak': ({ number, from, to }: { number: string; from: string; to: string }) =>
    `Wire ${number} from ${from} to ${to} has a bad joint`,
  'fault.wires-exchanged': ({ first, second, item }: { first: string; second: string; item: string }) =>
    `Wires ${first} and ${second} at ${item} are exchanged`,
  'fault.short-to': ({ number, to, earthed }: { number: string; to: string; earthed: boolean }) =>
    `Wire ${number} touches ${to}${earthed ? ', or earth' : ''}`,
  'fault.supply-gone': ({ supply }: { supply: string }) => `${supply} gives nothing: fuse, breaker or supply`,
  'fault.supply-low': ({ supply }: { supply: string }) => `${supply} is far too low`,
  'fault.output-stuck': ({ device, on }: { device: string; on: boolean }) =>
    `The output of ${device} stays ${on ? 'on' : 'off'}`,
  'fault.channel-stuck': ({ device, n, on }: { device: string; n: number; on: boolean }) =>
    `Channel ${n} of ${device} stays ${on ? 'on' : 'off'}`,
  'fault.target-unseen': ({ device }: { device: string }) =>
    `${device} does not see its target: reach, place, dirt`,
  'fault.target-always': ({ device }: { device: string }) =>
    `${device} sees something all the time: background, dirt, setting`,
  'fault.guard-unseen': ({ device }: { device: string }) =>
    `${device} does not close its contacts: key, actuator or roller out of place, or worn`,
  'fault.guard-always': ({ device }: { device: string }) =>
    `${device} does not open its contacts: it stops nothing`,
  'fault.contactor-welded': ({ part }: { part: string }) =>
    `${part} does not drop out: a contact is welded, or it is stuck`,
  'fault.look-reset': ({ present }: { present: string }) => `${present}, then reset pressed and let go`,
  'fault.look-pressed': ({ present }: { present: string }) => `${present}, and reset held down`,
  'fault.other-output': ({ device, kind, logic }: { device: string; kind: string; logic: string }) =>
    `${device} is another kind than planned, or set so: ${[kind, logic].filter(Boolean).join(', ')}`,
  'fault.look-led': ({ item }: { item: string }) => `LED of ${item}`,
  'fault.look-bit': ({ address }: { address: string }) => `${address} in the program`,
  'fault.look-counts': ({ tag }: { tag: string }) => `Count of ${tag} in the program`,
  'fault.look-pulses': 'While pulses should come',
  'fault.pulses-none': ({ device, high }: { device: string; high: boolean }) =>
    high
      ? `${device} stands as at a pulse: nothing moves it on, or it is worn out`
      : `${device} gives no pulses: nothing moves it, or it is worn out`,
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
  'fault.beside-cut-off': 'It stands at zero though something flows',
  'fault.confirm-cut-off': ({ below, unit }: { below: number; unit: string }) =>
    below > 0
      ? `A cut-off: this screen shows zero below ${written(below, 3)} ${unit}. Let more flow than that, and look at the device’s own cut-off.`
      : 'A cut-off in the device: look at its low-flow cut-off, and at its own display while more flows.',
  'fault.beside-alarm-zero': 'It is zero or dashes, with an alarm',
  'fault.confirm-alarm-zero':
    'The device itself says that it has no value: 3.6 mA and less, or 21 mA and more (NAMUR NE 43). Read its own display for the reason before anything is changed.',
  'fault.beside-foreign-unit': 'It is off by the same factor everywhere, often after a power cut',
  'fault.confirm-foreign-unit': ({ device, unit }: { device: string; unit: string }) =>
    `${device} may give another unit than ${unit}: read its unit, and whether its settings or its memory module were lost.`,
  'fault.beside-coil': 'One phase does not see an arc, or the unit reports its coil',
  'fault.confirm-coil':
    'Isolated and proven dead, the sensor taken off its terminals: ohms of the sensor beside its data sheet, and none of it to earth.',
  'fault.beside-not-found': 'The loop works, but nothing answers the communicator',
  'fault.confirm-not-found':
    'The loop has too little resistance for it, or the communicator sits on the wrong side of it: look for 250 Ω between supply and device.',
  'fault.beside-near-far': 'The level stands still near the top or the bottom, or jumps there',
  'fault.confirm-near-far':
    'Its blind zone, or no echo: read the device’s own flag or quality, and hold the level beside a tape.',
  'fault.beside-double': 'It answers now and then, or with the values of another',
  'fault.confirm-double':
    'Two with one address: take this one off the line and ask again. Whatever still answers has its address.',
  'fault.beside-frozen': 'The value does not move in its last place',
  'fault.confirm-frozen':
    'What arrives is old: look whether the port says valid, and whether a counter or another value of the same device moves.',
  'practice.mains': ({ volts }: { volts: number }) =>
    `Your leads stood on ${volts} V. At a real panel that is mains: only who is licensed for it works there, and never from a guess.`,
  'practice.ohms-live':
    'Ohms on a live circuit: the meter’s range is burnt, and the reading would have meant nothing. Isolate and prove dead first.',
  'practice.fuse':
    'The meter’s current input lay across a supply: its fuse is gone. Current is measured in a wire that was opened, never across.',
  'practice.bridged':
    'A meter on its current range is a bridge. Across anything that guards people it takes the guard away while somebody relies on it: that is never done.',
  'fault.look-value': ({ tag }: { tag: string }) => `Value of ${tag} in the program`,
  'fault.look-milliamps': ({ from, to }: { from: string; to: string }) =>
    `Current in the wire from ${from} to ${to}, opened for the meter`,
  'fault.value-still': ({ device, low }: { device: string; low: boolean }) =>
    `${device} gives ${low ? 'its lowest' : 'its highest'} all the time`,
  'fault.value-other': 'The program reads another channel',
  'fault.setting-elsewhere': ({ part, label, name }: { part: string; label: string; name: string }) =>
    `${part}: ${label} stands at ${name}`,
  'fault.input-dead': ({ address }: { address: string }) => `Input ${address} does not take what comes`,
  'fault.contact-open': ({ from, to }: { from: string; to: string }) =>
    `The contact from ${from} to ${to} never conducts: worn, dirty, or a fuse that is gone`,
  'fault.contact-closed': ({ from, to }: { from: string; to: string }) =>
    `The contact from ${from} to ${to} stays closed: welded, or bridged`,
  'fault.contact-burnt': ({ from, to }: { from: string; to: string }) =>
    `The contact from ${from} to ${to} conducts badly: burnt, dirty, or it bounces`,
  'fault.output-leaks': ({ part }: { part: string }) =>
    `The output of ${part} lets current through while it is off`,
  'fault.output-drops': ({ part }: { part: string }) =>
    `The output of ${part} keeps too much of the voltage while it is on`,
  'fault.element-burnt': ({
    part,
    from,
    to,
    times,
  }: {
    part: string;
    from: string;
    to: string;
    times: number;
  }) => `${part} has burnt to ${times} times its ohms, ${to ? `from ${from} to ${to}` : `behind ${from}`}`,
  'fault.coil-open': ({ part }: { part: string }) => `The coil of ${part} is burnt through`,
  'fault.coil-shorted': ({ part }: { part: string }) => `The coil of ${part} has a short`,
  'fault.element-open': ({ part, from, to }: { part: string; from: string; to: string }) =>
    `${part} is burnt or broken: nothing conducts ${to ? `from ${from} to ${to}` : `behind ${from}`}`,
  'fault.element-shorted': ({ part, from, to }: { part: string; from: string; to: string }) =>
    `${part} has a short ${to ? `from ${from} to ${to}` : `behind ${from}`}`,
  'fault.diode-reversed': ({ part }: { part: string }) => `The diode of ${part} lies the wrong way round`,
  'fault.wire-beside': ({ number, item, place }: { number: string; item: string; place: string }) =>
    `Wire ${number} sits on ${place} of ${item}, the terminal beside its own`,
  'fault.look-acts': ({ label }: { label: string }) => `Whether ${label} acts`,
  'fault.look-fed': ({ label }: { label: string }) => `Power LED of ${label}`,
  'fault.look-talks': ({ device }: { device: string }) => `Whether ${device} answers`,
  'fault.look-set': ({ label }: { label: string }) => `Settings of ${label}, beside its sheet`,
  'fault.look-live': 'Power on',
  'fault.channel-still': ({ address, low }: { address: string; low: boolean }) =>
    `${address} ${low ? 'gives nothing, whatever the program commands' : 'gives all it can, whatever the program commands'}`,
  'fault.command-other': ({ address }: { address: string }) =>
    `The program commands another address than ${address}, or holds it back`,
  'fault.talk-address': ({ device }: { device: string }) =>
    `${device} has another address than the partner asks`,
  'fault.talk-twice': ({ device }: { device: string }) => `Something else has the address of ${device} too`,
  'fault.talk-speed': ({ device }: { device: string }) =>
    `${device} and its partner differ in baud rate, parity or stop bits`,
  'fault.talk-other': ({ device }: { device: string }) =>
    `The port expects another device than ${device}, and refuses it`,
  'fault.silent': ({ device }: { device: string }) => `${device} does not talk: its electronics are broken`,
  'fault.partner-dead': ({ module }: { module: string }) => `The port of ${module} does not talk`,
  'fault.mend-dead':
    'Only isolated, secured and proven dead, by who is licensed to, under the local rules. This program does not know whether it is.',
  'fault.mend-moves':
    'Once it is right, what hangs on it may move or start at once: first see that nobody is in reach, and that whoever runs the plant knows.',
  'fault.mend-wire-open':
    'Remake the end that is loose, or lay a new wire with the same number. Pull at it gently once it holds.',
  'fault.mend-wire-weak':
    'Remake both ends: cut back to bright metal, a new ferrule, the terminal tightened to its maker’s torque.',
  'fault.mend-wires-exchanged': 'Land each on its own terminal, by its number and the plan.',
  'fault.mend-wire-short':
    'Find where the insulation is hurt, at edges and glands first, and lay the wire anew. Insulation is tested only with the electronics taken off both ends.',
  'fault.mend-supply':
    'First find why it tripped or blew, then put in the same rating again, never a larger one. A supply that is low under load is measured with the load off as well.',
  'fault.mend-output':
    'Put in its like, and set it from its sheet before it counts. An output that was burnt mostly had a reason: too much load, a coil without suppressor.',
  'fault.mend-part': 'Put in its like: same coil, same contacts, same ohms and watts.',
  'fault.mend-input':
    'Lay the point on a free channel, in the plan and in the program too, or change the card; then prove it anew.',
  'fault.mend-kind': 'Set its output as planned, or put in the type that is planned.',
  'fault.mend-target':
    'Clean it, bring it back to its place and distance, and tighten it; then see it switch where its sheet says.',
  'fault.mend-setting': 'Set it back as its sheet says, and read it back.',
  'fault.mend-program':
    'Who answers for the program compares address, inversion and forced values with the plan, and changes them.',
  'fault.mend-led': 'The point works; only its lamp does not. Note it, and change the part at the next stop.',
  'fault.mend-other': 'Write down what it was and what was done: it counts for the next one.',
  'fault.led-dead': ({ item }: { item: string }) => `The LED of ${item} is broken`,
  'fault.bit-turned': 'The program turns the bit round',
  'fault.bit-other': 'The program reads another address',
} as const;
