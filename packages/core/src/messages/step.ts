import { fixed } from '../units/index.ts';

/** Sentences by code. */
export const STEP = {
  'step.what-safe-contacts-release':
    'What the safe contacts release can move. Keep everybody out of the guarded space.',
  'step.never-bridge-safety-device':
    'Never bridge a safety device to test; open its channel at a terminal, with a second person at the stop.',
  'step.safety-relay': 'the safety relay',
  'step.power-up-supply-lamp': ({ relay }: { relay: string }) =>
    `Power up: the supply LED of ${relay} lights`,
  'step.both-channels-show-closed': ({ present, relay }: { present: string; relay: string }) =>
    `${present}: both channels of ${relay} show closed`,
  'step.both-show-open': ({ away }: { away: string }) => `${away}: both show open.`,
  'step.safe-side-drops-out': ({ away }: { away: string }) =>
    `${away}: the safe side drops out at once, and stays out until reset`,
  'step.safe-side-drops-out-returns': ({ away, present }: { away: string; present: string }) =>
    `${away}: the safe side drops out at once, and comes back by itself with “${present}”`,
  'step.joint-for-the-test':
    'The joint is there for the moment of the test only, with a second person at the stop. Take it off, and see that it is off.',
  'step.reset-on-press': ({ relay }: { relay: string }) => `Press reset: ${relay} releases`,
  'step.open-channel-1-alone': ({ device, relay }: { device: string; relay: string }) =>
    `Open channel 1 of ${device} alone: ${relay} drops out`,
  'step.open-channel-2-alone': ({ device, relay }: { device: string; relay: string }) =>
    `Open channel 2 of ${device} alone: ${relay} drops out`,
  'step.join-two-channels-terminals': ({ relay }: { relay: string }) =>
    `Join the two channels at the terminals for a moment: ${relay} drops out or does not start`,
  'step.open-feedback-wire-does': ({ relay }: { relay: string }) =>
    `Open the feedback wire: ${relay} does not start again`,
  'step.mirror-contact-stands': ({ contactor }: { contactor: string }) =>
    `The mirror contact of ${contactor} stands in it.`,
  'step.write-down-selector-position': ({ selector }: { selector: string }) =>
    `Write down the selector’s position: ${selector}`,
  'step.measure-how-long-outputs': 'Measure how long the outputs take to drop out, against the stated time',
  'step.releases-itself': ({ present, relay }: { present: string; relay: string }) =>
    `${present}: ${relay} releases by itself`,
  'step.where-person-stand-behind': ({ moves }: { moves: string }) =>
    `${moves} Where a person can stand behind the guard, reset must be manual and monitored.`,
  'step.press-let-go-reset': ({ relay }: { relay: string }) =>
    `Press and let go of reset: ${relay} releases on letting go, not on pressing`,
  'step.either-input': 'either input',
  'step.both-inputs': 'both inputs',
  'step.isolate-lock-off-prove': 'Isolate, lock off, prove dead',
  'step.supply-leads-landed': 'Supply leads landed',
  'step.power-up-measure-supply': 'Power up and measure the supply',
  'step.signal-leads-landed': 'Signal leads landed',
  'step.all-wires-tugged': 'All wires tugged',
  'step.common-compared-rule': 'Common compared with the rule',
  'step.input-follows-output': 'Input follows the output',
  'step.sensitivity-set': 'Sensitivity set',
  'step.threshold-set': 'Threshold set where it is decided',
  'step.alarms-entered-controller': 'Alarms entered in the controller',
  'step.scaling-entered-controller': 'Scaling entered in the controller',
  'step.safety-relay-fed': 'Safety relay fed',
  'step.both-channels-closed-guard': 'Both channels closed with the guard',
  'step.reset-tried': 'Reset tried',
  'step.guard-opened-safe-side': 'Guard opened: the safe side dropped out',
  'step.channel-1-opened-alone': 'Channel 1 opened alone',
  'step.channel-2-opened-alone': 'Channel 2 opened alone',
  'step.channels-joined-moment': 'Channels joined for a moment',
  'step.feedback-opened': 'Feedback opened',
  'step.position-selector-written-down': 'Position of the selector written down',
  'step.drop-out-time-measured': 'Drop-out time measured',
  'step.part-gone': 'a part that is gone',
  'step.sensitivity-set-2': ({ setting, scale }: { setting: number; scale: number }) =>
    `Sensitivity set to ${fixed(setting, 1)} of ${fixed(scale, 0)}`,
  'step.landed': ({ tagOf }: { tagOf: string }) => `${tagOf} landed`,
  'step.switches-set': ({ tagOf }: { tagOf: string }) => `Switches of ${tagOf} set`,
  'step.check-fitting': 'A check of the fitting',
  'step.wire-to': ({ number, ref }: { number: string; ref: string }) => `wire ${number} to ${ref}`,
  'step.wire-gone': 'a wire that is gone',
  'step.what-is': ({ tag }: { tag: string }) => `what ${tag} is`,
  'step.the-figures-of': ({ tag }: { tag: string }) => `the figures of ${tag}`,
  'step.the-settings-of': ({ tag }: { tag: string }) => `the settings of ${tag}`,
  'step.supply': ({ supply }: { supply: string }) => `supply ${supply}`,
  'step.mended': ({ what }: { what: string }) => `${what} was mended`,
  'step.point-itself': 'the point itself',
  'step.follow-site-lock-off':
    'Follow the site’s lock-off rules; mains only for people licensed or authorised under the local code.',
  'step.machines-start-themselves-when':
    'Machines can start by themselves when power returns. Keep people clear.',
  'step.what-it-drives-may':
    'What the output drives may move, start or open. Clear the machine before it is switched or forced.',
  'step.what-input-starts-may':
    'What the input starts may move. Clear the machine before the target goes in.',
  'step.test-tester-before-after': 'Test the tester before and after.',
  'step.tug-each-wire': 'Tug each wire.',
  'step.its-supply-to': ({ terminal, terminal2 }: { terminal: string; terminal2: string }) =>
    `Its supply, ${terminal} to ${terminal2}:`,
  'step.isolate-again-first': 'Isolate again first.',
  'step.tug-all-wires-both': ({ device }: { device: string }) => `Tug all wires of ${device} at both ends`,
  'step.power-up': 'Power up',
  'step.power-up-sensor-own': 'Power up: the sensor’s own LED answers',
  'step.power-up-lights': ({ ledLabel }: { ledLabel: string }) =>
    `Power up: ${ledLabel.charAt(0).toLowerCase()}${ledLabel.slice(1)} lights`,
  'step.on-nothing': ({ terminal }: { terminal: string }) => `${terminal} on nothing`,
  'step.to-wire': ({ terminal, ref, number }: { terminal: string; ref: string; number: string }) =>
    `${terminal} to ${ref} (wire ${number})`,
  'step.nothing-landed': ({ device }: { device: string }) => `Nothing of ${device} is landed`,
  'step.with': ({ name, numbers }: { name: string; numbers: readonly string[] }) =>
    `${name} with ${numbers.join(' and ')}`,
  'step.on-set': ({ tag, set }: { tag: string; set: readonly string[] }) => `On ${tag} set ${set.join('; ')}`,
  'step.compare-wiring-drawing': 'Compare the wiring with the drawing',
  'step.common-inside': ({ place }: { place: string }) => `${place} has its common inside`,
  'step.sits-on': ({ rail }: { rail: string }) => `sits on ${rail}`,
  'step.is-on-no-rail': 'is on no rail',
  'step.of': ({ common, module, where }: { common: string; module: string; where: string }) =>
    `${common} of ${module} ${where}`,
  'step.power-up-change-value': 'Power up, change the value: the reading follows',
  'step.use': ({ stimulus }: { stimulus: string }) => `Use ${stimulus}.`,
  'step.power-up-switch-output': 'Power up, switch the output: the load follows',
  'step.power-up-device-led': 'Power up: device LED and line LED answer',
  'step.power-up-change-output': 'Power up, change the output: what it drives follows',
  'step.power-up-pulses': 'Power up, let pulses come: the counts rise',
  'step.power-up-target-loads': ({ loads }: { loads: readonly string[] }) =>
    `Power up, target in and out: ${loads.length ? loads.join(', ') : 'what it drives'} ${loads.length > 1 ? 'follow' : 'follows'}`,
  'step.power-up-target-out': 'Power up, target in and out: the input LED follows',
  'step.meter-signal-wire-must': 'The meter on the signal wire must change with it.',
  /** What a description says of its own device. */
  'step.fit': ({ check }: { check: string }) => check,
  'step.fit-reason': ({ reason }: { reason: string }) => reason,
  'step.own-caution': ({ caution }: { caution: string }) => caution,
} as const;
