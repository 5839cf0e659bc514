import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import type { Action } from '../../model/index.ts';

const TEXTS: Readonly<Record<Action, Message>> = {
  show: say('switching.does-show'),
  lamp: say('switching.does-lamp'),
  flash: say('switching.does-flash'),
  sound: say('switching.does-sound'),
  pause: say('switching.does-pause'),
  stop: say('switching.does-stop'),
  lock: say('switching.does-lock'),
};

/** What a level does, in a word. */
export const actionText = (action: Action): Message => TEXTS[action];
