import { fixed, written } from '../units/index.ts';

/** Sentences by code. */
export const PROOF = {
  'proof.no-input': 'no input',
  'proof.alarm-limit': 'Alarm comes',
  'proof.alarm-back': 'Alarm goes',
  'proof.alarm-stays': 'Alarm stays',
  'proof.alarm-delay': 'Alarm delay',
  'proof.alarm-power': 'Alarm after a power cut',
  'proof.alarm-without': 'Alarm without its key',
  'proof.alarm-clear': 'Alarm cleared',
  'proof.alarm-break': 'Alarm at a break',
  'proof.alarm-short': 'Alarm at a short',
  'proof.next-switch-wrong': ({ count }: { count: number }) =>
    count === 1
      ? 'Next: the alarms, of which one thing is not right'
      : `Next: the alarms, of which ${count} things are not right`,
  'proof.next-switch-unsafe': 'Next: the alarms, which do not see a fault of the wiring',
  'proof.next-threshold-wrong': ({ name }: { name: string }) =>
    `Next: the threshold ${name}, of which something is not right`,
  'proof.next-threshold-unsafe': ({ name }: { name: string }) =>
    `Next: the threshold ${name}, which a fault leaves on the wrong side`,
  'proof.next-threshold-enter': ({ name }: { name: string }) =>
    `Next: set the threshold ${name} where it is decided`,
  'proof.next-input-unsafe': 'Next: a fault of the wiring that its input takes for the safe side’s opposite',
  'proof.next-switch-channel': 'Next: require of the device what Switch asks for',
  'proof.next-switch-taught': 'Next: teach it again, the last time it was not to be taught',
  'proof.next-switch-enter': 'Next: enter the alarms in the controller',
  'proof.below-range': 'below the range',
  'proof.above-range': 'above the range',
  'proof.injected': ({ injected, digitsOf, unit }: { injected: number; digitsOf: number; unit: string }) =>
    `${fixed(injected, digitsOf)} ${unit} injected`,
  'proof.really-there': ({
    injected,
    digitsOf,
    unit,
  }: {
    injected: number;
    digitsOf: number;
    unit: string;
  }) => `with ${fixed(injected, digitsOf)} ${unit} really there, connected and valid`,
  'proof.set-really': ({
    signal,
    digitsOf,
    unit,
    step,
  }: {
    signal: number;
    digitsOf: number;
    unit: string;
    step: string;
  }) => `Set about ${fixed(signal, digitsOf)} ${unit} and measure it: ${step}`,
  'proof.shows': ({ band }: { band: string }) => `shows ${band}`,
  'proof.shows-nothing': 'shows nothing of it',
  'proof.controller': 'Controller',
  'proof.inject': ({
    signal,
    digitsOf,
    unit,
    step,
  }: {
    signal: number;
    digitsOf: number;
    unit: string;
    step: string;
  }) => `Inject ${fixed(signal, digitsOf)} ${unit}: ${step}`,
  'proof.as-expected': ({ seen }: { seen: string }) => `${seen}, as expected`,
  'proof.where-expected': ({ seen, expected }: { seen: string; expected: string }) =>
    `${seen} where ${expected} was expected`,
  'proof.within': ({ words, expected }: { words: string; expected: string }) =>
    `${words}, within ${expected}`,
  'proof.the-limits': ({
    words,
    words2,
    side,
    expected,
  }: {
    words: string;
    words2: string;
    side: string;
    expected: string;
  }) => `${words}, ${words2} ${side} the limits ${expected}`,
  'proof.to': ({ min, max, unit }: { min: number; max: number; unit: string }) =>
    `${written(min, 5)} to ${written(max, 5)} ${unit}`,
  'proof.never-bridge-safety-device': ({ safetyNote }: { safetyNote: string }) =>
    `${safetyNote} Never bridge a safety device to test.`,
  'proof.what-it-drives-may': 'What this output drives may move, start or open. Clear the machine first.',
  'proof.what-input-starts-may':
    'What this input starts may move. Clear the machine first, and never bridge a guard to test.',
  'proof.supply-device': 'Supply at the device',
  'proof.mend-land-before-you': ({ sentence }: { sentence: string }) =>
    `${sentence} Mend this in Land before you prove it.`,
  'proof.supply': 'Supply',
  'proof.red-black': ({ terminal, terminal2 }: { terminal: string; terminal2: string }) =>
    `red on ${terminal}, black on ${terminal2}`,
  'proof.relay': ({ tag }: { tag: string }) => `Relay ${tag}`,
  'proof.lamp-flag': 'its LED or flag',
  'proof.you-see': 'as you see it',
  'proof.reading': 'Reading',
  'proof.to-2': ({ text, text2, unit }: { text: string; text2: string; unit: string }) =>
    `${text} to ${text2} ${unit}`,
  'proof.signal': 'Signal',
  'proof.red-black-2': ({ terminal, blackName }: { terminal: string; blackName: string }) =>
    `red on ${terminal}, black on ${blackName}`,
  'proof.switching-led': 'its switching LED',
  'proof.in-series-with': ({ terminal }: { terminal: string }) => `mA in series with ${terminal}`,
  'proof.at-port': ({ module, label }: { module: string; label: string }) => `${module} ${label}`.trim(),
  'proof.communication': 'Communication',
  'proof.live-value': 'Live value',
  'proof.arrives-and-is-valid': 'arrives, valid',
  'proof.nothing-or-invalid': 'none, or invalid',
  'proof.bits-used': 'Bits that the program uses',
  'proof.move-what-they-tell': 'move what each of them tells',
  'proof.follow': 'all follow',
  'proof.communication-led': 'Communication LED',
  'proof.at-the-device': 'at the device',
  'proof.blinks-green': 'green, blinking',
  'proof.lit-or-flickers': 'lit or flickering',
  'proof.let-pulses-pass': ({ pulses }: { pulses: number }) => `Counted of ${pulses} pulses`,
  'proof.pulses-counted': 'Pulses counted',
  'proof.without-pulses': 'Without pulses',
  'proof.count-stands-still': 'count stands still',
  'proof.count-goes-on': 'count goes on',
  'proof.what-controller-does': 'What the controller does with it',
  'proof.what-it-does': 'Action when active',
  'proof.active-state': 'Active state',
  'proof.function': 'Function',
  'proof.safe-side': 'Safe side',
  'proof.input-led': 'Input LED',
  'proof.program-bit': 'Program bit',
  'proof.to-3': ({ min, digits, max, unit }: { min: number; digits: number; max: number; unit: string }) =>
    `${fixed(min, digits)} to ${fixed(max, digits)} ${unit}`,
  'proof.sensor-led': 'Sensor LED',
  'proof.relay-2': 'Relay',
  'proof.load': 'Load',
  'proof.panel-screen': 'Panel screen',
  'proof.with-target': ({ name }: { name: string }) => `${name} with target`,
  'proof.without-target': ({ name }: { name: string }) => `${name} without target`,
  'proof.as-expected-2': 'as expected',
  'proof.next-choose-channel': 'Next: choose a channel',
  'proof.fault-open': ({ symptom }: { symptom: string }) => `Does not work: ${symptom}`,
  'proof.proven': 'Proven',
  'proof.values-differ': ({ differ, required }: { differ: number; required: number }) =>
    `${differ} of ${required} values differ`,
  'proof.values-do': ({ left, required }: { left: number; required: number }) =>
    `${left} of ${required} values to do`,
  'proof.next-scale-enter-controller': 'Next: scale, enter it in the controller',
  'proof.next-prove-checks-do': ({ checks, passed }: { checks: readonly string[]; passed: number }) =>
    `Next: prove, ${checks.length - passed} of ${checks.length} checks to do`,
  'proof.expected': ({
    checkName,
    measured,
    expected,
  }: {
    checkName: string;
    measured: string;
    expected: string;
  }) => `${checkName} ${measured}; expected ${expected}`,
  'proof.rising': ({ share }: { share: number }) => `${share} %, rising`,
  'proof.falling': ({ share }: { share: number }) => `${share} %, falling`,
  'proof.at-controller': ({ step }: { step: string }) => `Controller, ${step}`,
  'proof.on': 'on',
  'proof.off': 'off',
  'proof.in': 'in',
  'proof.out': 'out',
  'proof.released': 'released',
  'proof.other': 'other',
  'proof.next': ({ next }: { next: string }) => `Next: ${next}`,
  'proof.next-set': ({ next }: { next: string }) => `Next: set, ${next}`,
  'proof.next-scale': ({ problem }: { problem: string }) => `Next: scale. ${problem}`,
  'proof.next-scale-off': ({ off }: { off: string }) => `Next: scale, ${off}`,
  'proof.program': ({
    how,
    inputs,
    until,
    onDelay,
    offDelay,
  }: {
    how: 'all' | 'any';
    inputs: readonly string[];
    until: string | undefined;
    onDelay: number;
    offDelay: number;
  }) =>
    [
      `On while ${inputs.join(how === 'all' ? ' and ' : ' or ')}`,
      ...(until === undefined ? [] : [`held until ${until}`]),
      ...(onDelay > 0 ? [`${onDelay} s later on`] : []),
      ...(offDelay > 0 ? [`${offDelay} s later off`] : []),
    ].join(', '),
  'proof.program-case': 'What switches it',
  'proof.program-not': ({ tag }: { tag: string }) => `not ${tag}`,
  'proof.program-input': ({ tag, on }: { tag: string; on: boolean }) => `${tag} ${on ? 'on' : 'off'}`,
  'proof.program-with': ({ put }: { put: readonly string[] }) => `With ${put.join(', ')}`,
  'proof.program-then': ({
    after,
    put,
    until,
  }: {
    after: 'away' | 'ended';
    put: readonly string[];
    until: string;
  }) =>
    after === 'away' ? `Called, then ${put.join(', ')}` : `Then ${until} on for a moment, ${put.join(', ')}`,
  'proof.program-after': ({ seconds }: { seconds: number }) => `bits of the program; look ${seconds} s later`,
  'proof.program-bits': 'bits of the program, at once',
  'proof.program-title': ({ tag }: { tag: string }) => `What switches ${tag}`,
  'proof.program-moves':
    'What this output moves may move with each of these. Clear the area and tell the operator first; interlocks for people are no matter of this program.',
  'proof.working-out': 'Reading its circuit …',
} as const;
