import { terminalWithRole } from '../catalog/index.ts';
import { convert, plain } from '../units/index.ts';
import { contextOf } from '../network/index.ts';
import type { JobIndex } from '../job/index.ts';
import { lineWords, sheetsOf } from './sheet.ts';
import type { Sheet, SheetLine } from './sheet.ts';

/** One side of something that several must agree on. */
interface AgreeingSide {
  readonly tag: string;
  readonly where: string;
  readonly value: string;
}

/** Something that several parts of a point must agree on, as far as it is known. */
export interface Agreement {
  readonly subject: string;
  readonly sides: readonly AgreeingSide[];
  /** `unknown` while one of them was not looked at. */
  readonly state: 'agree' | 'differ' | 'unknown';
  readonly sentence: string;
}

interface Found {
  readonly sheet: Sheet;
  readonly line: SheetLine;
}

/** What must agree with what at a point: as it stands now, not as it is required. */
export function agreementsOf(index: JobIndex, pointId: string): Agreement[] {
  const sheets = sheetsOf(index, pointId);
  return [
    ...rangeAgreement(index, pointId, sheets),
    ...signalAgreement(index, pointId, sheets),
    ...outputAgreement(index, pointId, sheets),
    ...currentAgreement(index, pointId, sheets),
    ...memoryAgreement(sheets),
  ];
}

const endsWith = (key: string, name: string): boolean => key === name || key.endsWith(`.${name}`);

const find = (sheets: readonly Sheet[], name: string): Found[] =>
  sheets.flatMap((sheet) =>
    sheet.lines.filter(({ parameter }) => endsWith(parameter.key, name)).map((line) => ({ sheet, line })),
  );

const shown = ({ line }: Found): string =>
  line.present ? lineWords(line, line.present.value) : 'not looked at';

const sideOf = (found: Found): AgreeingSide => ({
  tag: found.sheet.tag,
  where: found.line.parameter.label,
  value: shown(found),
});

function agreement(
  subject: string,
  sides: AgreeingSide[],
  known: boolean,
  same: boolean,
  differ: string,
): Agreement {
  if (known && !same) return { subject, sides, state: 'differ', sentence: differ };
  const state = known ? 'agree' : 'unknown';
  const words = {
    agree: `${subject} agrees everywhere.`,
    unknown: `${subject}: not all of them were looked at yet.`,
  };
  return { subject, sides, state, sentence: words[state] };
}

/** Sensor, transmitter, drive, controller and display must have the point's range, each in its own unit. */
function rangeAgreement(index: JobIndex, pointId: string, sheets: readonly Sheet[]): Agreement[] {
  const { point } = contextOf(index, pointId);
  const { range } = point;
  if (!range) return [];
  return (['low', 'high'] as const).flatMap((end) => {
    const lines = find(sheets, end);
    if (lines.length < 2) return [];
    const subject = end === 'low' ? 'Bottom of the range' : 'Top of the range';
    const own: AgreeingSide = {
      tag: point.tag,
      where: 'range of the point',
      value: `${plain(range[end])} ${range.unit}`,
    };
    const wrong = lines.filter((found) => {
      const { present } = found.line;
      if (!present) return false;
      const inRange = convert(Number(present.value), unitNow(found.line), range.unit);
      return (
        inRange === undefined || Math.abs(inRange - range[end]) > 1e-4 * Math.abs(range.high - range.low)
      );
    });
    const known = wrong.length > 0 || lines.every(({ line }) => line.present);
    return [
      agreement(
        subject,
        [own, ...lines.map((found) => ({ ...sideOf(found), value: withUnit(found) }))],
        known,
        wrong.length === 0,
        `${wrong.map((found) => `${found.sheet.tag} ends its range at ${withUnit(found)}`).join(', ')}; the point’s is ${plain(range[end])} ${range.unit}. Every value between would be shown wrongly.`,
      ),
    ];
  });
}

