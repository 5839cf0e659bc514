import { lowerFirst, fixed, written, withUnit } from '../units/index.ts';

/** Sentences by code. */
export const SETTING = {
  'setting.not-looked-at': 'not looked at',
  'setting.agrees-everywhere': ({ subject }: { subject: string }) => `${subject} agrees everywhere.`,
  'setting.all-them-looked-yet': ({ subject }: { subject: string }) =>
    `${subject}: not all of them were looked at yet.`,
  'setting.bottom-range': 'Bottom of the range',
  'setting.top-range': 'Top of the range',
  'setting.range-point': 'range of the point',
  'setting.point-every-value-between': ({
    wrong,
    range,
    unit,
  }: {
    wrong: readonly string[];
    range: number;
    unit: string;
  }) =>
    `${wrong.join(', ')}; the point’s is ${written(range)} ${unit}. Every value between would be shown wrongly.`,
  'setting.signal-switch-parameter': 'Signal, switch and parameter',
  'setting.gives-land-shows-what': ({
    device,
    signal,
    wrong,
  }: {
    device: string;
    signal: string;
    wrong: readonly string[];
  }) => `${device} gives ${signal}, but ${wrong.join(' and ')}. Land shows what it would read.`,
  'setting.output-kind-input-group': 'Output kind and input group',
  'setting.set-must': ({
    sheet,
    shown,
    from,
    line,
  }: {
    sheet: string;
    shown: string;
    from: string;
    line: string;
  }) => `${sheet} is set to ${shown}; ${from}, so it must be ${line}.`,
  'setting.current-output-wire': 'Current output and its wire',
  'setting.not-wired': 'not wired',
  'setting.wired-current-output-stands': ({ terminalName, shown }: { terminalName: string; shown: string }) =>
    `${terminalName} is wired, but the current output is set to ${shown}. Nothing comes out that the input knows.`,
  'setting.current-output-wired-many': ({ terminalName }: { terminalName: string }) =>
    `The current output is on, but ${terminalName} is not wired; many meters then show a fault.`,
  'setting.memory-module-settings': 'Memory module and settings',
  'setting.memory-module-missing-size': ({ sheet }: { sheet: string }) =>
    `The memory module of ${sheet} is missing: size, factor and all settings are lost at the next power-down. A display in factory units is the sign.`,
  'setting.plan-of': ({ plan }: { plan: string }) => `plan of ${plan}`,
  'setting.is-on-it': ({ device }: { device: string }) => `${device} is on it`,
  'setting.nothing-unused-port-disabled': 'nothing is on it; an unused port is disabled',
  'setting.description-file-yet': ({ device }: { device: string }) =>
    `${device} has no description file yet.`,
  'setting.description-file': ({ descriptionName }: { descriptionName: string }) =>
    `description file: ${descriptionName}`,
  'setting.mains-site': 'mains of the site',
  'setting.tag-point': 'tag of the point',
  'setting.gives': ({ device, signal }: { device: string; signal: string }) => `${device} gives ${signal}`,
  'setting.analog-wire': 'no analog wire',
  'setting.is-wired': ({ terminalName }: { terminalName: string }) => `${terminalName} is wired`,
  'setting.is-not-wired': ({ terminalName }: { terminalName: string }) => `${terminalName} is not wired`,
  'setting.has-wires': ({ device, count }: { device: string; count: number }) =>
    `${device} has ${count} wires`,
  'setting.common-of-is-on': ({ module, rail }: { module: string; rail: string }) =>
    `common of ${module} is on ${rail === '-' ? '0 V' : 'plus'}`,
  'setting.is-planned-so': ({ device }: { device: string }) => `${device} is planned so`,
  'setting.is': ({ device, kind }: { device: string; kind: string }) => `${device} is ${kind.toUpperCase()}`,
  'setting.of-is-on': ({ name, device, rail }: { name: string; device: string; rail: string }) =>
    `${name} of ${device} is on ${rail === '+' ? 'plus' : '0 V'}`,
  'setting.safety-devices-wired': ({ used }: { used: number }) => `${used} safety devices are wired`,
  'setting.input-1-wired': 'only input 1 is wired',
  'setting.place-chain': ({ at, units }: { at: number; units: number }) =>
    `place ${at + 1} of ${units} in the chain`,
  'setting.pulses-counted': 'its pulses are counted',
  'setting.pulse-wire': 'no pulse wire',
  'setting.point-range-unit-flow': 'The point has no range in a unit of flow yet.',
  'setting.pulses-of-a-turn': 'The pulses of a turn are not copied from the name-plate yet.',
  'setting.counts-up-hz': ({ module, maxHertz }: { module: string; maxHertz: number }) =>
    `${module} counts up to ${maxHertz} Hz`,
  'setting.plain-input': 'a plain input',
  'setting.pulses-second-full-flow': ({ hertz, counter }: { hertz: number; counter: string }) =>
    `${fixed(hertz, 0)} pulses a second at the top of the range; ${counter}`,
  'setting.pulses-second-leave-width': ({ hertz }: { hertz: number }) =>
    `${fixed(hertz, 0)} pulses a second leave no width that it offers.`,
  'setting.widest-fits-pulses-second': ({ hertz }: { hertz: number }) =>
    `widest that fits ${fixed(hertz, 0)} pulses a second`,
  'setting.filter-lets-pulses-second': ({ hertz }: { hertz: number }) =>
    `No filter lets ${fixed(hertz, 0)} pulses a second through.`,
  'setting.pulses-second-full-flow-2': ({ hertz }: { hertz: number }) =>
    `${fixed(hertz, 0)} pulses a second at the top of the range`,
  'setting.lowest-flow-must-seen': ({ typed, inUnit }: { typed: undefined | string; inUnit: string }) =>
    `lowest flow ${typed} must be seen; hides what is below ${inUnit}`,
  'setting.sound-start-hides-what': ({ inUnit }: { inUnit: string }) =>
    `a sound start; hides what is below ${inUnit}`,
  'setting.flow-top-range-above': 'A flow at the top of the range is above 0.',
  'setting.pulse-fits-counter-needs': ({
    minPulse,
    widths,
  }: {
    minPulse: number;
    widths: readonly number[];
  }) =>
    `No pulse fits: the counter needs ${minPulse * 1000} ms, and the meter offers ${widths.join(', ')} ms.`,
  'setting.copied-name-plate-yet': ({ factLabel }: { factLabel: string }) =>
    `${factLabel} is not copied from the name-plate yet.`,
  'setting.is-in-in': ({
    factLabel,
    unit,
    parameterLabel,
    wanted,
  }: {
    factLabel: string;
    unit: string;
    parameterLabel: string;
    wanted: string;
  }) => `${factLabel} is in ${unit}, ${parameterLabel.toLowerCase()} in ${wanted}.`,
  'setting.does-offer': ({
    parameterLabel,
    value,
    from,
  }: {
    parameterLabel: string;
    value: string;
    from: string;
  }) => `${parameterLabel} does not offer ${value} (${from}).`,
  'setting.nearest-offered': ({
    best,
    wanted,
    unit,
    from,
  }: {
    best: number;
    wanted: number;
    unit: string;
    from: string;
  }) => `${written(best)} ${unit} is the nearest to ${written(wanted, 4)} ${unit} that it offers (${from})`,
  'setting.point-range-yet': 'The point has no range yet.',
  'setting.point-range-which-show': ({ unit, wanted }: { unit: string; wanted: string }) =>
    `The point’s range is in ${unit}, which ${wanted} cannot show.`,
  'setting.range-of': ({ point, range, unit }: { point: string; range: number; unit: string }) =>
    `range of ${point}: ${range} ${unit}`,
  'setting.range-of-2': ({ point }: { point: string }) => `range of ${point}`,
  'setting.menu-unit': ({ unit }: { unit: string }) => `The menu has no unit for ${unit}.`,
  'setting.range-menu': ({ point, unit, like }: { point: string; unit: string; like: string }) =>
    `range of ${point} is in ${unit}; the menu has ${like}`,
  'setting.choose-list': ({ label }: { label: string }) => `${label}: choose one of the list.`,
  'setting.or-more-this-is': ({ label, words, words2 }: { label: string; words: string; words2: string }) =>
    `${label}: ${words} or more; this is ${words2}.`,
  'setting.or-less-this-is': ({ label, words, words2 }: { label: string; words: string; words2: string }) =>
    `${label}: ${words} or less; this is ${words2}.`,
  'setting.these-parameters-hang-another': ({ left }: { left: readonly string[] }) =>
    `These parameters hang on one another in a ring: ${left.join(', ')}.`,
  'setting.description-file-data-read': ({ device }: { device: string }) =>
    `${device} has no description file: its data cannot be read yet.`,
  'setting.changed-since-put-back': ({ wipedByLabel }: { wipedByLabel: string }) =>
    `${wipedByLabel} was changed since; that put this back to its factory value.`,
  'setting.kept-without-memory-module':
    'Not kept: without its memory module this is back at its factory value after every power-up, and is entered by hand again.',
  'setting.nothing-required': 'nothing required',
  'setting.has-no-parameter': ({ tag, key }: { tag: string; key: string }) =>
    `${tag} has no parameter “${key}”.`,
  'setting.sheet-here': ({ tag }: { tag: string }) => `there is no sheet of “${tag}” here.`,
  'setting.file-lacks-column-first': ({ missing }: { missing: readonly string[] }) =>
    `The file lacks the column ${missing.join(' and ')}. Its first row holds the names of the columns.`,
  'setting.json-breaks-off-holds': 'This is not JSON; it breaks off or holds a stray character.',
  'setting.sheet-format-must-version': ({ sheetFormat }: { sheetFormat: string }) =>
    `This is no sheet: its “format” must be “${sheetFormat}”, version 1, with sheets by tag.`,
  'setting.ends-range-at': ({ sheet, range }: { sheet: string; range: string }) =>
    `${sheet} ends its range at ${range}`,
  'setting.stands-at': ({ sheet, shown, label }: { sheet: string; shown: string; label: string }) =>
    `${sheet} is set to ${shown} (${label.toLowerCase()})`,
  'setting.choose': ({ label, choices }: { label: string; choices: readonly string[] }) =>
    `${label}: choose ${either(choices)}.`,
  'setting.too-long': ({ label, max }: { label: string; max: number }) =>
    `${label}: at most ${max} characters fit.`,
  'setting.raw-value': ({ given }: { given: string }) => `raw ${given}: its description knows no such value`,
  'setting.outside': ({ label, limits, value }: { label: string; limits: string; value: number }) =>
    `${label}: ${limits} is allowed; this is ${written(value)}.`,
  'setting.characters': ({ max }: { max: number }) => `at most ${max} characters`,
  'setting.from-to': ({ min, max, unit }: { min: number; max: number; unit: string }) =>
    `${written(min)} to ${withUnit(max, unit)}`,
  'setting.from': ({ min, unit }: { min: number; unit: string }) => `${withUnit(min, unit)} or more`,
  'setting.up-to': ({ max, unit }: { max: number; unit: string }) => `${withUnit(max, unit)} or less`,
  'setting.name-plate': ({ label, problem }: { label: string; problem: string }) =>
    `Name-plate, ${label}: ${problem}`,
  'setting.from-name-plate': ({ label, as, dn }: { label: string; as: string; dn: string }) =>
    `name-plate: ${lowerFirst(label)} ${as}${dn && ` (as a nominal size, DN ${dn})`}`,
  'setting.from-name-plate-choice': ({ label, choice }: { label: string; choice: string }) =>
    `${lowerFirst(label)}: ${choice}`,
} as const;

const either = (words: readonly string[]): string =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} or ${words.at(-1)}` : (words[0] ?? '');
