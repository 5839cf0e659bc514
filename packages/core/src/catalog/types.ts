import type { InputThresholds, Sense, Span } from '../circuit/index.ts';
import type { Logic, OutputKind } from '../model/job.ts';

export type Principle =
  | 'inductive'
  | 'capacitive'
  | 'diffuse'
  | 'retro-reflective'
  | 'through-beam'
  | 'ultrasonic'
  | 'dry contact'
  | 'mechanical switch';

/** What an electronic sensor does at its terminals. Volts, amperes, ohms. */
export interface ElectronicBehaviour {
  readonly kind: 'electronic';
  readonly leastSupplyVolts: number;
  readonly mostSupplyVolts: number;
  /** The electronics as a load between plus and minus. */
  readonly supplyOhms: Span;
  readonly dropVolts: Span;
  readonly onOhms: Span;
  readonly leakAmps: Span;
  readonly ratedAmps: number;
  readonly limitAmps: Span;
}

/** A contact without electronics. Ohms when closed; least volts and amperes that keep it clean. */
export interface ContactBehaviour {
  readonly kind: 'contact';
  readonly closedOhms: Span;
  readonly ratedAmps: number;
  readonly wettingVolts: number;
  readonly wettingAmps: number;
}

/** Role of a device terminal: supply plus, supply minus, output, or one of a contact's two sides. */
export type TerminalRole = 'plus' | 'minus' | 'out' | 'sideA' | 'sideB' | 'emitterPlus' | 'emitterMinus';

export interface DeviceTerminal {
  readonly name: string;
  readonly role: TerminalRole;
  /** Pin of the M12 connector, where there is one (IEC 60947-5-2). */
  readonly pin?: number;
  readonly colour: 'BN' | 'BU' | 'BK' | 'WH' | 'GY' | 'OG';
}

export interface DeviceType {
  readonly id: string;
  readonly name: string;
  readonly principle: Principle;
  readonly outputs: readonly OutputKind[];
  readonly logics: readonly Logic[];
  /** Whether the device sees light while the target is present; photoelectric types only. */
  readonly lightWithTarget?: boolean;
  readonly terminals: readonly DeviceTerminal[];
  readonly behaviour: ElectronicBehaviour | ContactBehaviour;
  readonly words: { readonly present: string; readonly away: string };
  readonly stimulus: string;
}

export interface ModuleGroup {
  readonly common: string;
  readonly channels: readonly number[];
}

export interface ModuleType {
  readonly id: string;
  readonly name: string;
  readonly sense: Sense;
  readonly iecType: 1 | 2 | 3;
  readonly groups: readonly ModuleGroup[];
  readonly input: { readonly ledVolts: Span; readonly seriesOhms: Span; readonly parallelOhms: Span };
  readonly thresholds: InputThresholds;
}
