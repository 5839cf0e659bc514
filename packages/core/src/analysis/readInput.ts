import type { DigitalPort } from '../catalog/index.ts';
import { driving, judgeInput, judgeInputBand } from '../circuit/index.ts';
import type { InputState, Quantity, Span } from '../circuit/index.ts';
import { elementId } from '../network/index.ts';
import type { OwnPort } from '../network/index.ts';

/** A digital input that something is landed on. */
export type OwnInput = OwnPort & { readonly port: DigitalPort };

/** What of a circuit tells how a digital input stands: volts across it, and the current into it. */
export function inputQuantities({ module, port }: Pick<OwnInput, 'module' | 'port'>): {
  readonly volts: Quantity;
  readonly amps: Quantity;
} {
  return {
    volts: { kind: 'volts', a: `${module.id}:${port.terminal}`, b: `${module.id}:${port.common}` },
    amps: { kind: 'amps', element: elementId(module.id, port.name) },
  };
}

/**
 * How a digital input stands at a voltage and a current, V and A, as the circuit has them.
 * @param counts how the point's program takes its bit.
 */
export function readInput(
  { port, settings }: OwnInput,
  volts: Span,
  amps: Span,
  counts: 'direct' | 'inverted',
): {
  readonly volts: Span;
  readonly amps: Span;
  readonly input: InputState;
  readonly led: InputState;
  readonly bit?: 0 | 1;
} {
  const turn = (span: Span): Span =>
    port.sense === 'both' && volts.nom < 0 ? driving(span, 'source') : driving(span, port.sense);
  const [v, a] = [turn(volts), turn(amps)];
  const led = judgeInput(v.nom, a.nom, port.thresholds);
  const turned = settings[`${port.name}.active`] === 'open';
  const on = (led === 'on') !== turned;
  return {
    volts: v,
    amps: a,
    input: judgeInputBand(v, a, port.thresholds),
    led,
    bit: led === 'undecided' ? undefined : on === (counts === 'direct') ? 1 : 0,
  };
}
