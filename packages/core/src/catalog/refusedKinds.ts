import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';

/** What people call devices that take a guard's stop away for a while, or stand in for it. */
const CALLED = [
  'muting',
  'mute',
  'blanking',
  'enabling',
  'enable switch',
  'dead man',
  'deadman',
  'three-position',
  'two-hand',
  'two hand',
];

/** So many letters tell a word from another. */
const TELLING = 4;

/** Why a device that is sought is not offered, though it exists: none of its kind is checked here. */
export function refusedKind(sought: string): Message | undefined {
  const words = sought.trim().toLowerCase().replace(/\s+/g, ' ');
  if (words.length < TELLING) return undefined;
  return CALLED.some((name) => name.startsWith(words) || words.includes(name))
    ? say('landing.defer-to-safety-engineer')
    : undefined;
}
