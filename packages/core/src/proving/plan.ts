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
  const blocked = blockOf(analysis);
  if (blocked) return { blocked, groups: [] };
  const { type, supply, away, present } = outline(analysis);
  const check = ({ look, ...rest }: Sought): Check => ({ ...rest, expected: expectedOf(look) });
  return {
    groups: [
      ...(supply.length
        ? [{ key: 'supply' as const, title: 'Supply at the sensor', checks: supply.map(check) }]
        : []),
      { key: 'away', title: type.words.away, checks: away.map(check) },
      {
        key: 'present',
        title: type.words.present,
        how: `Use ${type.stimulus}.`,
        caution: MOVES,
        checks: present.map(check),
      },
    ],
  };
}

/** The keys of all checks of a point, without working out what each must show; none while there is nothing to prove. */
export function checkKeys(analysis: Analysis): string[] {
  if (blockOf(analysis)) return [];
  const { supply, away, present } = outline(analysis);
  return [...supply, ...away, ...present].map(({ key }) => key);
}

function blockOf(analysis: Analysis): string | undefined {
  const { status, sentence } = judge(analysis);
  return status === 'cannot' || status === 'open'
    ? `${sentence} Mend this in Land before you prove it.`
    : undefined;
}

/** Pick-up and contact voltages that a meter shows though the circuit does not, V; no limit is tighter than this. */
const STRAY_VOLTS = 0.2;

/** A check before its limits are worked out: a yes or no, or where the meter goes in which state. */
type Sought = Omit<Check, 'expected'> & {
  readonly look:
    | Extract<Expected, { kind: 'yesno' }>
    | { readonly state: PointState; readonly red: string; readonly black: string };
};

function expectedOf(look: Sought['look']): Expected {
  if (!('state' in look)) return look;
  const { min, nom, max } = readMeter(look.state, look.red, look.black).volts;
  return { kind: 'volts', nom, min: Math.min(min, nom - STRAY_VOLTS), max: Math.max(max, nom + STRAY_VOLTS) };
}

function outline(analysis: Analysis) {
  const { context, away, present } = analysis;
  const nodes = supplyNodes(context.device);
  const supply: Sought[] = nodes
    ? [
        {
          key: 'supply.volts',
          label: 'Supply',
          detail: 'red on BN, black on BU',
          look: { state: away, red: nodes.plus, black: nodes.minus },
        },
      ]
    : [];
  return {
    type: deviceType(context.device.typeId),
    supply,
    away: stateChecks(analysis, away),
    present: stateChecks(analysis, present),
  };
}

function stateChecks({ context }: Analysis, state: PointState): Sought[] {
  const prefix = state.present ? 'present' : 'away';
  const red = signalNode(context.device);
  const black = supplyNodes(context.device)?.minus ?? state.netlist.reference;
  const blackName = black === state.netlist.reference ? '0 V' : splitRef(black).terminal;
  const yesno = (
    key: string,
    label: string,
    detail: string,
    value: boolean,
    yes = 'on',
    no = 'off',
  ): Sought => ({
    key: `${prefix}.${key}`,
    label,
    detail,
    look: { kind: 'yesno', value, yes, no },
  });
  return [
    ...(context.device.output === 'contact'
      ? []
      : [yesno('sensorLamp', 'Sensor lamp', 'its switching lamp', state.outputOn)]),
    {
      key: `${prefix}.volts`,
      label: 'Signal',
      detail: `red on ${splitRef(red).terminal}, black on ${blackName}`,
      look: { state, red, black },
    },
    yesno(
      'inputLamp',
      'Input lamp',
      `${context.module!.tag} channel ${context.place!.channel}`,
      state.lamp === 'on',
    ),
    yesno('bit', 'Program bit', context.address!, state.bit === 1, '1', '0'),
  ];
}

/** What is expected, in words. */
export function expectedWords(expected: Expected): string {
  if (expected.kind === 'yesno') return expected.value ? expected.yes : expected.no;
  return formatVoltBand(expected.min, expected.max);
}
