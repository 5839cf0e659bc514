import { oncePer } from '../lists/index.ts';
import type { Element } from '../circuit/index.ts';
import type { Device, Logic, OutputKind, Settings } from '../model/index.ts';
import { elementsOf, ofModel } from './behaviours/behaviours.ts';
import type { BehaviourOf } from './behaviours/behaviours.ts';
import type { DeviceDescription, OutputDescription } from './description/deviceDescription.ts';
import type { OperatingState, OutputNow } from './description/expression.ts';
import { maxOf, minOf, nominalOf, spanOf } from './description/figure.ts';
import type { Figure } from './description/figure.ts';
import { partType, settingsOf } from './partType.ts';
import type { PartType } from './partType.ts';
import type { SignalKind } from './signals.ts';
import type { TerminalRole } from './description/terminals.ts';

/** What a relay's contacts may carry, A and V. */
export interface ContactRating {
  readonly poles: number;
  /** Continuous current at resistive load, and the most at the moment of closing. */
  readonly amps: number;
  readonly inrushAmps: number;
  readonly maxVolts: number;
  readonly minVolts: number;
  readonly minAmps: number;
}

/** A coil: surely in at `pickUp` of its volts, surely out at `dropOut` (IEC 61810-1). */
interface CoilRating {
  readonly kind: 'dc' | 'ac' | 'any';
  readonly volts: number;
  readonly pickUp: number;
  readonly dropOut: number;
}

/** What a load takes, and how many times that at the start. */
export interface LoadRating {
  readonly kind: 'resistive' | 'motor' | 'filament' | 'led' | 'coil';
  readonly volts: number;
  readonly watts: number;
  readonly current: 'dc' | 'ac' | 'any';
  readonly inrush: number;
}

/** A resistance that stands for a value: ohms at both ends of its range. */
export interface ResistanceElement {
  readonly kind: 'rtd' | 'sender' | 'potentiometer';
  /** Of a thermometer its usual name, such as `Pt100`. */
  readonly name?: string;
  readonly lowOhms: number;
  readonly highOhms: number;
  readonly low: number;
  readonly high: number;
  readonly unit: string;
  /** Ω for each unit near its low end. */
  readonly perUnit?: number;
}

type ThermocoupleLetter = 'B' | 'E' | 'J' | 'K' | 'N' | 'R' | 'S' | 'T';

/** One of a device's signals, with what its behaviours say of it. */
export interface DeviceOutput extends Omit<OutputDescription, 'rated' | 'wetting' | 'stage' | 'digitalOhms'> {
  readonly carries: string[];
  /** Most current that it carries, A; least volts and amperes that keep its contact clean. */
  readonly ratedAmps?: number;
  readonly wetting?: { readonly volts: number; readonly amps: number };
  readonly digitalOhms?: number;
  readonly stage?: { readonly plus: string; readonly minus: string; readonly minVolts: number };
  /** The analog signal that it gives, or that it shows. */
  readonly signal?: SignalKind;
  /** A thermocouple by its letter, and what it gives from 0 to 100 °C, mV (IEC 60584-1). */
  readonly thermocouple?: { readonly letter: ThermocoupleLetter; readonly millivolts: number };
  /** The resistance that stands for its value, as its settings make it. */
  readonly resistanceFor?: (settings: Settings) => ResistanceElement | undefined;
  /** It takes its power from its loop. */
  readonly loopPowered: boolean;
}

/** A device's description with what is read off it. */
export interface DeviceType extends PartType {
  readonly description: DeviceDescription;
  readonly handling?: DeviceDescription['handling'];
  readonly outputs: readonly DeviceOutput[];
  /** What its supply must be, V; absent where it has none. */
  readonly supply?: {
    readonly plus: string;
    readonly minus: string;
    readonly min: number;
    readonly max: number;
  };
  readonly contacts?: ContactRating;
  readonly coil?: CoilRating;
  readonly load?: LoadRating;
  /** A plain resistor: Ω and the power that it bears, W. */
  readonly resistor?: (settings: Settings) => { readonly ohms: number; readonly watts: number };
  readonly circuit: (now: OperatingState) => readonly Element[];
}

/** A description as the rest of the core uses it. Made once for each. */
export const deviceTypeOf = oncePer(makeType);

function makeType(description: DeviceDescription): DeviceType {
  const { behaviours, supply, contacts, handling } = description;
  return {
    ...partType(description),
    description,
    handling,
    outputs: description.outputs.map((output) => outputOf(output, behaviours)),
    ...(supply && {
      supply: { plus: supply.plus, minus: supply.minus, min: minOf(supply.volts), max: maxOf(supply.volts) },
    }),
    ...(contacts && {
      contacts: {
        poles: contacts.poles,
        amps: nominalOf(contacts.amps),
        inrushAmps: nominalOf(contacts.inrush),
        maxVolts: nominalOf(contacts.maxVolts),
        minVolts: nominalOf(contacts.minVolts),
        minAmps: nominalOf(contacts.minAmps),
      },
    }),
    coil: coilOf(behaviours),
    load: loadOf(behaviours),
    resistor: resistorOf(description),
    circuit: (now) => behaviours.flatMap((own) => elementsOf(own, now, { ports: [] })),
  };
}

