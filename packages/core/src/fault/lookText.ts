import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { refText } from '../job/index.ts';
import type { Look } from './looks.ts';

/** What is to be looked at, and with the target how. */
export function lookText(
  { context, away, present }: Analysis,
  look: Look,
): { readonly what: Message; readonly state: Text } {
  const { device, module, address, index } = context;
  const state =
    look.state === 'any'
      ? say(look.power === 'off' ? 'fault.look-dead' : 'fault.look-live')
      : (look.state === 'away' ? away : present).situation.words;
  switch (look.kind) {
    case 'sensorLed':
      return { what: say('fault.look-led', { item: device.tag }), state };
    case 'inputLed':
      return { what: say('fault.look-led', { item: address ?? module?.tag ?? '' }), state };
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
