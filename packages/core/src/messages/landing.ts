/** Sentences by code. */
export const LANDING = {
  'landing.common': ({ number }: { number: undefined | string }) => `Common ${number}`,
  'landing.common-inside': 'The common inside',
  'landing.common-2': ({ common }: { common: string }) => `Common ${common}`,
  'landing.two-channels-two-channels':
    'Two channels to the two channels of a safety relay, each from its own test output; the auxiliary contact to a normal input, for display only.',
  'landing.trip-contact-11-12': 'Trip contact 11-12-14 to the supervisor, so that loss of supply trips too.',
  'landing.loop-plus-transmitter-input':
    'Loop: plus, transmitter, input, minus. What the others leave must be enough for the transmitter.',
  'landing.signal-switch-parameter-must':
    'Signal, switch and parameter must agree; signal minus belongs to the input’s minus.',
  'landing.two-leads-add-their':
    'Two leads add their resistance to the value, three cancel it, four take no part in it.',
  'landing.plus-plus-colours-type': 'Plus to plus in the colours of its type; no copper before the input.',
  'landing.defer-to-safety-engineer':
    'Muting, enabling and two-hand devices take a guard’s stop away or stand in for it. None of them is checked here, and nothing like them should be drawn in their place: defer to the safety engineer.',
  'landing.pair-between-two-leads':
    'The signal stands between two leads: both go to one input that is made for it, twisted together, and neither to a rail.',
  'landing.passive-output-needs-supply':
    'A passive output needs a supply and a resistor from outside; an active one needs its output supply.',
  'landing.brown-plus-blue-minus':
    'Brown to plus, blue to minus of the amplifier; much current while undamped.',
  'landing.pin-pin-1-1': 'Pin to pin: 1 to 1, 3 to 3, 4 to 4. Class B adds power on 2 and 5.',
  'landing.line-end-end-terminator':
    'One line from end to end, a terminator at both ends, bias at one place, plus to plus.',
  'landing.cable-socket-socket-100': 'One cable from socket to socket, 100 m at most.',
  'landing.two-channels-safe-inputs':
    'Each channel to its own safe input and to nothing else, both against the same 0 V; no bridge between them, none past them.',
  'landing.two-channels-only':
    'Two channels to the two channels of a safety relay, each from its own test output.',
  'landing.signal-given':
    'The signal that it gives and the one that what it drives takes must agree; minus to minus.',
  'landing.pnp-drives-load': 'PNP switches plus: the other end of its load goes to 0 V.',
  'landing.npn-drives-load': 'NPN switches minus: the other end of its load goes to plus.',
  'landing.two-wires-series-load':
    'Two wires in series with the load: off, its leakage must not hold the load in; on, the load must keep it fed.',
  'landing.switched-plus-load-minus': 'Switched plus: load to minus. Switched minus: load to plus.',
  'landing.pnp-switches-plus-put': 'PNP switches plus: put the group’s common on 0 V.',
  'landing.npn-switches-minus-put': 'NPN switches minus: put the group’s common on plus.',
  'landing.push-pull-switches-both':
    'Push-pull switches both: the common may sit on either rail; on plus the logic is inverted.',
  'landing.contact-fits-either-give': 'A contact fits either: give it the rail that the common is not on.',
  'landing.two-wires-series-input':
    'Two wires in series with the input: off, its leakage must not be taken for on.',
  'landing.goes-where-terminals-say': 'It goes where its terminals say.',
  'landing.sinking-input-current-goes':
    'Sinking input: current goes in at its terminal and out at the common',
  'landing.some-makers-call-pnp':
    'some makers call it a PNP input, after the sensor that fits, or “source” input after that sensor',
  'landing.sourcing-input-current-comes':
    'Sourcing input: current comes in at the common and out at its terminal',
  'landing.some-makers-call-npn':
    'some makers call it an NPN input, after the sensor that fits, or “sink” input after that sensor',
  'landing.two-way-input-common': 'Sink or source, selectable: its common decides which',
  'landing.common-0-v-fits': 'common on 0 V fits PNP, common on plus fits NPN',
  'landing.pnp-joins-output-plus': 'PNP: joins its output to plus, so it sources current',
  'landing.npn-joins-output-minus': 'NPN: joins its output to minus, so it sinks current',
  'landing.push-pull-joins-output': 'Push-pull: joins its output to plus or to minus',
  'landing.contact-joins-two-sides': 'Contact: joins its two sides',
  'landing.two-wire-series-load': 'Two-wire: in series with its load, never quite off',
  'landing.switching-output': 'No switching output',
  'landing.no-on-with-the': 'NO: on with the target',
  'landing.nc-without-target': 'NC: on without the target',
  'landing.light-while-sees-light': 'Light-on: on while it sees light',
  'landing.dark-while-sees-light': 'Dark-on: on while it sees no light',
  'landing.as-it-is': 'As it is',
  'landing.no-channel': 'no channel',
} as const;
