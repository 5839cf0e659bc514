import { oncePer } from '../lists/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { hasTerminal } from '../analysis/index.ts';
import { splitRef } from '../model/index.ts';

/** Where one stands to look. */
export type Spot = 'field' | 'panel' | 'screen';

/** Something that can be looked at with the target in one state: an indicator, or volts between two terminals. */
export type Look = {
  readonly id: string;
  readonly state: 'away' | 'present';
  readonly spot: Spot;
  /** So long it takes where one stands, s. */
  readonly seconds: number;
} & (
  | { readonly kind: 'sensorLed' | 'inputLed' | 'bit' }
  | { readonly kind: 'volts'; readonly red: string; readonly black: string }
);

const STATES = ['away', 'present'] as const;

/** Seconds for a look: an LED is seen, a value is found on a screen, two leads are put on. */
const SECONDS = { sensorLed: 4, inputLed: 4, bit: 10, volts: 25 } as const;

/** Everything that can be looked at of a point on a digital input. */
export const looksOf = oncePer((analysis: Analysis): readonly Look[] => {
  const { context, present } = analysis;
  const { device, output, supply, ports } = context;
  const [own] = ports;
  const look = (kind: 'sensorLed' | 'inputLed' | 'bit', spot: Spot) =>
    STATES.map((state): Look => ({ id: `${kind} ${state}`, kind, state, spot, seconds: SECONDS[kind] }));
  const minus = `${supply.id}:-`;
  const volts = (red: string, black: string, spot: Spot) =>
    STATES.map((state): Look => ({
      id: `volts ${red} ${black} ${state}`,
      kind: 'volts',
      red,
      black,
      state,
      spot,
      seconds: SECONDS.volts,
    }));
  const seen = (ref: string): boolean => hasTerminal(present, ref);
  const atDevice = terminalsOf(analysis, device.id);
  const [first, ...others] = atDevice;
  const atInput = own ? [`${own.module.id}:${own.port.terminal}`].filter(seen) : [];
  return [
    ...(output.indicator === undefined ? [] : look('sensorLed', 'field')),
    ...(present.inputs.length ? [...look('inputLed', 'panel'), ...look('bit', 'screen')] : []),
    ...atInput.filter(() => seen(minus)).flatMap((ref) => volts(ref, minus, 'panel')),
    ...(seen(minus) ? volts(`${supply.id}:+`, minus, 'panel') : []),
    // In the field there is no minus but the device's own.
    ...(first === undefined ? [] : others.flatMap((ref) => volts(ref, first, 'field'))),
  ];
});

/** Terminals of a part that are in the circuit, its minus first. */
function terminalsOf({ context, present }: Analysis, item: string): string[] {
  const refs = [
    ...new Set(
      context.scope.wires.flatMap(({ from, to }) => [from, to]).filter((ref) => splitRef(ref).item === item),
    ),
  ].filter((ref) => hasTerminal(present, ref) && splitRef(ref).terminal !== 'PE');
  const minus = refs.findIndex((ref) => /^(BU|-|L-|M|0V)$/.test(splitRef(ref).terminal));
  return minus > 0 ? [refs[minus] ?? '', ...refs.filter((_, i) => i !== minus)] : refs;
}
