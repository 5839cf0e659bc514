import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refText } from '../job/index.ts';
import type { Held, Look } from './look.ts';
import { readAt } from './readAt.ts';

/** What is to be looked at, and with the target how. */
export function lookText(analysis: Analysis, look: Look): { readonly what: Message; readonly state: Text } {
  const { context } = analysis;
  const { device, index } = context;
  const { module, address } = readAt(analysis);
  const state = stateText(analysis, look);
  switch (look.kind) {
    case 'sensorLed':
      return { what: say('fault.look-led', { item: device.tag }), state };
    case 'inputLed':
      return { what: say('fault.look-led', { item: address ?? module?.tag ?? '' }), state };
    case 'flickers':
      return {
        what: say('fault.look-led', {
          item: look.lamp === 'sensorLed' ? device.tag : (address ?? module?.tag ?? ''),
        }),
        state,
      };
    case 'counts':
      return { what: say('fault.look-counts', { tag: context.point.tag }), state };
    case 'acts':
      return { what: say('fault.look-acts', { label: look.label }), state };
    case 'lit':
      return { what: say('fault.look-led', { item: look.label }), state };
    case 'fed':
      return { what: say('fault.look-fed', { label: look.label }), state };
    case 'talks':
      return { what: say('fault.look-talks', { device: device.tag }), state };
    case 'asSet':
      return { what: say('fault.look-set', { label: look.label }), state };
    case 'bit':
      return { what: say('fault.look-bit', { address: address ?? '' }), state };
    case 'value':
      return { what: say('fault.look-value', { tag: context.point.tag }), state };
    case 'milliamps':
      return {
        what: say('fault.look-milliamps', { from: refText(index, look.red), to: refText(index, look.black) }),
        state,
      };
    case 'volts':
      return {
        what: say('fault.look-volts', { red: refText(index, look.red), black: refText(index, look.black) }),
        state,
      };
    case 'ohms':
      return {
        what: say('fault.look-ohms', { from: refText(index, look.red), to: refText(index, look.black) }),
        state,
      };
  }
}

/** How the target is held. */
export function heldText({ away, present, pressed }: Analysis, state: Held): Text {
  const { words } = present.situation;
  if (state === 'away') return away.situation.words;
  if (state === 'pressed') return say('fault.look-pressed', { present: words });
  return pressed ? say('fault.look-reset', { present: words }) : words;
}

/** How the target is held for a look, or what is done otherwise. */
function stateText(analysis: Analysis, { state, power }: Look): Text {
  // Without power nothing is reset.
  if (state === 'present' && power === 'off') return analysis.present.situation.words;
  if (state === 'away' || state === 'present' || state === 'pressed') return heldText(analysis, state);
  if (power === 'off') return say('fault.look-dead');
  return say(state === 'any' ? 'fault.look-live' : 'fault.look-pulses');
}