/** The unit in which what stands at a line counts. */
const unitNow = ({ unit, presentUnit }: SheetLine): string => presentUnit ?? unit;

const withUnit = ({ line }: Found): string =>
  line.present ? `${line.present.value} ${unitNow(line)}` : 'not looked at';

/** Switch, parameter and signal of an analog input. */
function signalAgreement(index: JobIndex, pointId: string, sheets: readonly Sheet[]): Agreement[] {
  const { device, output } = contextOf(index, pointId);
  const { signal } = output;
  const switches = find(sheets, 'switch');
  const ranges = find(sheets, 'range').filter(({ sheet }) => sheet.isModule);
  if (!signal || switches.length === 0) return [];
  const kind = signal.includes('mA') ? 'mA' : 'V';
  const sides = [
    { tag: device.tag, where: 'signal', value: signal },
    ...[...switches, ...ranges].map(sideOf),
  ];
  const known = [...switches, ...ranges].every(({ line }) => line.present);
  const wrong = [
    ...switches.filter(({ line }) => line.present && line.present.value !== kind),
    ...ranges.filter(({ line }) => line.present && line.present.value !== signal),
  ];
  return [
    agreement(
      'Signal, switch and parameter',
      sides,
      known || wrong.length > 0,
      wrong.length === 0,
      `${device.tag} gives ${signal}, but ${wrong.map((found) => `${found.sheet.tag} stands at ${shown(found)} (${found.line.parameter.label.toLowerCase()})`).join(' and ')}. Land shows what it would read.`,
    ),
  ];
}

/** The kind of a switching output and what its input group takes. */
function outputAgreement(index: JobIndex, pointId: string, sheets: readonly Sheet[]): Agreement[] {
  const [output] = find(sheets, 'output1');
  if (!output?.line.required) return [];
  const port = contextOf(index, pointId).ports.find((own) => own.port.kind === 'digital');
  const { present, required } = output.line;
  const same = present?.value === required.value;
  const sides = [
    sideOf(output),
    ...(port
      ? [{ tag: port.module.tag, where: port.port.label, value: lineWords(output.line, required.value) }]
      : []),
  ];
  return [
    agreement(
      'Output kind and input group',
      sides,
      present !== undefined,
      same,
      `${output.sheet.tag} is set to ${shown(output)}; ${required.from}, so it must be ${lineWords(output.line, required.value)}.`,
    ),
  ];
}

/** A current output that is wired must be switched on. */
function currentAgreement(index: JobIndex, pointId: string, sheets: readonly Sheet[]): Agreement[] {
  const { device, type } = contextOf(index, pointId);
  const signal = type.outputs.find((output) => output.signal)?.signal;
  const terminal = terminalWithRole(type, 'signal');
  const [current] = find(sheets, 'current');
  if (!current || !terminal) return [];
  const wired = index.wiresAt(`${device.id}:${terminal.name}`).length > 0;
  const { present } = current.line;
  const off = present?.value === 'off';
  const same = wired ? present?.value === signal : off;
  return [
    agreement(
      'Current output and its wire',
      [{ tag: device.tag, where: terminal.name, value: wired ? 'wired' : 'not wired' }, sideOf(current)],
      present !== undefined,
      same,
      wired
        ? `${terminal.name} is wired, but the current output stands at ${shown(current)}. Nothing comes out that the input knows.`
        : `The current output is on, but ${terminal.name} is not wired; many meters then show a fault.`,
    ),
  ];
}

function memoryAgreement(sheets: readonly Sheet[]): Agreement[] {
  const [memory] = find(sheets, 'memory');
  if (!memory) return [];
  const { present } = memory.line;
  return [
    agreement(
      'Memory module and settings',
      [sideOf(memory)],
      present !== undefined,
      present?.value === 'fitted',
      `The memory module of ${memory.sheet.tag} is missing: size, factor and all settings are lost at the next power-down. A display in factory units is the sign.`,
    ),
  ];
}