/** What an output carries: as its own behaviour says, which the circuit uses too, else as the output says. */
function ratingOf(own: readonly BehaviourOf[], rated: Figure | undefined): number | undefined {
  const [switching] = [...ofModel(own, 'transistor-output'), ...ofModel(own, 'two-wire-output')];
  const figure = switching?.rated ?? rated;
  return figure && maxOf(figure);
}

function outputOf(
  { rated, wetting, stage, digitalOhms, carries, ...output }: OutputDescription,
  behaviours: readonly BehaviourOf[],
): DeviceOutput {
  const own = behaviours.filter((each) => 'output' in each && each.output === output.id);
  const ratedAmps = ratingOf(own, rated);
  const [transmitter] = [...ofModel(own, 'loop-transmitter'), ...ofModel(own, 'element-transmitter')];
  const [active] = ofModel(own, 'signal-output');
  const [shows] = output.signal ? [output] : [];
  const signal = transmitter?.signal ?? active?.signal ?? shows?.signal;
  const [thermocouple] = ofModel(own, 'thermocouple');
  const resistance = resistanceOf(own);
  return {
    ...output,
    carries: carries ?? (output.element ? [output.element] : []),
    ...(ratedAmps !== undefined && { ratedAmps }),
    ...(wetting && { wetting: { volts: nominalOf(wetting.volts), amps: nominalOf(wetting.amps) } }),
    ...(stage && { stage: { plus: stage.plus, minus: stage.minus, minVolts: minOf(stage.minimum) } }),
    ...(digitalOhms && { digitalOhms: minOf(digitalOhms) }),
    ...(signal && { signal }),
    ...(thermocouple && {
      thermocouple: { letter: thermocouple.letter, millivolts: nominalOf(thermocouple.emf) },
    }),
    ...(resistance && { resistanceFor: resistance }),
    loopPowered: transmitter !== undefined,
  };
}

function resistanceOf(own: readonly BehaviourOf[]): DeviceOutput['resistanceFor'] {
  const [thermometer] = ofModel(own, 'thermometer');
  if (thermometer)
    return ({ [thermometer.setting]: chosen }) => {
      const names = Object.keys(thermometer.elements);
      const name = names.find((known) => known === chosen) ?? names[0] ?? '';
      const ends = thermometer.elements[name];
      return ends && { kind: 'rtd', name, ...ends };
    };
  const [sender] = ofModel(own, 'linear-resistance');
  if (sender)
    return () => ({
      kind: 'sender',
      lowOhms: nominalOf(sender.lowOhms),
      highOhms: nominalOf(sender.highOhms),
      low: sender.low,
      high: sender.high,
      unit: sender.unit,
    });
  const [pot] = ofModel(own, 'potentiometer');
  return (
    pot &&
    (() => ({
      kind: 'potentiometer',
      lowOhms: 0,
      highOhms: nominalOf(pot.ohms),
      low: 0,
      high: 100,
      unit: '%',
    }))
  );
}

function coilOf(behaviours: readonly BehaviourOf[]): CoilRating | undefined {
  const [coil] = ofModel(behaviours, 'coil');
  return (
    coil && {
      kind: coil.current,
      volts: nominalOf(coil.volts),
      pickUp: nominalOf(coil.pickUp),
      dropOut: nominalOf(coil.dropOut),
    }
  );
}

function loadOf(behaviours: readonly BehaviourOf[]): LoadRating | undefined {
  const [load] = [...ofModel(behaviours, 'load'), ...ofModel(behaviours, 'led-lamp')];
  if (load)
    return {
      kind: load.kind,
      volts: nominalOf(load.volts),
      watts: nominalOf(load.watts),
      current: load.current,
      inrush: nominalOf(load.inrush),
    };
  const [loop] = ofModel(behaviours, 'loop-load');
  if (loop) {
    const volts = 0.02 * nominalOf(loop.ohms);
    return { kind: loop.kind, volts, watts: volts * 0.02, current: loop.current, inrush: 1 };
  }
  const [coil] = ofModel(behaviours, 'coil').filter(({ id }) => id === 'load');
  if (!coil) return undefined;
  const volts = nominalOf(coil.volts);
  return { kind: 'coil', volts, watts: volts ** 2 / nominalOf(coil.ohms), current: coil.current, inrush: 1 };
}

