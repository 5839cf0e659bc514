import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refText } from '../job/index.ts';
import type { Look } from './look.ts';

/** What is to be looked at, and with the target how. */
export function lookText(analysis: Analysis, look: Look): { readonly what: Message; readonly state: Text } {
  const { context } = analysis;
  const { device, module, address, index } = context;
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

/** How the target is held for a look, or what is done otherwise. */
function stateText({ away, present }: Analysis, { state, power }: Look): Text {
  if (state === 'away') return away.situation.words;
  if (state === 'present') return present.situation.words;
  if (power === 'off') return say('fault.look-dead');
  return say(state === 'any' ? 'fault.look-live' : 'fault.look-pulses');
}
