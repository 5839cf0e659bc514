/** Sentences by code. */
export const JOB = {
  'job.program-of-no-load': ({ tag }: { tag: string }) =>
    `${tag} is nothing that a program switches: it is no load.`,
  'job.program-names-twice': ({ tag, twice }: { tag: string; twice: string }) =>
    `What switches ${tag} names ${twice} twice. Once is enough.`,
  'job.program-needs-bit': ({ tag, input }: { tag: string; input: string }) =>
    `What switches ${tag} names “${input}”, which gives the program no bit: name a switching sensor or a contact of this job.`,
  'job.cannot-be-stopped': ({ tag, id }: { tag: string; id: string }) =>
    `${tag} stops “${id}”, which the job does not hold or which nothing has to stop: name a contactor, a valve, a motor or a drive with safe stop.`,
  'job.to': ({ ref, ref2 }: { ref: string; ref2: string }) => `${ref} to ${ref2}`,
  'job.wire-missing': ({ number, ends }: { number: string; ends: string }) =>
    `Wire ${number}, ${ends}, is missing.`,
  'job.land-wire': ({ number, ends }: { number: string; ends: string }) => `Land wire ${number} from ${ends}`,
  'job.begins-instead': ({ ref, ref2 }: { ref: string; ref2: string }) =>
    `begins on ${ref} instead of ${ref2}`,
  'job.ends-instead': ({ ref, ref2 }: { ref: string; ref2: string }) => `ends on ${ref} instead of ${ref2}`,
  'job.is-instead-of': ({ colour, colour2 }: { colour: string; colour2: string }) =>
    `is ${colour} instead of ${colour2}`,
  'job.wire': ({ number, parts }: { number: string; parts: readonly string[] }) =>
    `Wire ${number} ${parts.join(' and ')}.`,
  'job.move-wire-back': ({ number, ends }: { number: string; ends: string }) =>
    `Move wire ${number} back: ${ends}`,
  'job.use-wire-number': ({ colour, number }: { colour: string; number: string }) =>
    `Use a ${colour} wire for number ${number}`,
  'job.terminal-full': ({ most }: { most: number }) =>
    `At most ${most} wires fit on a terminal. Put a terminal strip or a splice between.`,
  'job.undo-stamp': 'A stamp stays in the log. Undo it at its step, with a reason.',
  'job.undo-result':
    'What was measured stays as it was recorded. Measure again where it was wrong: the last result counts.',
  'job.undo-entry':
    'What was found or left stays as it was written. Enter it again where it was wrong: the last entry counts.',
  'job.undo-calibration':
    'A calibration stays as it was recorded. Declare it void where it stands, with a reason.',
  'job.undo-fault':
    'What was reported and mended stays as it was recorded. Report it anew where it is not so.',
  'job.undo-photo': 'A photo stays in the record. Remove it where it stands, with a reason.',
  'job.photo-gone': 'This photo was removed already.',
  'job.photo-subject': ({ what }: { what: string }) =>
    `The job does not hold “${what}”, which the photo shows.`,
  'job.photos-most': ({ most }: { most: number }) =>
    `The photos of a job fill at most ${most} MB. Remove some that are not needed any more.`,
  'job.photo-without-picture': 'The file names a photo, but does not hold its picture.',
  'job.picture-without-photo': 'The file holds a picture of which no photo is named.',
  'job.fault-not-open': ({ of }: { of: string }) => `The point has no open fault “${of}”.`,
  'job.undo-moved': ({ rows }: { rows: readonly string[] }) =>
    `Changed again since: ${rows.slice(0, 4).join(', ')}${rows.length > 4 ? ` and ${rows.length - 4} more` : ''}. Undo the later change first.`,
  'job.undo-rests': 'It cannot be undone any more, since other things rest on it by now.',
  'job.undo-old': 'It was stored by an older version, in a form that a job has no more. It cannot be undone.',
  'job.say-why-undone': 'Say why it is undone.',
  'job.job-holds-point-may': ({ pointId }: { pointId: string }) =>
    `The job holds no point “${pointId}”. It may have been removed.`,
  'job.step-undone-already': 'This step is undone already.',
  'job.job-holds-may-been': ({ what, id }: { what: string; id: string }) =>
    `The job holds no ${what} “${id}”. It may have been removed.`,
  'job.job-holds-device': ({ deviceId }: { deviceId: string }) => `The job holds no device “${deviceId}”.`,
  'job.module-job-choose': 'That module is not in the job. Choose one that is.',
  'job.has-no-channel': ({ module, channel }: { module: string; channel: number }) =>
    `${module} has no channel ${channel}.`,
  'job.holds-stored-which-never': ({ point, kept }: { point: string; kept: number }) =>
    `${point} holds ${kept} stored ${kept === 1 ? 'result' : 'results'}, which are never removed. Take it off its channel instead.`,
  'job.module-job': 'That module is not in the job.',
  'job.common-behind': ({
    module,
    common,
    parts,
  }: {
    module: string;
    common: string;
    parts: readonly string[];
  }) =>
    `${common} of ${module} sits on its rail through ${parts.join(', ')}. Lead the wires of ${parts.join(', ')} elsewhere in the wire list; another wire here would join both rails.`,
  'job.no-supply-with-rail': ({ rail }: { rail: string }) =>
    `The job has no supply with ${rail}. Add one in Panel, then put the common on it.`,
  'job.has-no': ({ module, common }: { module: string; common: string }) => `${module} has no ${common}.`,
  'job.id-used-already-each': ({ id, first }: { id: string; first: string }) =>
    `The id “${id}” is used already by ${first}. Each needs its own.`,
  'job.tag-used-already-choose': ({ tag, first }: { tag: string; first: string }) =>
    `The tag ${tag} is used already by ${first}. Choose another.`,
  'job.the-supply': ({ s }: { s: string }) => `the supply ${s}`,
  'job.the-module': ({ m }: { m: string }) => `the module ${m}`,
  'job.the-point': ({ p, pName }: { p: string; pName: string }) => `the point ${p} (${pName})`,
  'job.job-needs-supply-add': 'A job needs a supply. Add another first.',
  'job.dc-control-supply-60': ({ tag }: { tag: string }) =>
    `${tag} is a DC control supply and has 60 V at most.`,
  'job.must-fed-another-supply': ({ tag }: { tag: string }) =>
    `${tag} must be fed by another supply of the job, and at the end of the line by one that is no branch.`,
  'job.branch-v': ({ tag, from, volts }: { tag: string; from: string; volts: number }) =>
    `${tag} is a branch of ${from} and has its ${volts} V.`,
  'job.has-no-setting': ({ typeName, key }: { typeName: string; key: string }) =>
    `${typeName} has no setting “${key}”.`,
  'job.cannot-be-allowed': ({
    settingLabel,
    value,
    choices,
  }: {
    settingLabel: string;
    value: string;
    choices: readonly string[];
  }) => `${settingLabel} cannot be “${value}”. Allowed: ${choices.join(', ')}.`,
  'job.kind-module': ({ typeId }: { typeId: string }) => `There is no kind of module “${typeId}”.`,
  'job.kind-device': ({ typeId }: { typeId: string }) => `There is no kind of device “${typeId}”.`,
  'job.output-allowed': ({
    typeName,
    id,
    outputs,
  }: {
    typeName: string;
    id: string;
    outputs: readonly string[];
  }) => `${typeName} has no output “${id}”. Allowed: ${outputs.join(', ')}.`,
  'job.output-allowed-2': ({
    typeName,
    kind,
    kinds,
  }: {
    typeName: string;
    kind: string;
    kinds: readonly string[];
  }) => `${typeName} has no ${kind} output. Allowed: ${kinds.join(', ')}.`,
  'job.cannot-be-allowed-2': ({
    typeName,
    logic,
    logics,
  }: {
    typeName: string;
    logic: string;
    logics: readonly string[];
  }) => `${typeName} cannot be “${logic}”. Allowed: ${logics.join(', ')}.`,
  'job.claim-same-device': ({ tag, other }: { tag: string; other: string }) =>
    `${tag} and ${other} claim the same device.`,
  'job.names-device-job-does': ({ tag, id }: { tag: string; id: string }) =>
    `${tag} names a device “${id}” that the job does not hold.`,
  'job.output-allowed-3': ({
    typeName,
    outputId,
    outputs,
  }: {
    typeName: string;
    outputId: string;
    outputs: readonly string[];
  }) => `${typeName} has no output “${outputId}”. Allowed: ${outputs.join(', ')}.`,
  'job.job-holds-point': ({ pointId }: { pointId: string }) => `The job holds no point “${pointId}”.`,
  'job.wire-ends-which-job': ({ number, item }: { number: string; item: string }) =>
    `Wire ${number} ends on “${item}”, which the job does not hold.`,
  'job.wire-ends-terminal': ({
    number,
    terminal,
    owner,
    terminals,
  }: {
    number: string;
    terminal: string;
    owner: string;
    terminals: readonly string[];
  }) => `Wire ${number} ends on terminal ${terminal}, but ${owner} has only ${listed(terminals)}.`,
  'job.wire-begins-ends-same': ({ number }: { number: string }) =>
    `Wire ${number} begins and ends on the same terminal.`,
  'job.taken-needs-free-channel': ({
    label,
    names,
    names2,
  }: {
    label: string;
    names: undefined | string;
    names2: undefined | string;
  }) => `${label} is taken by ${names}. ${names2} needs a free channel.`,
  'job.use-byte-which-uses': ({
    module,
    area,
    byte,
    first,
  }: {
    module: string;
    area: string;
    byte: number;
    first: string;
  }) =>
    `${module} would use ${area === 'I' ? 'input' : 'output'} byte ${byte}, which ${first} uses already. Choose a free first byte.`,
  'job.too-large': ({ million }: { million: number }) =>
    `A job holds at most ${million} million characters. Take out description files that no device needs, or divide the job.`,
  'job.file-larger-mb-most': ({ maxFileBytes }: { maxFileBytes: number }) =>
    `The file is larger than ${Math.floor(maxFileBytes / 1024 / 1024)} MB, the maximum for a job file.`,
  'job.key-post-job-format': ({ jobFormat }: { jobFormat: string }) =>
    `This is not a Key Post job: its “format” must be “${jobFormat}”.`,
  'job.file-does-say-version': 'The file does not say its version, a whole number from 1.',
  'job.file-version-key-post': ({ version, jobVersion }: { version: number; jobVersion: number }) =>
    `The file has version ${version}; this Key Post reads up to ${jobVersion}. Update Key Post first.`,
  'job.job-holds-part-may': ({ itemId }: { itemId: string }) =>
    `The job holds no part “${itemId}”. It may have been removed.`,
  'job.part-figure': ({ path }: { path: string }) => `This part has no figure “${path}”.`,
  'job.figure-0-more': 'This figure is 0 or more.',
  'job.resistance-more-0': 'A resistance is more than 0 Ω.',
  'job.does-fit-here-figure': ({ unit, unit2 }: { unit: string; unit2: string }) =>
    `“${unit}” does not fit here. The figure is in ${unit2 || 'no unit'}.`,
  'job.row-description-need-same': 'The row and its description need the same id.',
  'job.file-larger-kb-most': ({ maxKindBytes }: { maxKindBytes: number }) =>
    `The file is larger than ${maxKindBytes / 1024} kB, the maximum for a description.`,
  'job.description-device-module-format': ({
    ownDevices,
    ownModules,
  }: {
    ownDevices: string;
    ownModules: string;
  }) =>
    `This is no description of a device or module: its “format” must be “${ownDevices}” or “${ownModules}”.`,
  'job.file-version-key-post-reads': ({ version, kindVersion }: { version: number; kindVersion: number }) =>
    `The file has version ${version}; this Key Post reads up to ${kindVersion}. Update Key Post first.`,
  'job.id-kind-ships-key': ({ id }: { id: string }) =>
    `“${id}” is the id of a kind that ships with Key Post. Choose another.`,
  'job.this-is-not-json': ({ line }: { line: undefined | number }) =>
    `This is not JSON${line ? `; line ${line} breaks off or holds a stray character` : ''}.`,
  'job.point-holds-calibration': ({ of }: { of: string }) => `The point holds no calibration “${of}”.`,
  'job.stands-table-twice-each': ({ inValue, unitIn }: { inValue: number; unitIn: string }) =>
    `${inValue} ${unitIn} stands in the table twice. Each signal has one value.`,
  'job.part-parameter': ({ key }: { key: string }) => `This part has no parameter “${key}”.`,
  'job.job-holds-part': ({ itemId }: { itemId: string }) => `The job holds no part “${itemId}”.`,
  'job.refers-description-file-job': ({ tag }: { tag: string }) =>
    `${tag} refers to a description file that the job does not hold.`,
  'job.id-used-twice': ({ id, plan }: { id: string; plan: string }) =>
    `The id “${id}” is used twice in ${plan}.`,
  'job.refers-part-job-does': ({ tag, plan }: { tag: string; plan: string }) =>
    `${tag} in ${plan} refers to a part that the job does not hold.`,
  'job.behaviour-right-model-senses': ({ input, portLabel }: { input: string; portLabel: string }) =>
    `No behaviour “${input}” of the right model senses at ${portLabel}.`,
  'job.stands-which-terminal': ({ portLabel, node }: { portLabel: string; node: string }) =>
    `${portLabel} is on ${node}, which is no terminal.`,
  'job.is-no-terminal': ({ common }: { common: string }) => `${common} is no terminal.`,
  'job.there-is-no-channel': ({ channel }: { channel: number }) => `There is no channel ${channel}.`,
  'job.stands-twice': ({ what, name }: { what: string; name: string }) =>
    `The ${what} ${name} stands there twice.`,
  'job.two-behaviours-make-element': ({ id }: { id: string }) =>
    `Two behaviours make an element “${id}”. Each needs its own name.`,
  'job.stands-which-terminal-part': ({ id, node }: { id: string; node: string }) =>
    `“${id}” is on ${node}, which is no terminal of the part.`,
  'job.hangs-which': ({ id, id2 }: { id: string; id2: string }) =>
    `“${id}” hangs on “${id2}”, which there is not.`,
  'job.nothing-stands-terminal-give': ({ name }: { name: string }) =>
    `Nothing stands on terminal ${name}: give it a behaviour, or leave it out.`,
  'job.lead-which-terminal': ({ outputLabel, name }: { outputLabel: string; name: string }) =>
    `${outputLabel} has the lead ${name}, which is no terminal.`,
  'job.same-lead-each-needs': ({ outputLabel, sharedLabel }: { outputLabel: string; sharedLabel: string }) =>
    `${outputLabel} and ${sharedLabel} have the same lead. Each needs leads of its own.`,
  'job.opposite-which': ({ outputLabel, of }: { outputLabel: string; of: string }) =>
    `${outputLabel} is the opposite of “${of}”, which there is not.`,
  'job.switches-behaviour-says-when': ({ outputLabel }: { outputLabel: string }) =>
    `${outputLabel} switches, but no behaviour says when: name its element.`,
  'job.same-both-states-stimulus': ({ outputLabel }: { outputLabel: string }) =>
    `${outputLabel} is the same in both states of its stimulus. Its states must differ.`,
  'job.supply-which-terminal': ({ name }: { name: string }) =>
    `The supply is at ${name}, which is no terminal.`,
} as const;

/** At most six names, of more the first and the last. */
function listed(names: readonly string[]): string {
  return names.length <= 6
    ? names.join(', ')
    : `${names.slice(0, 3).join(', ')} … ${names.slice(-2).join(', ')}`;
}
