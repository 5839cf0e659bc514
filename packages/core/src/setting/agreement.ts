import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { terminalWithRole } from '../catalog/index.ts';
import { convert, written } from '../units/index.ts';
import { contextOf } from '../network/index.ts';
import type { JobIndex } from '../job/index.ts';
import { lineText, sheetsOf } from './sheet.ts';
import type { Sheet, SheetLine } from './sheet.ts';

/** One side of something that several must agree on. */
interface AgreeingSide {
  readonly tag: string;
  readonly where: Text;
  readonly value: Text;
}

/** Something that several parts of a point must agree on, as far as it is known. */
export interface Agreement {
  readonly subject: Message;
  readonly sides: readonly AgreeingSide[];
  /** `unknown` while one of them was not looked at. */
  readonly state: 'agree' | 'differ' | 'unknown';
  readonly sentence: Text;
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

const shown = ({ line }: Found): Text =>
  line.present ? lineText(line, line.present.value) : say('setting.not-looked-at');

const sideOf = (found: Found): AgreeingSide => ({
  tag: found.sheet.tag,
  where: found.line.parameter.label,
  value: shown(found),
});

function agreement(
  subject: Message,
  sides: AgreeingSide[],
  known: boolean,
  same: boolean,
  differ: Message,
): Agreement {
  if (known && !same) return { subject, sides, state: 'differ', sentence: differ };
  const state = known ? 'agree' : 'unknown';
  const words = {
    agree: say('setting.agrees-everywhere', { subject }),
    unknown: say('setting.all-them-looked-yet', { subject }),
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
    const subject = end === 'low' ? say('setting.bottom-range') : say('setting.top-range');
    const own: AgreeingSide = {
      tag: point.tag,
      where: say('setting.range-point'),
      value: `${written(range[end])} ${range.unit}`,
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
        say('setting.point-every-value-between', {
          wrong: wrong.map((found) =>
            say('setting.ends-range-at', { sheet: found.sheet.tag, range: withUnit(found) }),
          ),
          range: range[end],
          unit: range.unit,
        }),
      ),
    ];
  });
}

/** The unit in which what stands at a line counts. */
const unitNow = ({ unit, presentUnit }: SheetLine): string => presentUnit ?? unit;

const withUnit = ({ line }: Found): Text =>
  line.present
    ? say('text.sentences', { parts: [line.present.value, unitNow(line)] })
    : say('setting.not-looked-at');

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
      say('setting.signal-switch-parameter'),
      sides,
      known || wrong.length > 0,
      wrong.length === 0,
      say('setting.gives-land-shows-what', {
        device: device.tag,
        signal,
        wrong: wrong.map((found) =>
          say('setting.stands-at', {
            sheet: found.sheet.tag,
            shown: shown(found),
            label: found.line.parameter.label,
          }),
        ),
      }),
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
      ? [{ tag: port.module.tag, where: port.port.label, value: lineText(output.line, required.value) }]
      : []),
  ];
  return [
    agreement(
      say('setting.output-kind-input-group'),
      sides,
      present !== undefined,
      same,
      say('setting.set-must', {
        sheet: output.sheet.tag,
        shown: shown(output),
        from: required.from,
        line: lineText(output.line, required.value),
      }),
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
      say('setting.current-output-wire'),
      [
        { tag: device.tag, where: terminal.name, value: wired ? 'wired' : say('setting.not-wired') },
        sideOf(current),
      ],
      present !== undefined,
      same,
      wired
        ? say('setting.wired-current-output-stands', { terminalName: terminal.name, shown: shown(current) })
        : say('setting.current-output-wired-many', { terminalName: terminal.name }),
    ),
  ];
}

function memoryAgreement(sheets: readonly Sheet[]): Agreement[] {
  const [memory] = find(sheets, 'memory');
  if (!memory) return [];
  const { present } = memory.line;
  return [
    agreement(
      say('setting.memory-module-settings'),
      [sideOf(memory)],
      present !== undefined,
      present?.value === 'fitted',
      say('setting.memory-module-missing-size', { sheet: memory.sheet.tag }),
    ),
  ];
}