function resistorOf({ behaviours, outputs, inline }: DeviceDescription): DeviceType['resistor'] {
  const [only] = behaviours;
  if (!inline || outputs.length || behaviours.length !== 1 || only?.model !== 'resistor' || !only.rated)
    return undefined;
  const { ohms, rated } = only;
  const at = (figure: typeof ohms, settings: Settings): number =>
    spanOf(figure, figure.setting && settings[figure.setting]).nom;
  return (settings) => ({ ohms: at(ohms, settings), watts: at(rated, settings) });
}

/** The output of a device by its id; its first where none is said. Nothing for a device without any. */
export const outputOfType = ({ outputs }: DeviceType, id: string | undefined): DeviceOutput | undefined =>
  outputs.find((output) => output.id === id) ?? outputs[0];

/** How an output of a device was chosen: its kind and logic, or the first that its description offers. */
export function chosenOutput(
  type: DeviceType,
  device: Pick<Device, 'outputs'>,
  output: DeviceOutput,
): { readonly kind: OutputKind; readonly logic: Logic } {
  const driver = output.of === undefined ? undefined : type.outputs.find(({ id }) => id === output.of);
  const chosen = device.outputs?.[output.id];
  const kind = chosen?.kind ?? (driver ? chosenOutput(type, device, driver).kind : output.kinds[0]);
  return { kind: kind ?? 'none', logic: chosen?.logic ?? output.logics[0] ?? 'none' };
}

/**
 * How every output of a device stands: normally open or closed by the target, light-on or dark-on by the light that it
 * sees, by its switch point where a value drives it, or as the opposite of another.
 */
export function outputsNow(
  type: DeviceType,
  device: Pick<Device, 'outputs'>,
  { present, level }: { readonly present: boolean; readonly level: number },
): Map<string, OutputNow> {
  const now = new Map<string, OutputNow>();
  // Opposites come after those that they are the opposite of.
  const ordered = [...type.outputs].sort((a, b) => Number(a.of !== undefined) - Number(b.of !== undefined));
  for (const output of ordered) {
    const { kind, logic } = chosenOutput(type, device, output);
    const active = output.drivenBy === 'value' ? level > (output.switchesAt ?? 0.5) : present;
    const called =
      output.of === undefined
        ? calledBy(logic, active, output.lightWithTarget ?? false)
        : !(now.get(output.of)?.called ?? false);
    now.set(output.id, { kind, logic, called });
  }
  return now;
}

/** Whether an output is called for, by its logic. Of a guard only the state of the guard counts. */
function calledBy(logic: Logic, active: boolean, lightWithTarget: boolean): boolean {
  switch (logic) {
    case 'no':
    case 'none':
      return active;
    case 'nc':
      return !active;
    case 'light':
      return active === lightWithTarget;
    case 'dark':
      return active !== lightWithTarget;
  }
}

/** The resistance of an output's element as the device is set; nothing for one that is none. */
export const resistanceOfOutput = (
  type: DeviceType,
  output: DeviceOutput,
  settings: Settings | undefined,
): ResistanceElement | undefined => output.resistanceFor?.(settingsOf(type, settings));

/** Roles of the lead that decides on which port an output sits, the telling ones first. */
const SIGNAL_ROLES: readonly TerminalRole[] = [
  'out',
  'signal',
  'complement',
  'loopMinus',
  'wiper',
  'element',
  'pulse',
  'dataLine',
  'lineB',
  'socket',
  'channel1Return',
  'auxReturn',
  'sideB',
  'sideA',
  'loadPlus',
  'loadMinus',
];

/** How an output is chosen: as it was before, where it offers that too; else its first way. */
export function choiceWithin(
  output: DeviceOutput | undefined,
  was?: { readonly kind: OutputKind; readonly logic: Logic },
): { readonly outputId: string; readonly kind: OutputKind; readonly logic: Logic } {
  const { id = '', kinds = [], logics = [] } = output ?? {};
  return {
    outputId: id,
    kind: was && kinds.includes(was.kind) ? was.kind : (kinds[0] ?? 'none'),
    logic: was && logics.includes(was.logic) ? was.logic : (logics[0] ?? 'none'),
  };
}

/** The leads of an output that decide on which port it sits, the telling ones first. */
export function tellingTerminals(type: DeviceType, { terminals }: DeviceOutput): string[] {
  const roleOf = (name: string): TerminalRole | undefined =>
    type.terminals.find((terminal) => terminal.name === name)?.role;
  const rank = (name: string): number => {
    const role = roleOf(name);
    return role ? SIGNAL_ROLES.indexOf(role) : -1;
  };
  return terminals.filter((name) => rank(name) >= 0).sort((a, b) => rank(a) - rank(b));
}
