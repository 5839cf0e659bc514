import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { readAmps } from '../analysis/index.ts';
import type { PointState } from '../analysis/index.ts';
import { elementId, signalLeads } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import { splitRef } from '../model/index.ts';
import { seen, stateKey } from './sought.ts';
import type { Sought, SoughtGroup } from './sought.ts';

/**
 * What a meter can measure of a point's signal in a state: the current of a current signal, in series; volts where
 * both leads stand on something that holds them. An element that its input feeds, a couple's millivolts and a lead
 * that floats are told by the input's reading alone.
 */
export function signalChecks(context: PointContext, state: PointState): Sought[] {
  const { output, device } = context;
  if (state.measured.some(({ unit }) => unit === 'Ω' || unit === 'mV')) return [];
  const element = elementId(device.id, output.element ?? 'signal');
  const isCurrent = output.signal !== undefined && output.signal.endsWith('mA');
  if (isCurrent && state.netlist.elements.some(({ id }) => id === element))
    return [
      {
        key: stateKey(state, 'amps'),
        label: say('proof.signal'),
        detail: say('proof.in-series-with', { terminal: splitRef(signalLeads(context, '').red).terminal }),
        look: () => {
          const { min, nom, max } = readAmps(state, element);
          const digits = 2;
          return { kind: 'reading', min: min * 1000, nom: nom * 1000, max: max * 1000, unit: 'mA', digits };
        },
      },
    ];
  const { red, black } = signalLeads(context, state.netlist.reference);
  return voltsCheck(state, { key: 'volts', label: say('proof.signal'), red, black });
}

/**
 * Volts between two terminals; nothing where one of them floats against the other, since a meter shows anything there.
 * Both may float together, behind an isolating amplifier.
 */
export function voltsCheck(
  state: PointState,
  { key, label, red, black }: { key: string; label: Sought['label']; red: string; black: string },
): Sought[] {
  if (state.solution.floating(red) !== state.solution.floating(black)) return [];
  const blackName = black === state.netlist.reference ? '0 V' : splitRef(black).terminal;
  return [
    {
      key: stateKey(state, key),
      label,
      detail: say('proof.red-black-2', { terminal: splitRef(red).terminal, blackName }),
      look: { state, red, black },
    },
  ];
}

const check = (
  key: string,
  label: Message,
  detail: Message,
  yes: Message,
  no: Message = say('proof.other'),
): Sought => seen({ key, label, detail }, true, yes, no);

/** What is proven of a device whose line talks: that its values arrive and are valid, not the level of its line. */
export function communicationGroup({ output, module, port }: PointContext): SoughtGroup {
  const at = say('proof.at-port', { module: module?.tag ?? '', label: port?.label ?? '' });
  const live = check(
    'talks.live',
    say('proof.live-value'),
    at,
    say('proof.arrives-and-is-valid'),
    say('proof.nothing-or-invalid'),
  );
  const bits = check(
    'talks.bits',
    say('proof.bits-used'),
    say('proof.move-what-they-tell'),
    say('proof.follow'),
  );
  const led = check(
    'talks.led',
    say('proof.communication-led'),
    say('proof.at-the-device'),
    output.landsOn === 'io-link' ? say('proof.blinks-green') : say('proof.lit-or-flickers'),
  );
  return { key: 'talks', title: say('proof.communication'), checks: [live, bits, led] };
}

/** So many pulses are simulated or let pass; one more or less may fall on the moment of looking. */
const PULSES = 100;

/** What is proven of pulses: that they are counted, each once, and none without flow. */
export function pulseGroup({ output, module, port }: PointContext): SoughtGroup {
  const at = say('proof.at-port', { module: module?.tag ?? '', label: port?.label ?? '' });
  return {
    key: 'pulses',
    title: output.label,
    how: say('step.use', { stimulus: output.stimulus }),
    checks: [
      {
        key: 'pulses.counted',
        label: say('proof.let-pulses-pass', { pulses: PULSES }),
        detail: at,
        look: () => ({
          kind: 'reading',
          min: PULSES - 1,
          nom: PULSES,
          max: PULSES + 1,
          unit: 'counts',
          digits: 0,
        }),
      },
      check(
        'pulses.rest',
        say('proof.without-pulses'),
        at,
        say('proof.count-stands-still'),
        say('proof.count-goes-on'),
      ),
    ],
  };
}
