import { deviceType } from '../catalog/index.ts';
import { formatVoltBand } from '../units/quantity.ts';
import { judge } from '../wiring/analysis.ts';
import type { Analysis } from '../wiring/analysis.ts';
import { readMeter } from '../wiring/readings.ts';
import { signalNode, supplyNodes } from '../wiring/states.ts';
import type { PointState } from '../wiring/states.ts';
import { splitRef } from '../model/job.ts';

/** What a check expects: a lamp or bit that is on or off, or a voltage within limits, V. */
export type Expected =
  | { readonly kind: 'yesno'; readonly value: boolean; readonly yes: string; readonly no: string }
  | { readonly kind: 'volts'; readonly min: number; readonly nom: number; readonly max: number };

export interface Check {
  readonly key: string;
  readonly label: string;
  readonly detail: string;
  readonly expected: Expected;
}

export interface CheckGroup {
  readonly key: 'supply' | 'away' | 'present';
  readonly title: string;
  readonly how?: string;
  readonly caution?: string;
  readonly checks: readonly Check[];
}

export interface ProofPlan {
  /** Why there is nothing to prove yet. */
  readonly blocked?: string;
  readonly groups: readonly CheckGroup[];
}

const MOVES = 'What this input starts may move. Clear the machine first, and never bridge a guard to test.';

/**
 * Makes the test of a switching point from its solved circuit: the supply, then for each state of the target the
 * sensor's lamp, the voltage at the signal wire, the input's lamp and the program's bit.
 */
export function proofPlan(analysis: Analysis): ProofPlan {
  const { context, away, present } = analysis;
  const verdict = judge(analysis);
  if (verdict.status === 'cannot' || verdict.status === 'open')
    return { blocked: `${verdict.sentence} Mend this in Land before you prove it.`, groups: [] };
  const type = deviceType(context.device.typeId);
  const supplied = supplyNodes(context.device);
  const groups: CheckGroup[] = [];
  if (supplied) {
    const { volts } = readMeter(away, supplied.plus, supplied.minus);
    const check = { key: 'supply.volts', label: 'Supply', detail: 'red on BN, black on BU', expected: { kind: 'volts' as const, ...volts } };
    groups.push({ key: 'supply', title: 'Supply at the sensor', checks: [check] });
  }
  groups.push({ key: 'away', title: type.words.away, checks: stateChecks(analysis, away) });
  groups.push({
    key: 'present',
    title: type.words.present,
    how: `Use ${type.stimulus}.`,
    caution: MOVES,
    checks: stateChecks(analysis, present),
  });
  return { groups };
}

function stateChecks({ context }: Analysis, state: PointState): Check[] {
  const prefix = state.present ? 'present' : 'away';
  const signal = signalNode(context.device);
  const black = supplyNodes(context.device)?.minus ?? state.netlist.reference;
  const reading = readMeter(state, signal, black);
  const lamp = (key: string, label: string, detail: string, value: boolean): Check => ({
    key: `${prefix}.${key}`,
    label,
    detail,
    expected: { kind: 'yesno', value, yes: 'on', no: 'off' },
  });
  const blackName = black === state.netlist.reference ? '0 V' : splitRef(black).terminal;
  return [
    ...(context.device.output === 'contact' ? [] : [lamp('sensorLamp', 'Sensor lamp', 'its switching lamp', state.outputOn)]),
    {
      key: `${prefix}.volts`,
      label: 'Signal',
      detail: `red on ${splitRef(signal).terminal}, black on ${blackName}`,
      expected: { kind: 'volts', ...reading.volts },
    },
    lamp('inputLamp', 'Input lamp', `${context.module!.tag} channel ${context.place!.channel}`, state.lamp === 'on'),
    {
      ...lamp('bit', 'Program bit', context.address!, state.bit === 1),
      expected: { kind: 'yesno', value: state.bit === 1, yes: '1', no: '0' },
    },
  ];
}

/** What is expected, in words. */
export function expectedWords(expected: Expected): string {
  if (expected.kind === 'yesno') return expected.value ? expected.yes : expected.no;
  return formatVoltBand(expected.min, expected.max);
}
