/** Sentences by code. */
export const FIELDBUS = {
  'fieldbus.same-address': ({ tags, address }: { tags: readonly string[]; address: string }) =>
    `${listed(tags)} have the same address ${address}.`,
  'fieldbus.same-name': ({ tags, name }: { tags: readonly string[]; name: undefined | string }) =>
    `${listed(tags)} have the same name ${name}.`,
  'fieldbus.address-four-numbers-0': ({ tag, address }: { tag: string; address: string }) =>
    `${tag}: “${address}” is no address. Four numbers from 0 to 255, such as 192.168.0.10.`,
  'fieldbus.mask-such-255-255': ({ tag, mask }: { tag: string; mask: string }) =>
    `${tag}: “${mask}” is no mask. Such as 255.255.255.0, or /24.`,
  'fieldbus.network-itself-participant': ({ tag, address }: { tag: string; address: string }) =>
    `${tag}: ${address} is the network itself, no participant.`,
  'fieldbus.speaks-all-network-nobody': ({ tag, address }: { tag: string; address: string }) =>
    `${tag}: ${address} is the network’s broadcast address; no device can have it.`,
  'fieldbus.reserved-rfc-6890-given': ({ tag, address }: { tag: string; address: string }) =>
    `${tag}: ${address} is reserved (RFC 6890) and cannot be given to a device.`,
  'fieldbus.gateway-address': ({ tag, gateway }: { tag: string; gateway: string }) =>
    `${tag}: its gateway “${gateway}” is no address.`,
  'fieldbus.gateway-lies-outside-own': ({
    tag,
    gateway,
    ipv4,
    prefix,
  }: {
    tag: string;
    gateway: undefined | string;
    ipv4: string;
    prefix: number;
  }) => `${tag}: its gateway ${gateway} lies outside its own network ${ipv4}/${prefix}.`,
  'fieldbus.gateway-itself': ({ tag }: { tag: string }) => `${tag}: its gateway is itself.`,
  'fieldbus.name-signs-240-allowed': ({ name }: { name: number }) =>
    `its name has ${name} signs; 240 are allowed.`,
  'fieldbus.name-reads-like-address': ({ name }: { name: string }) =>
    `its name “${name}” reads like an address.`,
  'fieldbus.name-empty-part-between': ({ name }: { name: string }) =>
    `its name “${name}” has an empty part between points.`,
  'fieldbus.part-name-signs-63': ({ label }: { label: number }) =>
    `a part of its name has ${label} signs; 63 are allowed.`,
  'fieldbus.name-capital-letters-use': ({ name }: { name: string }) =>
    `its name “${name}” has capital letters; use ${name.toLowerCase()}.`,
  'fieldbus.name-signs-other-letters': ({ name }: { name: string }) =>
    `its name “${name}” has signs other than letters, digits and dashes.`,
  'fieldbus.part-name-begins-ends': ({ name }: { name: string }) =>
    `a part of its name “${name}” begins or ends with a dash.`,
  'fieldbus.name-form-ports': ({ name }: { name: string }) =>
    `its name “${name}” is of the form that ports have.`,
  'fieldbus.lies-others-they-do': ({ row, keyOf, main }: { row: string; keyOf: string; main: string }) =>
    `${row} lies in ${keyOf}, the others in ${main}: they do not see each other.`,
  'fieldbus.illegal-function-unit-does': 'illegal function: the unit does not know what was asked',
  'fieldbus.illegal-data-address-such': 'illegal data address: it has no such register',
  'fieldbus.illegal-data-value-number': 'illegal data value: the number or the value is not allowed',
  'fieldbus.device-failure-could-do': 'device failure: it could not do it',
  'fieldbus.acknowledged-takes-while': 'acknowledged: it takes a while',
  'fieldbus.busy-try-again-later': 'busy: try again later',
  'fieldbus.memory-parity-error': 'memory parity error',
  'fieldbus.gateway-path-unavailable': 'gateway path unavailable',
  'fieldbus.gateway-target-does-answer': 'gateway target does not answer',
  'fieldbus.exception': ({ code }: { code: number }) => `exception ${code}`,
  'fieldbus.registers-numbered-0-65535': 'Registers are numbered 0 to 65535.',
  'fieldbus.request-reads-1-registers': ({ readRegisters }: { readRegisters: number }) =>
    `A request reads 1 to ${readRegisters} registers.`,
  'fieldbus.request-writes-1-registers': ({ writeRegisters }: { writeRegisters: number }) =>
    `A request writes 1 to ${writeRegisters} registers.`,
  'fieldbus.register-holds-0-65535': ({ wrong }: { wrong: number }) =>
    `A register holds 0 to 65535, not ${wrong}.`,
  'fieldbus.answer-does-belong-what': 'The answer does not belong to what was asked.',
  'fieldbus.these-registers-takes': ({
    registers,
    type,
    registersOf,
  }: {
    registers: readonly number[];
    type: string;
    registersOf: number;
  }) => `These are ${registers.length} registers; ${type} takes ${registersOf}.`,
  'fieldbus.register-holds-0-65535-2': ({ register }: { register: number }) =>
    `A register holds 0 to 65535, not ${register}.`,
  'fieldbus.scale-0': 'A scale cannot be 0.',
  'fieldbus.does-fit': ({
    value,
    type,
    limit,
    scale,
    limit2,
  }: {
    value: number;
    type: string;
    limit: number;
    scale: number;
    limit2: number;
  }) => `${value} does not fit in ${type}: from ${limit * scale} to ${limit2 * scale}.`,
  'fieldbus.number-hold': ({ value, type }: { value: number; type: string }) =>
    `${value} is no number that ${type} can hold.`,
  'fieldbus.description-file-installed-controller': ({ tag }: { tag: string }) =>
    `${tag}: its description file is not installed in the controller’s project; the controller cannot address it.`,
  'fieldbus.name-project-looks': ({
    tag,
    nameOnDevice,
    name,
  }: {
    tag: string;
    nameOnDevice: string;
    name: string;
  }) => `${tag} has the name ${nameOnDevice}; the project looks for ${name}.`,
  'fieldbus.name-own-yet-project': ({ tag, name }: { tag: string; name: string }) =>
    `${tag} has no name of its own yet; the project looks for ${name}.`,
  'fieldbus.clear-what-plan-says': ({ faults }: { faults: number }) =>
    `Clear what the plan says: ${faults} to mend`,
  'fieldbus.plan-without-faults': 'Plan without faults',
  'fieldbus.before-anything-plugged-address':
    'Before anything is plugged in: an address used twice takes down both.',
  'fieldbus.give-mask-wireless-off': ({
    laptop,
    address,
    mask,
  }: {
    laptop: string;
    address: string;
    mask: string;
  }) => `Give ${laptop} ${address}, mask ${mask}; wireless off`,
  'fieldbus.two-networks-laptop-send': 'Two networks on one laptop send the answer the wrong way.',
  'fieldbus.see-gives-out-addresses': ({ tags }: { tags: string }) =>
    `See that ${tags} gives out no addresses that are in the plan`,
  'fieldbus.address-given-out-today': 'An address that is given out today is used twice tomorrow.',
  'fieldbus.install-description-files-project': ({ tags }: { tags: string }) =>
    `Install the description files of ${tags} in the project`,
  'fieldbus.plug-alone-give': ({
    member,
    address,
    memberName,
  }: {
    member: string;
    address: string;
    memberName: undefined | string;
  }) => `Plug in ${member} alone; give it ${address}${memberName ? ` and the name ${memberName}` : ''}`,
  'fieldbus.time-new-devices-all': 'One at a time: new devices all come with the same address or none.',
  'fieldbus.give': ({ member, address }: { member: string; address: string }) => `Give ${member} ${address}`,
  'fieldbus.load-project-into-names': ({ tags }: { tags: string }) =>
    `Load the project into ${tags}; names and addresses as planned`,
  'fieldbus.machine-start-when-controller':
    'The machine can start when the controller runs. Keep people clear.',
  'fieldbus.reach-every-address-laptop':
    'Reach every address from the laptop, then every device from the controller',
  'fieldbus.unplug-controller-must-say': 'Unplug one: the controller must say which.',
  'fieldbus.baud': ({ baud }: { baud: number }) => `${baud} baud`,
  'fieldbus.and-stop': ({ parity, stopBits }: { parity: string; stopBits: number }) =>
    `${parity === 'none' ? 'no parity' : `${parity} parity`} and ${stopBits} stop ${stopBits === 1 ? 'bit' : 'bits'}`,
  'fieldbus.unit-number-1-247': ({ tag, unit }: { tag: string; unit: number }) =>
    `${tag} has the unit number ${unit}; 1 to 247 are allowed.`,
  'fieldbus.same-unit-number': ({ before, tag, unit }: { before: string; tag: string; unit: number }) =>
    `${before} and ${tag} have the same unit number ${unit}.`,
  'fieldbus.set-others': ({ unit, words, main }: { unit: string; words: string; main: undefined | string }) =>
    `${unit} is set to ${words}, the others to ${main}.`,
  'fieldbus.end-line-switch-terminator': ({ tag }: { tag: string }) =>
    `${tag} is at an end of the line: switch its terminator on.`,
  'fieldbus.end-line-switch-terminator-off': ({ tag }: { tag: string }) =>
    `${tag} is not at an end of the line: switch its terminator off.`,
  'fieldbus.receivers-unit-loads-together': ({
    loads,
    maxUnitLoads,
  }: {
    loads: number;
    maxUnitLoads: number;
  }) =>
    `The receivers are ${Number(loads.toFixed(2))} unit loads together; ${maxUnitLoads} are allowed. Use a repeater.`,
  'fieldbus.baud-more-kind-line': ({ baud }: { baud: number }) =>
    `${baud} baud is more than this kind of line carries over any distance.`,
  'fieldbus.line-m-long-baud': ({
    metres,
    baud,
    longest,
  }: {
    metres: number;
    baud: number;
    longest: number;
  }) =>
    `The line is ${metres} m long; at ${baud} baud ${longest} m are allowed. Lower the baud or use a repeater.`,
  'fieldbus.rest-v-stand-between': ({
    min,
    tag,
    minLineVolts,
  }: {
    min: number;
    tag: string;
    minLineVolts: number;
  }) =>
    `At rest only ${min.toFixed(2)} V stand between the lines at ${tag}; a receiver is sure from ${minLineVolts} V on. Use a smaller bias resistor.`,
  'fieldbus.nothing-holds-line-rest': `Nothing holds the line at rest: with terminators fitted it needs a bias at one place.`,
  'fieldbus.d1-d0': '+ and −, or D1 and D0',
  'fieldbus.plain-d1-positive-rest': 'plain: + (D1) is positive at rest',
  'fieldbus.b-and-a': 'B and A',
  'fieldbus.tia-485-b-positive': 'TIA-485: B is positive at rest, A negative',
  'fieldbus.a-and-b': 'A and B',
  'fieldbus.turned-many-makers-print': 'inverted, as many makers print it: A is positive at rest',
  'fieldbus.at': ({ plusName, tag }: { plusName: string; tag: string }) => `${plusName} at ${tag}`,
  'fieldbus.line-positive-rest-called': ({ each }: { each: string }) =>
    `The line that is positive at rest is called ${each}. Join these; do not go by the letters.`,
} as const;

function listed(tags: readonly string[]): string {
  return tags.length > 1 ? `${tags.slice(0, -1).join(', ')} and ${tags.at(-1)}` : (tags[0] ?? '');
}
