/** Sentences by code. */
export const IO_LINK = {
  'ioLink.whole-numbers-fit': 'only whole numbers fit.',
  'ioLink.no-signal': 'no signal',
  'ioLink.too-far': 'too far',
  'ioLink.too-near': 'too near',
  'ioLink.port-disabled': 'port disabled',
  'ioLink.no-device': 'no device',
  'ioLink.wrong-device': 'wrong device',
  'ioLink.no-answer': 'no answer',
  'ioLink.not-valid': 'not valid',
  'ioLink.no-number': 'no number',
  'ioLink.below-range': 'below its range',
  'ioLink.above-range': 'above its range',
  'ioLink.record-0-256-bits': ({ bitLength }: { bitLength: number }) =>
    `A record has 0 to 256 bits, not ${bitLength}.`,
  'ioLink.bits-allowed': ({
    name,
    bits,
    min,
    max,
  }: {
    name: string;
    bits: number;
    min: number;
    max: number;
  }) => `${name} has ${bits} bits; ${min} to ${max} are allowed.`,
  'ioLink.lies-bits-beyond-record': ({
    name,
    bitOffset,
    bits,
    bitLength,
  }: {
    name: string;
    bitOffset: number;
    bits: number;
    bitLength: number;
  }) => `${name} lies at bits ${bitOffset} to ${bitOffset + bits - 1}, beyond the record’s ${bitLength}.`,
  'ioLink.lies-over': ({ name, taken }: { name: string; taken: string }) => `${name} lies over ${taken}.`,
  'ioLink.these-bytes-record-bits': ({
    bytes,
    bitLength,
    bytesFor,
  }: {
    bytes: number;
    bitLength: number;
    bytesFor: number;
  }) => `These are ${bytes} bytes; a record of ${bitLength} bits has ${bytesFor}.`,
  'ioLink.cannot-be': ({ name, string, allowed }: { name: string; string: string; allowed: string }) =>
    `${name} cannot be ${string}: ${allowed}.`,
  'ioLink.true-false': 'it is true or false',
  'ioLink.it-is-a-number': 'it is a number',
  'ioLink.it-is-a-time': 'it is a date and time from 1984 to 2120, such as 2026-03-01T08:00:00Z',
  'ioLink.it-is-a-span': 'it is a number of seconds within ±2147483647',
  'ioLink.most-bytes-fit': ({ bytes }: { bytes: number }) => `at most ${bytes} bytes fit`,
  'ioLink.times-true-false': ({ count }: { count: number }) => `it is ${count} times true or false`,
  'ioLink.whole-number': ({ min, max }: { min: string; max: string }) =>
    `it is a whole number from ${min} to ${max}`,
  'ioLink.gradient-0': 'A gradient cannot be 0.',
  'ioLink.file-begins-device-description': ({ rootName }: { rootName: string }) =>
    `The file begins with ${rootName}; a device description begins with IODevice.`,
  'ioLink.file-version-known-known': ({
    namespace,
    known,
  }: {
    namespace: string;
    known: readonly string[];
  }) =>
    `The file is of a version that is not known: ${namespace || 'none said'}. Known: ${known.join(', ')}.`,
  'ioLink.file-lacks-profilebody': 'The file lacks its ProfileBody.',
  'ioLink.file-lacks-devicefunction': 'The file lacks its DeviceFunction.',
  'ioLink.file-lacks-device-identity': 'The file lacks the device’s identity.',
  'ioLink.whole-number-0-up': ({ text }: { text: string }) => `“${text}” is no whole number from 0 up.`,
  'ioLink.index-too': ({ index, before }: { index: number; before: string }) =>
    `Its index ${index} is that of ${before} too.`,
  'ioLink.access-ro-rw-wo': ({ access }: { access: string }) =>
    `Its access is “${access}”; ro, rw or wo is allowed.`,
  'ioLink.refers-type-which-file': ({ id }: { id: string }) =>
    `It refers to the type “${id}”, which the file lacks.`,
  'ioLink.standard-variable-unread': ({ id }: { id: string }) => `the standard variable ${id}`,
  'ioLink.unit-unread': ({ code }: { code: string }) => `the unit with the code ${code}`,
  'ioLink.condition-unread': ({ parameter }: { parameter: string }) =>
    `What its process data means depends on “${parameter}”, and that was not read yet. Read the device’s parameters first.`,
  'ioLink.condition-none': ({ parameter, value }: { parameter: string; value: string }) =>
    `The description says nothing of process data where “${parameter}” is ${value}.`,
  'ioLink.value-of-none': 'none of its values',
  'ioLink.type-known-here': ({ kind }: { kind: string }) => `The type “${kind}” is not known here.`,
  'ioLink.refers-menu-which-file': ({ menuId }: { menuId: string }) =>
    `It refers to the menu “${menuId}”, which the file lacks.`,
  'ioLink.refers-variable-which-file': ({ variableId }: { variableId: string }) =>
    `It refers to the variable “${variableId}”, which the file lacks.`,
  'ioLink.single-point': 'single point',
  'ioLink.two-points': 'two points',
  'ioLink.sp1-sp2-taken': 'SP1 and SP2 taken',
  'ioLink.waiting-command': 'waiting for a command',
  'ioLink.failed-old-values-stay': 'failed: the old values stay',
  'ioLink.state': ({ byte }: { byte: number }) => `state ${byte & 0x0f}`,
  'ioLink.hysteresis-0-more': 'A hysteresis is 0 or more.',
  'ioLink.sp1-sp2-both-needs': ({ sp1, switchMode }: { sp1: number; switchMode: string }) =>
    `SP1 and SP2 are both ${sp1}: ${switchMode} needs two different ones.`,
  'ioLink.hysteresis-wider-window-never': ({
    hysteresis,
    sp1,
    sp2,
  }: {
    hysteresis: number;
    sp1: number;
    sp2: number;
  }) =>
    `The hysteresis of ${hysteresis} is wider than the window of ${Math.abs(sp1 - sp2)}: it would never let go.`,
  'ioLink.highest-time-base-cycle': 'The highest time base of a cycle time is reserved.',
  'ioLink.cycle-time-0-132': 'A cycle time is 0 to 132.8 ms.',
  'ioLink.many-attributes': ({ most }: { most: number }) =>
    `An element of the file has more than ${most} attributes: it is no device description.`,
  'ioLink.many-elements': ({ most }: { most: number }) =>
    `The file has more than ${most} elements: it is no device description.`,
  'ioLink.nested-too-deep': ({ most }: { most: number }) =>
    `The file is nested more than ${most} deep: it is no device description.`,
  'ioLink.file-mb-most-mb': ({ text, maxDescriptionBytes }: { text: number; maxDescriptionBytes: number }) =>
    `The file is ${Math.ceil(text / 1024 / 1024)} MB; at most ${maxDescriptionBytes / 1024 / 1024} MB are read.`,
  'ioLink.file-defines-document-type':
    'The file defines a document type or entities of its own. Such files are not read.',
  'ioLink.file-damaged-line': ({ line, msg }: { line: number; msg: string }) =>
    `The file is damaged at line ${line}: ${msg}`,
  'ioLink.file-holds-ml-element': 'The file holds no XML element.',
} as const;
