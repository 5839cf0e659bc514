import { written } from '../units/index.ts';

/** Sentences by code. */
export const PLANNING = {
  'planning.conductors-are-protected': ({
    tag,
    amps,
    mm2,
    bears,
  }: {
    tag: string;
    amps: number;
    mm2: number;
    bears: number;
  }) =>
    `${tag}, ${amps} A, protects all conductors on it: the thinnest, ${mm2} mm², bears ${written(bears, 3)} A (IEC 60204-1, table 6, B1, 40 °C).`,
  'planning.conductors-bear-less': ({
    tag,
    amps,
    mm2,
    bears,
    numbers,
    more,
  }: {
    tag: string;
    amps: number;
    mm2: number;
    bears: number;
    numbers: readonly string[];
    more: number;
  }) =>
    `${tag} lets ${amps} A through, more than wires ${numbers.join(', ')}${more ? ` and ${more} more` : ''} bear: ${mm2} mm² bears ${written(bears, 3)} A (IEC 60204-1, table 6, B1, 40 °C). The local code and a licensed person decide.`,
  'planning.trips-at-once': ({ tag, needs, flows }: { tag: string; needs: number; flows: number }) =>
    `A short on ${tag} lets up to ${written(flows, 3)} A flow; from ${written(needs, 3)} A it surely trips at once (IEC 60898-1).`,
  'planning.trips-late-or-never': ({ tag, needs, flows }: { tag: string; needs: number; flows: number }) =>
    `A short on ${tag} lets only ${written(flows, 3)} A flow; it surely trips at once from ${written(needs, 3)} A (IEC 60898-1), so it trips late or never.`,
  'planning.on-the-bench':
    'On its supply alone nothing is judged: this is what its LED and a meter must show.',
  'planning.and-more': ({ tags }: { tags: readonly string[] }) =>
    `${tags.slice(0, 5).join(', ')} and ${tags.length - 5} more`,
  'planning.devices-channels-give': ({ applicants, room }: { applicants: number; room: number }) =>
    `There are ${applicants} devices and ${room} channels to give.`,
  'planning.pinned-where-work': ({ only }: { only: string }) => `${only} is pinned where it cannot work.`,
  'planning.finds-free-channel-common': ({ only }: { only: string }) =>
    `${only} finds no free channel of a common that suits it.`,
  'planning.works-free-input-panel': ({ only }: { only: string }) =>
    `${only} works on no free input of this panel, on whatever rail the common is.`,
  'planning.placed-together-must-share': ({ listed, kinds }: { listed: string; kinds: readonly string[] }) =>
    `${listed} cannot be placed together: ${kinds.join(' and ')} must not share a common, and there are too few commons for them.`,
  'planning.placed-together-commons-suit': ({ listed }: { listed: string }) =>
    `${listed} cannot be placed together: the commons that suit them have too few free channels.`,
  'planning.new-module': 'new module',
  'planning.let-move-where-pinned': ({ pins }: { pins: readonly string[] }) =>
    `Let ${pins.join(', ')} move from where ${pins.length > 1 ? 'they are' : 'it is'} pinned`,
  'planning.add-another': ({ moduleName }: { moduleName: string }) => `Add another ${moduleName}`,
  'planning.put-interposing-relay-behind': ({ conflict }: { conflict: undefined | string }) =>
    `Put an interposing relay behind ${conflict ?? 'one of them'}: its contact fits either rail`,
  'planning.stays-where-pinned': ({ tag }: { tag: string }) => `${tag} stays where it was pinned.`,
  'planning.stays-here': ' It stays here.',
  'planning.needs-on': ({ words, common, rail }: { words: string; common: string; rail: string }) =>
    `${words} needs ${common} on ${rail}`,
  'planning.fits-either-rail-sits': ({
    words,
    common,
    rail,
  }: {
    words: string;
    common: string;
    rail: string;
  }) => `${words} fits either rail, and ${common} sits on ${rail} for the others`,
  'planning.output-switches-coil': ({ device }: { device: string }) =>
    `${device} has no output that switches a coil.`,
  'planning.it-has-are-needed': ({ poles, poles2 }: { poles: number; poles2: number }) =>
    `It has ${poles === 1 ? 'one pole' : `${poles} poles`}; ${poles2} are needed.`,
  'planning.mains-relay-isolate-lock':
    'Mains on this relay: isolate, lock off and prove dead before you work, under the local rules.',
  'planning.mains-24-v-relay':
    'Mains and 24 V on one relay: only if its data sheet gives reinforced insulation between the poles concerned. If it does not, use two relays.',
  'planning.tier': ({ load, tier }: { load: string; tier: number }) => `${load} tier ${tier}`,
  'planning.is-no-load': ({ load }: { load: string }) => `${load} is no load.`,
  'planning.choose-digital-input-job': 'Choose a digital input of the job for the contact.',
  'planning.the-contact': 'the contact',
  'planning.runs-job-such-supply': ({ tag, kind }: { tag: string; kind: string }) =>
    `${tag} runs on ${kind === 'ac' ? 'AC' : 'DC'}, and the job has no such supply. Add one in Panel.`,
  'planning.say-what-relay-switch': 'Say what the relay is to switch.',
  'planning.other-loads': 'other loads',
  'planning.row': ({ row, level }: { row: string; level: string }) => `${row} row, ${level}`,
  'planning.list-too-long': ({ rows }: { rows: number }) =>
    `The list is longer than any that Key Post writes: at most ${rows} lines and 10 million characters are read.`,
  'planning.list-lacks-column-begins': ({
    missing,
    columns,
  }: {
    missing: readonly string[];
    columns: readonly string[];
  }) => `The list lacks the column ${missing.join(', ')}. It begins with ${columns.join(', ')}.`,
  'planning.job-wire': ({
    wire,
    from,
    from_terminal,
    to,
    to_terminal,
  }: {
    wire: string;
    from: string;
    from_terminal: string;
    to: string;
    to_terminal: string;
  }) => `The job has no wire ${wire} from ${from} ${from_terminal} to ${to} ${to_terminal}.`,
  'planning.list-changes-wires-most': ({ changes }: { changes: number }) =>
    `The list changes ${changes} wires; at most 400 are taken at once.`,
  'planning.most-characters-fit-here': ({ max }: { max: number }) => `At most ${max} characters fit here.`,
  'planning.colour-use': ({ colour, colours }: { colour: string; colours: readonly string[] }) =>
    `“${colour}” is no colour. Use ${colours.join(', ')}.`,
  'planning.cross-section-use-0': ({ section }: { section: string }) =>
    `“${section}” is no cross-section. Use 0.05 to 50 mm², or such as AWG 20.`,
  'planning.length-use-more-0': ({ length }: { length: string }) =>
    `“${length}” is no length. Use more than 0 and at most 2000 m.`,
  'planning.placed': ({ tag, because, stays }: { tag: string; because: string; stays: string }) =>
    `${tag}: ${because}.${stays}`,
  'planning.placed-beside': ({
    tag,
    because,
    kin,
    stays,
  }: {
    tag: string;
    because: string;
    kin: readonly string[];
    stays: string;
  }) => `${tag}: ${because}; beside ${kin.slice(0, 2).join(' and ')} of the same area.${stays}`,
} as const;
