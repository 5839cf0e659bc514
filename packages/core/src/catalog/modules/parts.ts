import { IEC_61131_2 } from '../../circuit/index.ts';
import type { ModuleDescription, PortDescription } from '../description/moduleDescription.ts';
import type { Setting } from '../parameters.ts';
import { atLeast, atMost, exact, span, tolerant, TYPICAL } from '../description/figure.ts';
import type { PartTerminal, TerminalRole } from '../description/terminals.ts';

type Behaviour = ModuleDescription['behaviours'][number];
type Figures = Extract<Behaviour, { model: 'optocoupler-input' }>;

/** Supply of a module's own electronics. */
export const SUPPLY_TERMINALS: PartTerminal[] = [
  { name: 'L+', role: 'plus', words: 'supply plus' },
  { name: 'M', role: 'minus', words: 'supply minus' },
];

export const moduleSupply = (ohms = 480): Behaviour => ({
  model: 'supply',
  id: 'supply',
  plus: 'L+',
  minus: 'M',
  ohms: tolerant('Ω', ohms, 20),
  minimum: atLeast('V', 18),
  drops: atMost('V', 17),
});

/** Input networks that reach the currents of their IEC 61131-2 type: LED, series and parallel resistance. */
const NETWORKS: Readonly<
  Record<1 | 2 | 3, readonly [series: readonly number[], parallel: readonly number[]]>
> = {
  1: [
    [4230, 4700, 5170],
    [10800, 12000, 13200],
  ],
  2: [
    [1425, 1500, 1575],
    [4275, 4500, 4725],
  ],
  3: [
    [3240, 3600, 3960],
    [6120, 6800, 7480],
  ],
};

const ohms = ([min = 0, nominal = 0, max = 0]: readonly number[]) => span('Ω', min, nominal, max);

/** The thresholds of a 24 V d.c. input of a type of IEC 61131-2, and a network that goes with them. */
export function iecInput(type: 1 | 2 | 3): Omit<Figures, 'model' | 'id' | 'onlyIf' | 'at'> {
  const limits = IEC_61131_2[type];
  const source = `IEC 61131-2, type ${type}`;
  return {
    ledVolts: span('V', 1, 1.2, 1.4),
    seriesOhms: ohms(NETWORKS[type][0]),
    parallelOhms: ohms(NETWORKS[type][1]),
    onVolts: atLeast('V', limits.onVolts, source),
    onAmps: atLeast('A', limits.onAmps, source),
    offVolts: atMost('V', limits.offVolts, source),
    offAmps: atMost('A', limits.offAmps, source),
    offVoltsAtLowCurrent: atMost('V', limits.offVoltsAtLowCurrent, source),
    maxVolts: atMost('V', limits.maxVolts, TYPICAL),
  };
}

/** Roles of leads that bring a switched signal. */
export const signalRoles = (terminal: string): Partial<Record<TerminalRole, string>> => ({
  out: terminal,
  sideB: terminal,
  complement: terminal,
  auxReturn: terminal,
});

/** A transistor output of a module that the program switches. */
export const driver = (
  name: string,
  style: 'pnp' | 'npn' | 'pushpull',
  amps: number,
  [plus, minus, out] = ['L+', 'M', name],
): Behaviour => ({
  model: 'transistor-output',
  id: name,
  plus,
  minus,
  out,
  style,
  active: { forced: name },
  drop: span('V', 0.1, 0.3, 0.6),
  leakage: span('A', 0, 0.00001, 0.0001),
  rated: atMost('A', amps),
  minimum: atLeast('V', 8),
});

/** The NO contact of a relay output, while the module is fed and the program says so. */
export const relayContact = (name: string, a: string, b: string): Behaviour => ({
  model: 'contact',
  id: name,
  a,
  b,
  closed: { all: [{ on: 'fed' }, { forced: name }] },
});

/** An output as a port. */
export const outputPort = (
  channel: number,
  name: string,
  label: string,
  drives: 'high' | 'low' | 'contact' | 'analog',
  amps: number,
  common: string,
  terminal = name,
): Extract<PortDescription, { kind: 'output' }> => ({
  kind: 'output',
  channel,
  label,
  name,
  terminal,
  common,
  roles: drives === 'low' ? { loadMinus: terminal } : { loadPlus: terminal },
  drives,
  rated: atMost('A', amps),
});

/** Resistance of an input that is switched to current, and of one that is switched to voltage. */
export const signalInput = (id = 'input'): Behaviour => ({
  model: 'signal-input',
  id,
  currentOhms: tolerant('Ω', 250, 0.1),
  voltageOhms: tolerant('Ω', 100_000, 5),
  maxCurrent: exact('A', 0.03),
});

/** Terminals `A0+` and `A0-` and what stands between them. */
export const signalPort = (
  channel: number,
  name: string,
  label: string,
): Extract<PortDescription, { kind: 'analog' }> => ({
  kind: 'analog',
  measures: 'signal',
  input: 'input',
  channel,
  label,
  name,
  terminal: `${name}+`,
  common: `${name}-`,
  roles: { signal: `${name}+`, loopMinus: `${name}+`, signalReturn: `${name}-`, wiper: `${name}+` },
  switchKey: `${name}.switch`,
  rangeKey: `${name}.range`,
});

/** An analog output of its own supply, which the program forces to a signal. */
export const analogOutput = (name: string): Behaviour => ({
  model: 'signal-output',
  id: name,
  out: `${name}+`,
  back: `${name}-`,
  signal: '4-20 mA',
  signalSetting: `${name}.signal`,
  forced: name,
  alive: { on: 'fed' },
  accuracy: exact('%', 0.1),
  compliance: exact('V', 16),
  limit: atMost('A', 0.01),
});

/** The minus of an analog output, which stands on that of the module. */
export const outputTie = (name: string): Behaviour => ({
  model: 'resistor',
  id: `${name}-tie`,
  a: `${name}-`,
  b: 'M',
  ohms: exact('Ω', 1),
});

/** An analog output as a port. */
export const analogOutputPort = (channel: number, name: string, label: string): PortDescription => ({
  ...outputPort(channel, name, label, 'analog', 0.02, `${name}-`, `${name}+`),
  roles: { loadPlus: `${name}+`, loadMinus: `${name}-` },
});

/** Which signal an analog output gives. */
export const outputSignal = (name: string, label: string): Setting => ({
  key: `${name}.signal`,
  label: `Signal of ${label}`,
  from: 'signal.range',
  place: 'parameter',
  choices: [
    { value: '4-20 mA', label: '4-20 mA' },
    { value: '0-10 V', label: '0-10 V' },
  ],
});
